import { advance, carryoverS, readRun, startRun } from '../simulate.js';
import { adjustSetup, type BakeAdjustment } from './adjustment.js';
import type { LoggedBake } from './logged.js';

/** The figures that a bake is learned from, as the model foretells them. */
export interface Foretold {
  readonly coreC: number;
  readonly diameterMm: number;
  readonly heightMm: number;
  readonly lossShare: number;
  readonly colour: number;
}
export const foretoldNames = ['coreC', 'diameterMm', 'heightMm', 'lossShare', 'colour'] as const;

const coldS = 600;

/** One bake with its own pull, through tray and rack. */
export const foretell = (
  { setup, pullS, trayS }: Pick<LoggedBake, 'setup' | 'pullS' | 'trayS'>,
  by: BakeAdjustment,
): Foretold => {
  const run = startRun(adjustSetup(setup, by));
  advance(run, 'oven', pullS);
  const { centreC } = readRun(run);
  const offTrayS = pullS + Math.max(carryoverS, trayS);
  advance(run, 'tray', offTrayS);
  advance(run, 'rack', offTrayS + coldS);
  const cold = readRun(run);
  return {
    coreC: centreC,
    diameterMm: cold.diameterMm,
    heightMm: cold.heightMm,
    lossShare: cold.lossShare,
    colour: cold.colour.edge,
  };
};

/** How the figures move per K of offset and per unit of the logarithm of each factor. */
export interface Slopes {
  readonly offset: Foretold;
  readonly transfer: Foretold;
  readonly stiffness: Foretold;
  readonly colour: Foretold;
}

const difference = (a: Foretold, b: Foretold, step: number): Foretold => {
  const slope = (name: keyof Foretold) => (b[name] - a[name]) / step;
  return {
    coreC: slope('coreC'),
    diameterMm: slope('diameterMm'),
    heightMm: slope('heightMm'),
    lossShare: slope('lossShare'),
    colour: slope('colour'),
  };
};

const stepK = 6;
const stepLn = 0.15;

/** Slopes by forward differences; browning moves nothing else, so its slope needs no run: s = 100(1 − e^−B), B ∝ k. */
export const slopesOf = (
  bake: Pick<LoggedBake, 'setup' | 'pullS' | 'trayS'>,
  at: BakeAdjustment,
  base: Foretold,
): Slopes => {
  const factor = Math.exp(stepLn);
  const moved = (by: Partial<BakeAdjustment>, step: number) =>
    difference(base, foretell(bake, { ...at, ...by }), step);
  const left = Math.max(0.01, 100 - base.colour);
  return {
    offset: moved({ offsetK: at.offsetK + stepK }, stepK),
    transfer: moved({ hFactor: at.hFactor * factor }, stepLn),
    stiffness: moved({ stiffness: at.stiffness * factor }, stepLn),
    colour: {
      coreC: 0,
      diameterMm: 0,
      heightMm: 0,
      lossShare: 0,
      colour: -left * Math.log(left / 100),
    },
  };
};
