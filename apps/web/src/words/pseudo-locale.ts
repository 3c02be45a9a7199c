/** The locale of the pseudo-language: it counts and says dates as English does. */
export const pseudoLocale = 'en-XA';
