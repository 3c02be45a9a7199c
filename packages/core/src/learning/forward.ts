import {
  adjustSetup,
  advance,
  type BakeAdjustment,
  carryoverS,
  coolUntil,
  house,
  type Learnable,
  learnable,
  noAdjustment,
  type Reading,
  readRun,
  startRun,
  type Whereabouts,
} from '../bake/index.js';
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

const figures = (coreC: number, { diameterMm, heightMm, lossShare, colour }: Reading): Foretold => ({
  coreC,
  diameterMm,
  heightMm,
  lossShare,
  colour: colour.edge,
});

/** One bake with its own pull, through tray and rack. */
export const foretell = (
  { setup, pullS, trayS }: Pick<LoggedBake, 'setup' | 'pullS' | 'trayS'>,
  by: BakeAdjustment,
): Foretold => {
  const run = startRun(adjustSetup(setup, by));
  advance(run, 'oven', pullS);
  const { centreC } = readRun(run);
  coolUntil(run, pullS + trayS, pullS + Math.max(carryoverS, trayS) + coldS);
  return figures(centreC, readRun(run));
};

/**
 * For differences only: a coarser grid, and everything read after the carryover, for the rack changes little of them.
 * Within a few percent of the full run's differences, in a quarter of the time.
 */
const roughly = ({ setup, pullS }: Pick<LoggedBake, 'setup' | 'pullS'>, by: BakeAdjustment): Foretold => {
  const run = startRun(adjustSetup({ ...setup, rings: 6, layers: 4 }, by));
  advance(run, 'oven', pullS);
  const { centreC } = readRun(run);
  advance(run, 'tray', pullS + carryoverS);
  return figures(centreC, readRun(run));
};

/** The untouched model's figures on its own grid and on the coarse one, from which others are told. */
export interface Anchor {
  readonly fine: Foretold;
  readonly coarse: Foretold;
}

export const anchorOf = (bake: Pick<LoggedBake, 'setup' | 'pullS' | 'trayS'>): Anchor => ({
  fine: foretell(bake, noAdjustment),
  coarse: roughly(bake, noAdjustment),
});

/** The figures under an adjustment: the fine ones of the untouched model, moved as the coarse grid moves. */
export const foretellFrom = (
  { fine, coarse }: Anchor,
  bake: Pick<LoggedBake, 'setup' | 'pullS' | 'trayS'>,
  by: BakeAdjustment,
): Foretold => {
  const now = roughly(bake, by);
  const moved = (name: keyof Foretold) => fine[name] + now[name] - coarse[name];
  return {
    coreC: moved('coreC'),
    diameterMm: moved('diameterMm'),
    heightMm: moved('heightMm'),
    lossShare: moved('lossShare'),
    colour: Math.min(100, Math.max(0, moved('colour'))),
  };
};

/** How the figures move per K of offset and per unit of the logarithm of each factor. */
export interface Slopes {
  readonly offset: Foretold;
  readonly transfer: Foretold;
  readonly stiffness: Foretold;
  readonly colour: Foretold;
}

/** How one figure moves with everything that can be learned of a bake: each parameter with its slope. */
export const figureSlopes = (
  slopes: Slopes,
  name: keyof Foretold,
  { ovenId, position, code }: Whereabouts,
): readonly (readonly [Learnable, number])[] => [
  [learnable('offset', ovenId), slopes.offset[name]],
  ...(position === undefined ? [] : [[learnable('place', ovenId, position), slopes.offset[name]] as const]),
  [learnable('transfer', ovenId), slopes.transfer[name]],
  [learnable('house-stiffness', house), slopes.stiffness[name]],
  [learnable('house-colour', house), slopes.colour[name]],
  [learnable('stiffness', code), slopes.stiffness[name]],
  [learnable('colour', code), slopes.colour[name]],
];

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

/**
 * Slopes at the untouched model, by forward differences on the coarse grid; browning moves nothing else, so its slope
 * needs no run: s = 100(1 − e^−B), B ∝ k.
 * @param base the untouched model on the coarse grid, where it is known already
 */
export const slopesOf = (
  bake: Pick<LoggedBake, 'setup' | 'pullS'>,
  base = roughly(bake, noAdjustment),
): Slopes => {
  const factor = Math.exp(stepLn);
  const moved = (by: Partial<BakeAdjustment>, step: number) =>
    difference(base, roughly(bake, { ...noAdjustment, ...by }), step);
  const left = Math.max(0.01, 100 - base.colour);
  return {
    offset: moved({ offsetK: stepK }, stepK),
    transfer: moved({ hFactor: factor }, stepLn),
    stiffness: moved({ stiffness: factor }, stepLn),
    colour: {
      coreC: 0,
      diameterMm: 0,
      heightMm: 0,
      lossShare: 0,
      colour: -left * Math.log(left / 100),
    },
  };
};
