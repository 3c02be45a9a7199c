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

/** How a figure moves with what is not known for sure: its unit per K, or per unit of a logarithm. */
export type FigureSlopes = readonly (readonly [Learnable, number])[];

/**
 * Covariances of figures under what is known. What was never logged counts with its prior, each parameter by itself; one
 * that is named twice is still one.
 * @returns the covariance of two figures, in the product of their units
 */
export const covarianceUnder = (
  calibration: Calibration | null,
): ((a: FigureSlopes, b: FigureSlopes) => number) => {
  const n = calibration?.values.length ?? 0;
  const indexOf = new Map(calibration?.values.map(({ key }, i) => [key, i]));
  const of = (a: Learnable, b: Learnable): number => {
    const i = indexOf.get(a.key);
    if (i === undefined) return a.key === b.key ? priorSigma[a.kind] ** 2 : 0;
    const j = indexOf.get(b.key);
    return j === undefined ? 0 : (calibration?.covariance[i * n + j] ?? 0);
  };
  return (a, b) => {
    let sum = 0;
    for (const [la, sa] of a) for (const [lb, sb] of b) sum += sa * sb * of(la, lb);
    return sum;
  };
};

/** Variance of a figure under what is known. */
export const varianceOf = (calibration: Calibration | null, slopes: FigureSlopes): number =>
  Math.max(0, covarianceUnder(calibration)(slopes, slopes));
