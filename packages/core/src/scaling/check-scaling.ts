import { JokulError, requireNumber, say } from '../shown/index.js';
import type { Losses } from './dough-needed.js';
import type { MixerRange } from './split.js';
import type { Scale } from './weigh-sheet.js';

/** What is to be scaled, on which mixers and scales, as somebody outside gives it. */
export interface ScalingInput {
  readonly ingredients: readonly { readonly bakersPercent: number }[];
  readonly lines: readonly { readonly pieces: number }[];
  readonly losses: Losses;
  readonly mixers: readonly MixerRange[];
  readonly scales: readonly Scale[];
}

const requireWhole = (value: number, name: string, path: string): void => {
  if (!Number.isInteger(value))
    throw new JokulError('out-of-range', say`${name} is ${value}; it must be a whole number.`, path);
};

/**
 * That a formula, its mixers and its scales can be: nothing is less than nothing, and a mixer works from less to more.
 * @throws JokulError `out-of-range`, `nothing-to-weigh`, with the path of what is wrong
 */
export const checkScaling = ({ ingredients, lines, losses, mixers, scales }: ScalingInput): void => {
  for (const [i, { bakersPercent }] of ingredients.entries())
    requireNumber(bakersPercent, say`The percent`, 0, 10_000, '%', `formula.ingredients.${i}.bakersPercent`);
  if (ingredients.every(({ bakersPercent }) => bakersPercent === 0))
    throw new JokulError(
      'nothing-to-weigh',
      say`All percents of the formula are 0: there is nothing to weigh.`,
      'formula.ingredients',
    );
  for (const [i, { pieces }] of lines.entries())
    requireWhole(pieces, say`The number of pieces`, `lines.${i}.pieces`);
  requireWhole(losses.testPieces, say`The number of test pieces`, 'losses.testPieces');
  for (const [i, { id, minMassG, maxMassG }] of mixers.entries()) {
    requireNumber(maxMassG, say`What the mixer ${id} holds`, 1, 1e7, 'g', `mixers.${i}.maxMassG`);
    requireNumber(minMassG, say`What the mixer ${id} needs`, 0, maxMassG, 'g', `mixers.${i}.minMassG`);
  }
  for (const [i, { id, maxMassG, resolutionG, toleranceG = 0 }] of scales.entries()) {
    requireNumber(maxMassG, say`What the scale ${id} holds`, 1, 1e7, 'g', `scales.${i}.maxMassG`);
    requireNumber(
      resolutionG,
      say`The step of the scale ${id}`,
      1e-4,
      maxMassG,
      'g',
      `scales.${i}.resolutionG`,
    );
    requireNumber(
      toleranceG,
      say`How far the scale ${id} may be off`,
      0,
      maxMassG,
      'g',
      `scales.${i}.toleranceG`,
    );
  }
};
