const plain = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const accented = 'áƀćđéƒǧħíĵķĺḿńóṕʠŕśťúṽŵẋýžÁƁĆĐÉƑǦĦÍĴĶĹḾŃÓṔɊŔŚŤÚṼŴẊÝŽ';
const accents = new Map([...plain].map((letter, i) => [letter, [...accented][i] ?? letter]));

/** A text with accents; marks of elements (`<0>`, `</0>`) stay as they are. */
export const accent = (text: string): string =>
  text.replace(/<\/?\d+\/?>|[A-Za-z]/g, (found) => accents.get(found) ?? found);

/** How much longer a message becomes: two fifths of its letters. */
export const longer = (letters: number): string => '·'.repeat(Math.ceil(0.4 * letters));
