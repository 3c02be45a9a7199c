import type { I18n } from '@lingui/core';
import { sayNames } from '@jokul/core';
import { setCoreWords } from './core-words';
import { inAmerican } from './american-words';
import { inParts, sayThrough } from './say-through';

/** From now on the page says sheet pan and all-purpose flour; what people wrote stays as they wrote it. */
export const speakAmerican = (i18n: I18n): void => {
  setCoreWords(inAmerican);
  sayNames(inAmerican);
  sayThrough(i18n, (message) => inParts(message, inAmerican));
};
