/*
 * The interface says what it says in English or, to prove that nothing stands outside its catalogue, is glued together or
 * cut, in the pseudo-language. A test then looks for the same words with accents on them.
 */
export type Language = 'en' | 'pseudo';

const plain = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const accented = 'áƀćđéƒǧħíĵķĺḿńóṕʠŕśťúṽŵẋýžÁƁĆĐÉƑǦĦÍĴĶĹḾŃÓṔɊŔŚŤÚṼŴẊÝŽ';
/** A letter with its accent or, in a name or in what the core says, without. */
const either = new Map([...plain].map((letter, i) => [letter, `[${letter}${[...accented][i] ?? ''}]`]));
const letter = (own: string): string => either.get(own) ?? own;

/** A message may end before a mark or the end, */
const ends = '[ ·⟧›]*';
/** and between two words another may begin. */
const between = '[ ·⟦⟧‹›]+';
const inText = (text: string): string =>
  text
    .replace(/[\\^$.*+?()[\]{}|]/g, String.raw`\$&`)
    .replace(/[A-Za-z]/g, letter)
    .replaceAll(' ', between)
    .replace(/[,:;]/g, `${ends}$&`);

/** Letters of a pattern, but for its classes (`\d`) and what stands in brackets already. */
const inPattern = (pattern: string): string =>
  pattern
    .replace(/\\.|\[[^\]]*\]|[A-Za-z ,:;]/g, (own) => {
      if (own.length > 1) return own;
      if (own === ' ') return between;
      return /[,:;]/.test(own) ? `${ends}${own}` : letter(own);
    })
    .replace(/^\^/, '^[⟦‹]*')
    .replace(/\$$/, `${ends}$$`);

/** What to look for: as it is in English, with accents in the pseudo-language. */
export const saidIn =
  (language: Language) =>
  (words: string | RegExp, exact = false): string | RegExp => {
    if (language === 'en') return words;
    if (words instanceof RegExp) return new RegExp(inPattern(words.source), words.flags);
    return new RegExp(exact ? `^[⟦‹]*${inText(words)}${ends}$` : inText(words));
  };
