import type { BakeAdjustment } from './adjustment.js';
import { house, priorSigma, type Learnable } from './learnable.js';

export interface LearnedValue extends Learnable {
  /** K, or the logarithm of a factor. */
  readonly value: number;
}

/** What was learned from logged bakes, with its covariance (row by row, in the order of the values). */
export interface Calibration {
  readonly atMs: number;
  readonly bakes: number;
  readonly values: readonly LearnedValue[];
  readonly covariance: readonly number[];
}

/** Which oven, which of its places, which formula. */
export interface Whereabouts {
  readonly ovenId: string;
  /** The tray's place in the oven, from 1; left out for the oven as a whole. */
  readonly position?: number;
  readonly code: string;
}

/** The values alone: enough to compute with, not to say how sure it is. */
export type LearnedValues = Pick<Calibration, 'atMs' | 'bakes' | 'values'>;

const valueOf = (calibration: LearnedValues | null, key: string): number =>
  calibration?.values.find((v) => v.key === key)?.value ?? 0;

/** What to put into the model for a bake there. Without a position: the oven as a whole. */
export const adjustmentOf = (
  calibration: LearnedValues | null,
  { ovenId, position, code }: Whereabouts,
): BakeAdjustment => ({
  offsetK:
    valueOf(calibration, `offset/${ovenId}`) +
    (position === undefined ? 0 : valueOf(calibration, `place/${ovenId}/${position}`)),
  hFactor: Math.exp(valueOf(calibration, `transfer/${ovenId}`)),
  stiffness: Math.exp(
    valueOf(calibration, `house-stiffness/${house}`) + valueOf(calibration, `stiffness/${code}`),
  ),
  colourFactor: Math.exp(
    valueOf(calibration, `house-colour/${house}`) + valueOf(calibration, `colour/${code}`),
  ),
});

/** Standard deviation of one learned value; of its prior when nothing is known of it. */
export const sigmaOf = (calibration: Calibration | null, of: Learnable): number => {
  const i = calibration?.values.findIndex((v) => v.key === of.key) ?? -1;
  if (!calibration || i === -1) return priorSigma[of.kind];
  return Math.sqrt(calibration.covariance[i * calibration.values.length + i] ?? 0);
};

/**
 * Variance of a figure that moves by `slopes` with the parameters. What was never logged counts with its prior.
 * @param slopes the figure's unit per K, or per unit of a logarithm
 */
export const varianceOf = (
  calibration: Calibration | null,
  slopes: readonly (readonly [Learnable, number])[],
): number => {
  const n = calibration?.values.length ?? 0;
  const indexOf = new Map(calibration?.values.map(({ key }, i) => [key, i]));
  // A parameter that is named twice is still one.
  const sums = new Map<string, { of: Learnable; slope: number }>();
  for (const [of, slope] of slopes) sums.set(of.key, { of, slope: slope + (sums.get(of.key)?.slope ?? 0) });
  let sum = 0;
  for (const { of: a, slope: sa } of sums.values()) {
    const i = indexOf.get(a.key);
    if (i === undefined) {
      sum += (sa * priorSigma[a.kind]) ** 2;
      continue;
    }
    for (const { of: b, slope: sb } of sums.values()) {
      const j = indexOf.get(b.key);
      if (j !== undefined) sum += sa * sb * (calibration?.covariance[i * n + j] ?? 0);
    }
  }
  return Math.max(0, sum);
};
