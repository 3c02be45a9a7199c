import type { Ingredient } from '../ingredient/index.js';
import type { LineQuestion } from './answers.js';
import { type Weighed } from './packed.js';
import type { WrittenAmount } from './read-amount.js';
import { isQuestion } from './weigh-amount.js';

/*
 * "3 eggs (150 g)", "3 (50 g) eggs", "1 cup (50 g) flour": whether the weight that stands beside a measure is of it all,
 * of each piece, or a slip.
 */

/** Eggs and cups differ by less than this, as a factor. */
const alike = 1.75;

/** What is further away is a slip, or another amount; between the two it is said. */
const far = 2.25;

export type Beside = 'all' | 'each' | 'neither';

/** What the measure alone comes to, g, from and to; null where it says too little. */
const reach = (
  amounts: readonly WrittenAmount[],
  weighed: readonly (Weighed | LineQuestion)[],
  food: Ingredient,
): readonly [number, number] | null => {
  let [from, to] = [0, 0];
  for (const [i, one] of weighed.entries()) {
    const { low = 0, sign = 1 } = amounts[i] ?? {};
    const sizes = Object.entries(food.pieceG).flatMap(([name, grams]) => (name === 'stick' ? [] : [grams]));
    if (!isQuestion(one)) {
      from += one.figure.value;
      to += one.figure.value;
    } else if (one.about === 'size' && sizes.length > 0) {
      from += low * sign * Math.min(...sizes);
      to += low * sign * Math.max(...sizes);
    } else return null;
  }
  return to > 0 ? [from, to] : null;
};

/**
 * @param givenG the weight beside the measure
 * @param weighed what each amount of the measure comes to, or what would have to be asked
 */
export const weightBeside = (
  givenG: number,
  amounts: readonly WrittenAmount[],
  weighed: readonly (Weighed | LineQuestion)[],
  food: Ingredient,
): Beside => {
  const bounds = reach(amounts, weighed, food);
  if (bounds === null) return 'all';
  const within = (grams: number, factor: number) =>
    grams >= bounds[0] / factor && grams <= bounds[1] * factor;
  if (within(givenG, alike)) return 'all';
  const [only] = amounts;
  const pieces = amounts.length === 1 && only?.unit.kind === 'piece' ? only.low : 1;
  if (pieces > 1 && within(givenG * pieces, alike)) return 'each';
  return within(givenG, far) ? 'all' : 'neither';
};
