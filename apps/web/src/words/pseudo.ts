import type { I18n } from '@lingui/core';
import { setCoreWords } from './core-words';
import { accent, longer } from './pseudo-words';
import { inParts, sayThrough, type Parts } from './say-through';

/** The locale of the pseudo-language: it counts and says dates as English does. */
const pseudoLocale = 'en-XA';

const lettersOf = (text: string): number => text.replace(/<\/?\d+\/?>/g, '').length;

const length = (parts: Parts): number =>
  parts.reduce((sum: number, part) => sum + (typeof part === 'string' ? lettersOf(part) : 6), 0);

/**
 * A message as the pseudo-language has it: accented, 40 % longer, in brackets. What shows without accents stands outside the
 * catalogue; brackets in brackets are a sentence glued together.
 * @param message compiled: words, and places for values
 */
export const inPseudo = (message: Parts): Parts => [
  '⟦',
  ...inParts(message, accent),
  ' ',
  longer(length(message)),
  '⟧',
];

/** From now on every message is said in the pseudo-language; what the server says, English in every language, is marked. */
export const speakPseudo = (i18n: I18n): void => {
  i18n.loadAndActivate({ locale: pseudoLocale, messages: {} });
  setCoreWords((sentence) => (sentence.includes('⟦') ? sentence : `‹${sentence}›`));
  sayThrough(i18n, inPseudo);
};
