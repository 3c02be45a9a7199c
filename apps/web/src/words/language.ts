import { i18n } from '@lingui/core';
import type { Spoken } from './speak-core';

/** English ships; the pseudo-language shows what stands outside the catalogue, is glued together or cut. */
export const languages = ['en', 'pseudo'] as const;
export type Language = (typeof languages)[number];

/** Whose words a baker uses: tray and caster sugar, or sheet pan and superfine sugar. */
export type Words = 'british' | 'american';

const key = 'jokul.language';
const wordsKey = 'jokul.words';

/** The words of this device. */
export const wordsHere = (): Words => {
  try {
    return localStorage.getItem(wordsKey) === 'american' ? 'american' : 'british';
  } catch {
    // A forbidden store: as Jokul ships.
    return 'british';
  }
};

/**
 * Sets the words of this device, from the next time that a page is loaded.
 * @returns whether the browser keeps them
 */
export const setWords = (words: Words): boolean => {
  try {
    localStorage.setItem(wordsKey, words);
    return true;
  } catch {
    return false;
  }
};

/** `?language=pseudo` in the address is kept by this browser until `?language=en`. */
const wanted = (): Language => {
  try {
    const asked = new URLSearchParams(window.location.search).get('language');
    const language = asked ?? localStorage.getItem(key);
    if (asked) localStorage.setItem(key, asked);
    return language === 'pseudo' ? 'pseudo' : 'en';
  } catch {
    // A forbidden store: English.
    return 'en';
  }
};

let spoken: Spoken | '' = '';

/** What the core speaks on this page; nothing where it is English. A worker is told by its name. */
export const spokenHere = (): Spoken | '' => spoken;

/**
 * Sets the language of this page. It must have been set before any module that says something is evaluated; `main`
 * therefore fetches the application only then.
 */
export const speak = async (language = wanted()): Promise<void> => {
  // English stands in the files themselves: see words.babel.mjs.
  i18n.loadAndActivate({ locale: 'en', messages: {} });
  spoken = language === 'pseudo' ? 'pseudo' : wordsHere() === 'american' ? 'american' : '';
  if (!spoken) return;
  // Before anything else of the core, whose constants say something too.
  (await import('./speak-core')).speakCore(spoken);
  if (spoken === 'pseudo') (await import('./pseudo')).speakPseudo(i18n);
  else (await import('./american')).speakAmerican(i18n);
};
