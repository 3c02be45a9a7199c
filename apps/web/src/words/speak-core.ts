import { speakWith, type Put, type Speaker } from '@jokul/core/say';
import { inAmerican } from './american-words';
import { accent, longer } from './pseudo-words';

/** A speaker that says the words of a sentence otherwise; what is put in stays as it is, but for the words that are counted. */
const speaker = (otherwise: (text: string) => string, around = (sentence: string) => sentence): Speaker => {
  const putIn = (put: Put): string =>
    typeof put === 'object' ? otherwise(put.count === 1 ? put.one : put.other) : String(put);
  return (parts, put) =>
    around(parts.reduce((text, part, i) => text + putIn(put[i - 1] ?? '') + otherwise(part), ''));
};

const speakers = {
  american: speaker(inAmerican),
  pseudo: speaker(accent, (sentence) => `⟦${sentence} ${longer(sentence.length)}⟧`),
} as const;

/** What the core may be spoken in, beside the English of its files. */
export type Spoken = keyof typeof speakers;

export const isSpoken = (name: string): name is Spoken => Object.hasOwn(speakers, name);

/**
 * From now on the core says its sentences so, on this page or in this worker. What stands in its constants is said when they
 * are evaluated: this comes before anything else of the core.
 */
export const speakCore = (spoken: Spoken): void => speakWith(speakers[spoken]);
