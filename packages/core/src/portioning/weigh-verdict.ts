import { requireNumber, say } from '../shown/index.js';
import { studentT } from './student-t.js';

/**
 * What a weighed sample proves of its batch, and no more:
 * `on-target` the mean is right, within half a tolerance, and the pieces are even;
 * `light`, `heavy` the mean is off; `uneven` pieces are too far from each other; `too-few` nothing is proved yet.
 */
export type WeighVerdict = 'on-target' | 'light' | 'heavy' | 'uneven' | 'too-few';

export interface WeighCheck {
  readonly passes: boolean;
  readonly verdict: WeighVerdict;
  readonly meanG: number;
  /** The mean of the whole batch lies in here, 95 %. */
  readonly meanRangeG: readonly [number, number];
  /** Pieces further from the nominal weight than the tolerance, and than twice the tolerance. */
  readonly beyondTolerance: number;
  readonly beyondTwice: number;
  /** How many more pieces would decide, by the spread so far; 0 when it is decided, null when no number would. */
  readonly morePieces: number | null;
}

/** The mean may be off by this share of a piece's tolerance and still be called right. */
const meanShare = 0.5;
/** A batch may have this share of its pieces beyond the tolerance. */
const beyondShare = 0.05;
/** Fewest pieces that say anything of a spread. */
const fewest = 3;
const mostMore = 400;

const deviationOf = (readings: readonly number[], mean: number): number =>
  Math.sqrt(readings.reduce((sum, x) => sum + (x - mean) ** 2, 0) / (readings.length - 1));

/** Half of the range of the mean: Student's t with the share of the batch that is weighed already taken off. */
const halfRange = (s: number, n: number, batch: number): number =>
  n >= batch ? 0 : (studentT(0.975, n - 1) * s * Math.sqrt(1 - n / batch)) / Math.sqrt(n);

/** Chance of `k` or more of `n` when each has the chance `p`. */
const atLeast = (k: number, n: number, p: number): number => {
  let chance = 0;
  let term = (1 - p) ** n;
  for (let i = 0; i < k; i++) {
    chance += term;
    term *= ((n - i) / (i + 1)) * (p / (1 - p));
  }
  return 1 - chance;
};

/** Whether so many beyond the tolerance prove more than the share that a batch may have. */
const provesUneven = (beyond: number, n: number): boolean =>
  beyond > 0 && atLeast(beyond, n, beyondShare) < 0.05;

const neededMore = (off: number, s: number, n: number, batch: number, bandG: number): number | null => {
  // It is decided when the range lies inside the band, or wholly on one side of the nominal weight.
  const roomG = Math.max(bandG - off, off > bandG ? off : 0);
  if (roomG <= 0) return null;
  for (let more = 1; more <= mostMore; more++)
    if (halfRange(s, n + more, batch) <= roomG) return Math.min(more, Math.max(0, batch - n));
  return null;
};

/**
 * Check weighing of a batch by what its sample proves. The individual limits follow OIML R 87 (2016): a piece beyond
 * the tolerance is counted, one beyond twice the tolerance fails the batch. The mean is judged by its range and not by
 * the absence of proof: a sample that could also come from a light batch is `too-few`.
 * @param readingsG single pieces, g
 * @param batchPieces pieces of the batch, those weighed among them
 * @throws JokulError `out-of-range`
 */
export const weighCheck = (
  readingsG: readonly number[],
  nominalG: number,
  toleranceG: number,
  batchPieces: number,
): WeighCheck => {
  requireNumber(nominalG, say`The nominal weight`, 1, 1000, 'g', 'nominalG');
  requireNumber(toleranceG, say`The tolerance`, 0.01, 500, 'g', 'toleranceG');
  requireNumber(readingsG.length, say`The number of readings`, 1, 10_000, '', 'readingsG');
  requireNumber(batchPieces, say`The pieces of the batch`, 1, 1e6, '', 'batchPieces');
  for (const [i, reading] of readingsG.entries())
    requireNumber(reading, say`A reading`, 0.1, 2000, 'g', `readingsG.${i}`);
  const n = readingsG.length;
  const batch = Math.max(n, batchPieces);
  const meanG = readingsG.reduce((sum, x) => sum + x, 0) / n;
  const beyond = (times: number) =>
    readingsG.filter((x) => Math.abs(x - nominalG) > times * toleranceG + 1e-9).length;
  const [beyondTolerance, beyondTwice] = [beyond(1), beyond(2)];
  const bandG = meanShare * toleranceG;
  if (n < Math.min(fewest, batch)) {
    // One or two pieces: their spread is unknown, and the mean may be anywhere about them.
    const wide = Math.max(toleranceG * 2, Math.abs(meanG - nominalG) * 2);
    const verdict = beyondTwice > 0 ? 'uneven' : 'too-few';
    return {
      passes: false,
      verdict,
      meanG,
      meanRangeG: [meanG - wide, meanG + wide],
      beyondTolerance,
      beyondTwice,
      morePieces: Math.min(batch, 5) - n,
    };
  }
  const s = n > 1 ? deviationOf(readingsG, meanG) : 0;
  const half = halfRange(s, n, batch);
  const [low, high] = [meanG - half, meanG + half];
  const right = low >= nominalG - bandG - 1e-9 && high <= nominalG + bandG + 1e-9;
  const uneven = beyondTwice > 0 || provesUneven(beyondTolerance, n);
  const verdict: WeighVerdict = right
    ? uneven
      ? 'uneven'
      : 'on-target'
    : high < nominalG
      ? 'light'
      : low > nominalG
        ? 'heavy'
        : uneven
          ? 'uneven'
          : 'too-few';
  return {
    passes: verdict === 'on-target',
    verdict,
    meanG,
    meanRangeG: [low, high],
    beyondTolerance,
    beyondTwice,
    morePieces: verdict === 'too-few' ? neededMore(Math.abs(meanG - nominalG), s, n, batch, bandG) : 0,
  };
};

/**
 * How the check answers over many samples: the share of each verdict for batches whose mean is off by so much.
 * @param offShare of the nominal weight, such as -0.05
 * @param spreadShare of a single piece, such as 0.03
 * @param normal a source of standard normal numbers
 */
export const operatingCharacteristic = (
  question: {
    readonly nominalG: number;
    readonly toleranceG: number;
    readonly batchPieces: number;
    readonly pieces: number;
    readonly offShare: number;
    readonly spreadShare: number;
  },
  normal: () => number,
  samples = 1000,
): Readonly<Record<WeighVerdict, number>> => {
  const { nominalG, toleranceG, batchPieces, pieces, offShare, spreadShare } = question;
  const counts: Record<WeighVerdict, number> = {
    'on-target': 0,
    light: 0,
    heavy: 0,
    uneven: 0,
    'too-few': 0,
  };
  for (let i = 0; i < samples; i++) {
    const readings = Array.from({ length: pieces }, () =>
      Math.max(0.1, nominalG * (1 + offShare + spreadShare * normal())),
    );
    counts[weighCheck(readings, nominalG, toleranceG, batchPieces).verdict] += 1 / samples;
  }
  return counts;
};

/** Lot sizes, pieces to weigh, and how many may be short by more than T: OIML R 87 (2016), its table of sampling plans. */
export const lotSamplePlans = [
  { from: 100, to: 500, weigh: 50, shortAllowed: 3 },
  { from: 501, to: 3200, weigh: 80, shortAllowed: 5 },
  { from: 3201, to: Number.POSITIVE_INFINITY, weigh: 125, shortAllowed: 7 },
] as const;
