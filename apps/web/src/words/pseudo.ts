import type { I18n, MessageDescriptor } from '@lingui/core';
import { pseudoLocale } from './pseudo-locale';

type Said = readonly (string | readonly unknown[])[];

const plain = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const accented = 'áƀćđéƒǧħíĵķĺḿńóṕʠŕśťúṽŵẋýžÁƁĆĐÉƑǦĦÍĴĶĹḾŃÓṔɊŔŚŤÚṼŴẊÝŽ';
const accents = new Map([...plain].map((letter, i) => [letter, [...accented][i] ?? letter]));

/** Marks of elements (`<0>`, `</0>`) stay as they are. */
const accent = (text: string): string =>
  text.replace(/<\/?\d+\/?>|[A-Za-z]/g, (found) => accents.get(found) ?? found);

const lettersOf = (text: string): number => text.replace(/<\/?\d+\/?>/g, '').length;

const accentCases = (cases: unknown): unknown =>
  typeof cases === 'object' && cases !== null
    ? Object.fromEntries(
        Object.entries(cases).map(([key, value]) => [
          key,
          typeof value === 'string' ? accent(value) : Array.isArray(value) ? accentParts(value) : value,
        ]),
      )
    : cases;

const accentParts = (parts: Said): Said =>
  parts.map((part) => {
    if (typeof part === 'string') return part === '#' ? part : accent(part);
    const [name, type, cases] = part;
    return part.length > 2 ? [name, type, accentCases(cases)] : part;
  });

const length = (parts: Said): number =>
  parts.reduce((sum: number, part) => sum + (typeof part === 'string' ? lettersOf(part) : 6), 0);

/**
 * A message as the pseudo-language has it: accented, 40 % longer, in brackets. What shows without accents stands outside the
 * catalogue; brackets in brackets are a sentence glued together.
 * @param message compiled: words, and places for values
 */
export const inPseudo = (message: Said): Said => {
  const more = Math.ceil(0.4 * length(message));
  return ['⟦', ...accentParts(message), ' ', '·'.repeat(more), '⟧'];
};

/** In the bundle a message is compiled, whatever its type says. */
const asParts = (message: unknown): Said => (Array.isArray(message) ? message : [String(message)]);

/** From now on every message is said in the pseudo-language. */
export const speakPseudo = (i18n: I18n): void => {
  // Told from English, so that what the core says can be marked.
  i18n.loadAndActivate({ locale: pseudoLocale, messages: {} });
  const say = i18n._.bind(i18n);
  const known = new Map<string, Said>();
  i18n._ = (
    asked: string | MessageDescriptor,
    values?: Record<string, unknown>,
    options?: { readonly message?: string },
  ) => {
    const { id, ...given } = typeof asked === 'string' ? { id: asked, values, ...options } : asked;
    const pseudo = known.get(id) ?? inPseudo(asParts(given.message ?? id));
    known.set(id, pseudo);
    return say({ id, message: pseudo as unknown as string, values: given.values ?? {} });
  };
};
