import type { BakeInput } from '../input.js';
import { adjustSetup, type BakeAdjustment } from './adjustment.js';
import { adjustmentOf, type Calibration, type Whereabouts } from './calibration.js';

export const adjustInput = (input: BakeInput, by: BakeAdjustment): BakeInput => ({
  ...input,
  setup: adjustSetup(input.setup, by),
});

/** Stands for any oven and dough: what is believed of all before a bake is logged. */
const anywhere: Whereabouts = { ovenId: '', code: '' };

/** The bake as it will be there by what was learned; the answer then says how sure it is. */
export const calibrated = (
  input: BakeInput,
  calibration: Calibration | null,
  where: Whereabouts,
): BakeInput => ({
  ...(calibration ? adjustInput(input, adjustmentOf(calibration, where)) : input),
  known: { calibration, where: calibration ? where : anywhere },
});
