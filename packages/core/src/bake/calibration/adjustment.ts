import type { BakeSetup } from '../setup.js';

/** How a real bake differs from the untouched model; each is learned from logged bakes. */
export interface BakeAdjustment {
  /** Air and walls above (or below) what the dial says, K. */
  readonly offsetK: number;
  /** Factor on the convective heat transfer of the oven. */
  readonly hFactor: number;
  /** Factor on the dough's viscosity: above 1 it spreads less. */
  readonly stiffness: number;
  /** Factor on the rate of browning. */
  readonly colourFactor: number;
}

export const noAdjustment: BakeAdjustment = { offsetK: 0, hFactor: 1, stiffness: 1, colourFactor: 1 };

/** The same bake in an oven, and of a dough, that differ from the model in a known way. */
export const adjustSetup = (setup: BakeSetup, by: BakeAdjustment): BakeSetup => ({
  ...setup,
  offsetK: (setup.offsetK ?? 0) + by.offsetK,
  parameters: {
    ...setup.parameters,
    hStill: setup.parameters.hStill * by.hFactor,
    hFan: setup.parameters.hFan * by.hFactor,
    eta0PaS: setup.parameters.eta0PaS * by.stiffness,
    browningPerS: setup.parameters.browningPerS * by.colourFactor,
  },
});
