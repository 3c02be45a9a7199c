import { chance } from '../quantity/index.js';
import { operatingCharacteristic } from './weigh-verdict.js';

/** What a batch may truly be off by, share of the target: on it, a little light, and light enough to matter. */
export const trulyOff = [0, -0.03, -0.06] as const;
/** So many made-up samples of each; the same random each time, so that the same sample is told the same. */
const samples = 400;
const seed = 20_261_127;

export interface SharpnessQuestion {
  /** Pieces on the scale, and of the whole batch. */
  readonly weighed: number;
  readonly pieces: number;
  readonly targetG: number;
  readonly toleranceG: number;
  /** Standard deviation of a single piece, g. */
  readonly spreadG: number;
}

/** The share of samples of this size and spread that would pass as on target, for each of `trulyOff`. */
export const sharpnessOf = ({
  weighed,
  pieces,
  targetG,
  toleranceG,
  spreadG,
}: SharpnessQuestion): readonly number[] => {
  const random = chance(seed);
  const question = {
    nominalG: targetG,
    toleranceG,
    batchPieces: Math.max(weighed, pieces),
    pieces: weighed,
    spreadShare: spreadG / targetG,
  };
  return trulyOff.map(
    (offShare) =>
      operatingCharacteristic({ ...question, offShare }, () => random.around(0, 1), samples)['on-target'],
  );
};
