import { advance, readingIfPulledNow, startRun } from '../simulate.js';
import type { BakeInput } from '../input.js';
import type { Reading } from '../reading.js';
import { adjustSetup, noAdjustment, type BakeAdjustment } from './adjustment.js';
import { varianceOf, type Calibration, type Whereabouts } from './calibration.js';
import { house, learnable, type Learnable } from './learnable.js';

/** How the pull moves, s per K of offset and per unit of the logarithm of a factor. */
export interface PullSlopes {
  readonly offset: number;
  readonly transfer: number;
  readonly stiffness: number;
  /** ln of the diameter per unit of the logarithm of the stiffness. */
  readonly diameter: number;
}

const stepK = 6;
const stepLn = 0.15;
const laterS = 40;

/**
 * How the pull for one doneness moves with what is not known for sure: by the moisture of the centre, which decides
 * between the states, −(∂y/∂p)/(∂y/∂t).
 */
export const pullSlopes = (input: BakeInput, pullS: number): PullSlopes => {
  const at = (change: Partial<BakeAdjustment>) => {
    // Slopes need no fine grid.
    const run = startRun(
      adjustSetup({ ...input.setup, rings: 6, layers: 4 }, { ...noAdjustment, ...change }),
    );
    advance(run, 'oven', pullS);
    return run;
  };
  const run = at({});
  const now = readingIfPulledNow(run);
  const y = now.centreMoisture;
  advance(run, 'oven', pullS + laterS);
  const perS = (readingIfPulledNow(run).centreMoisture - y) / laterS;
  const toPull = (reading: Reading, step: number) =>
    -(reading.centreMoisture - y) / step / Math.min(-1e-7, perS);
  const slope = (change: Partial<BakeAdjustment>, step: number) =>
    toPull(readingIfPulledNow(at(change)), step);
  const stiff = readingIfPulledNow(at({ stiffness: Math.exp(stepLn) }));
  return {
    offset: slope({ offsetK: stepK }, stepK),
    transfer: slope({ hFactor: Math.exp(stepLn) }, stepLn),
    stiffness: toPull(stiff, stepLn),
    diameter: Math.log(stiff.diameterMm / now.diameterMm) / stepLn,
  };
};

/**
 * What stays uncertain of a pull when oven and dough are known: the model itself, s. The twin test leaves 14 to 16 s; real
 * dough differs from the model in more ways than the twin does, so more is taken.
 */
export const modelPullS = 25;
/** Half a band of 90 % of a normal distribution, in standard deviations. */
const band = 1.645;

export const pullSlopeList = (
  slopes: PullSlopes,
  { ovenId, position, code }: Whereabouts,
): readonly (readonly [Learnable, number])[] => [
  [learnable('offset', ovenId), slopes.offset],
  [learnable('transfer', ovenId), slopes.transfer],
  [learnable('house-stiffness', house), slopes.stiffness],
  [learnable('stiffness', code), slopes.stiffness],
  ...(position === undefined ? [] : [[learnable('place', ovenId, position), slopes.offset] as const]),
];

/**
 * How far the real pull may lie from the forecast, nine times in ten, ± s.
 * @param unevenK from the hottest place of the oven to the coolest, K: a tray of which no place is said lies anywhere between
 */
export const pullBandS = (
  calibration: Calibration | null,
  slopes: PullSlopes,
  where: Whereabouts,
  unevenK = 0,
): number => {
  const anywhereS = where.position === undefined ? (slopes.offset * unevenK) / Math.sqrt(12) : 0;
  return (
    band * Math.hypot(Math.sqrt(varianceOf(calibration, pullSlopeList(slopes, where))), modelPullS, anywhereS)
  );
};

/** What stays uncertain of a diameter when the dough is known, as a share: the model, and how evenly pieces are set. */
const modelDiameterShare = 0.02;

/** How far the real diameter may lie from the forecast, nine times in ten, as a share. */
export const diameterBand = (
  calibration: Calibration | null,
  slopes: PullSlopes,
  { code }: Whereabouts,
): number =>
  band *
  Math.sqrt(
    varianceOf(calibration, [
      [learnable('house-stiffness', house), slopes.diameter],
      [learnable('stiffness', code), slopes.diameter],
    ]) +
      modelDiameterShare ** 2,
  );
