/** A word in the number of what it counts: `counted(3, 'tray', 'trays')`. */
export interface Counted {
  readonly count: number;
  readonly one: string;
  readonly other: string;
}

export const counted = (count: number, one: string, other: string): Counted => ({ count, one, other });

/** What is put into a sentence: a figure, a name, another sentence, or a word in the number of what it counts. */
export type Put = string | number | Counted;

/** Says a sentence in another language: the English between what is put in, and what is put in. */
export type Speaker = (parts: readonly string[], put: readonly Put[]) => string;

const english = (put: Put): string =>
  typeof put === 'object' ? (put.count === 1 ? put.one : put.other) : String(put);

let speaker: Speaker | undefined;

/**
 * From now on everything is said by `other`, or in English again. A page sets it before it loads anything else of the core:
 * words may stand in constants.
 */
export const speakWith = (other: Speaker | undefined): void => {
  speaker = other;
};

/**
 * A sentence: its English, with places for what is put in, is also what a catalogue knows it by (`npm run words` gathers
 * them all). Codes, names of what ships and what people wrote are not said, but put in.
 */
export const say = (parts: TemplateStringsArray, ...put: readonly Put[]): string =>
  speaker
    ? speaker(parts, put)
    : parts.length === 1
      ? (parts[0] ?? '')
      : parts.reduce((text, part, i) => text + english(put[i - 1] ?? '') + part);
