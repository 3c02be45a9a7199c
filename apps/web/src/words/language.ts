import { i18n } from '@lingui/core';

/** English ships; the pseudo-language shows what stands outside the catalogue, is glued together or cut. */
export const languages = ['en', 'pseudo'] as const;
export type Language = (typeof languages)[number];

const key = 'jokul.language';

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

/**
 * Sets the language of this page. It must have been set before any module that says something is evaluated; `main`
 * therefore fetches the application only then.
 */
export const speak = async (language = wanted()): Promise<void> => {
  // English stands in the files themselves: see words.babel.mjs.
  i18n.loadAndActivate({ locale: 'en', messages: {} });
  if (language === 'pseudo') (await import('./pseudo')).speakPseudo(i18n);
};
