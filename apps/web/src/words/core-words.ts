let otherwise: (sentence: string) => string = (sentence) => sentence;

/** How what the core says is said on this page; set with its language, before anything is shown. */
export const setCoreWords = (say: (sentence: string) => string): void => {
  otherwise = say;
};

/** A sentence of the core in the words of this page. */
export const coreWords = (sentence: string): string => otherwise(sentence);
