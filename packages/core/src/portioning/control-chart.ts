import { requireNumber, say } from '../shown/index.js';

export interface ControlChart {
  readonly values: readonly number[];
  readonly centre: number;
  readonly upper: number;
  readonly lower: number;
  /** Indices of points beyond the control limits. */
  readonly beyond: readonly number[];
  /** Index at which seven in a row have been on one side of the target, or null. */
  readonly driftAt: number | null;
  readonly sentence: string;
}

/** Expected range of two normal values in standard deviations (d₂ for n = 2). */
const d2 = 1.128;
const runLength = 7;

/**
 * A chart of single values with their moving range (after Shewhart, 1931; Wheeler and Chambers, 1992): whether the
 * hand is steady, and whether it drifts across the batch.
 * @param values pieces in the order weighed, g
 */
export const controlChart = (values: readonly number[], targetG: number): ControlChart | null => {
  if (values.length < 4) return null;
  for (const value of values) requireNumber(value, say`A weighed piece`, 1, 1000, 'g');
  const centre = values.reduce((sum, x) => sum + x, 0) / values.length;
  const ranges = values.slice(1).map((x, i) => Math.abs(x - (values[i] ?? x)));
  const sigma = ranges.reduce((sum, r) => sum + r, 0) / ranges.length / d2;
  const upper = centre + 3 * sigma;
  const lower = centre - 3 * sigma;
  const beyond = values.flatMap((x, i) => (x > upper + 1e-9 || x < lower - 1e-9 ? [i] : []));
  let run = 0;
  let side = 0;
  let driftAt: number | null = null;
  values.forEach((x, i) => {
    const now = Math.sign(x - targetG);
    run = now !== 0 && now === side ? run + 1 : now === 0 ? 0 : 1;
    side = now;
    if (run >= runLength && driftAt === null) driftAt = i;
  });
  const first = beyond[0];
  return {
    values,
    centre,
    upper,
    lower,
    beyond,
    driftAt,
    sentence:
      first !== undefined
        ? say`Piece ${first + 1} is out of the hand's own spread: look what was different.`
        : driftAt !== null
          ? (values[driftAt] ?? 0) > targetG
            ? say`Seven in a row heavy: the hand or the dough has shifted (it warms, the scoop is dirty).`
            : say`Seven in a row light: the hand or the dough has shifted (it warms, the scoop is dirty).`
          : say`Weights are consistent.`,
  };
};
