import type { Fixed } from './setup.js';
import type { Surroundings } from './surroundings.js';

/** Work space of one bake: filled anew in each step, so that no step allocates. */
export interface Scratch {
  readonly p: Float64Array;
  readonly aw: Float64Array;
  readonly delta: Float64Array;
  readonly stefan: Float64Array;
  readonly k: Float64Array;
  /** Heat that warms a cell by a kelvin, J/K, and the enthalpy of its dough without the water, J. */
  readonly capacity: Float64Array;
  readonly dryHeat: Float64Array;
  /** How fast heat and moisture even out in a cell, m²/s. */
  readonly rate: Float64Array;
  /** By ring: what its layers are thinner than the step is made for, 2/dz² less that of the step, 1/m²; 0 for most. */
  readonly thin: Float64Array;
  readonly dU: Float64Array;
  readonly dW: Float64Array;
  readonly bottomC: Float64Array;
  readonly air: Surroundings;
  /** How much hotter air and walls are at this moment than the oven alone would have them, K: the load's doing. */
  shiftK: number;
  /** Heat into the cookie and vapour out of it since the start, J and kg; for the balances. */
  heatIn: number;
  /** Heat into this piece's share of the tray from the oven, J. */
  trayHeatJ: number;
  vapourOut: number;
  vapourHeat: number;
}

export const makeScratch = (fixed: Fixed): Scratch => {
  const n = fixed.nr * fixed.nz;
  const cells = () => new Float64Array(n);
  return {
    p: cells(),
    aw: cells(),
    delta: cells(),
    stefan: cells(),
    k: cells(),
    capacity: cells(),
    dryHeat: cells(),
    rate: cells(),
    thin: new Float64Array(fixed.nr),
    dU: cells(),
    dW: cells(),
    bottomC: new Float64Array(fixed.nr),
    air: { phase: 'oven', airC: 0, wallC: 0, wallBelowC: 0, h: 0, hUnder: 0, natural: false },
    shiftK: 0,
    trayHeatJ: 0,
    heatIn: 0,
    vapourOut: 0,
    vapourHeat: 0,
  };
};
