import type { ReadyWay } from '../formula/index.js';
import type { WrittenAmount } from './read-amount.js';

/** A line of a written recipe, taken apart but not yet weighed. */
export interface WrittenLine {
  readonly text: string;
  readonly kind: 'ingredient' | 'heading' | 'empty';
  readonly amounts: readonly WrittenAmount[];
  /** Grams that the recipe gives itself, beside cups or pieces: "1 cup (125 g)". */
  readonly given: readonly WrittenAmount[];
  /** Whether `given` may be of each of the containers that are counted, or of them all: that is asked about. */
  readonly eachOrAll?: true;
  /** "2 x 100 g": 2. */
  readonly times: number;
  readonly name: string;
  /** What it may be: one id is known, several are to be asked about. */
  readonly ids: readonly string[];
  /** Words of the name that nothing in the library accounts for. */
  readonly left: readonly string[];
  /** Packings that the words name, in the order of the library's names for them. */
  readonly packings: readonly string[];
  /** Those that name what is done to it once it is measured: "butter, melted". */
  readonly afterwards: readonly string[];
  readonly size?: string;
  readonly browned: boolean;
  /** What is done to it before it is weighed. */
  readonly ready: readonly ReadyWay[];
  readonly topping: boolean;
  /** It is for the tray or the bench, and no part of what is eaten: "butter, for greasing". */
  readonly bench: boolean;
  /** What the reader should know besides: "more for rolling is not counted". */
  readonly notes: readonly string[];
  /** Likely ingredients for a name that is not known. */
  readonly likely: readonly string[];
}

/** A line that is not weighed. */
export const notWeighed = (text: string, kind: WrittenLine['kind']): WrittenLine => ({
  text,
  kind,
  amounts: [],
  given: [],
  times: 1,
  name: text,
  ids: [],
  left: [],
  packings: [],
  afterwards: [],
  browned: false,
  ready: [],
  topping: false,
  bench: false,
  notes: [],
  likely: [],
});
