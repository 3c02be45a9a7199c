import { sayDuration, say, counted } from '../shown/index.js';
import { diameterBand, pullBandS, pullSlopes } from './calibration/pull-certainty.js';
import type { BakeInput } from './input.js';

export interface Certainty {
  readonly pullS: number;
  readonly diameterShare: number;
  readonly bakes: number;
}

/** Uncalibrated predictions: about a minute and a half, and five percent of the diameter. */
export const uncalibrated = { pullS: 90, diameterShare: 0.05 } as const;

/** What the pull and the diameter are good for, by what is known of oven and dough. */
export const certaintyOf = (input: BakeInput, pullS: number | null): Certainty => {
  const { known } = input;
  if (!known || pullS === null) return { ...uncalibrated, bakes: 0 };
  const { calibration, where } = known;
  const slopes = pullSlopes(input, pullS);
  return {
    pullS: pullBandS(calibration, slopes, where, input.setup.unevenK),
    diameterShare: diameterBand(calibration, slopes, where),
    bakes: calibration?.bakes ?? 0,
  };
};

export const certaintyNote = ({ pullS: bandS, bakes }: Certainty, pullS: number): string => {
  const within = sayDuration(Math.round(bandS / 5) * 5);
  const from = sayDuration(Math.round(Math.max(60, pullS - bandS)));
  return bakes === 0
    ? say`A forecast. Not calibrated on this oven yet: good to about ± ${within}. Look at the tray from ${from} on.`
    : say`A forecast. Calibrated by ${bakes} logged ${counted(bakes, 'bake', 'bakes')}: nine times in ten within ± ${within}. Look at the tray from ${from} on.`;
};
