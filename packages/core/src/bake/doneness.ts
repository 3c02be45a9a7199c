import { say } from '../shown/index.js';
import type { Doneness } from '../formula/index.js';
import { limitOf, type LimitKey, type OwnLimits } from '../limits/index.js';
import type { Reading } from './reading.js';

export type BakeState = 'under' | Doneness;

/** Bounds of the doneness index: whole numbers part the states. Tuned, see docs/models.md. */
const byMoisture: readonly (readonly [moisturePercent: number, index: number])[] = [
  [11.1, 1],
  [10.3, 2],
  [8.4, 3],
  [3.89, 4],
  [2.5, 5],
];
/** A rim that snaps this far in makes the crisp edge, mm. */
export const crispEdgeNeedsMm = 5;

/**
 * What even the coldest point must reach, carryover included, before a piece is anything but under, °C: for dough with egg,
 * and with raw flour. A house sets its own; local rules decide.
 */
export const usualCentreC = 71;
/** So far below the limit the centre counts as wholly raw, K. */
const rawBelowK = 20;

/** What the doneness of a piece is judged by, beside what is seen of it. */
export interface JudgedBy {
  /** Water of the raw dough, mass fraction. */
  readonly startMoisture: number;
  /** The house's limit of the coldest point, °C. */
  readonly centreC: number;
}

/** How far the centre is from raw: 0 raw, 1 at the limit, above 1 beyond it. */
export const centreIndex = (after: Reading, limitC: number): number =>
  1 + (after.coldestReachedC - limitC) / rawBelowK;

/** A quarter of a kelvin above the limit, for what lies between two pulls that were tried: raw is never called done. */
export const centreSurelyThere = 1 + 0.25 / rawBelowK;
/** And a hair above firm, about a second: what is under is never called done either. */
export const surelyFirm = 1.005;

/** What must be set of the whole, of the rim and of the centre's least set cell, and the colour of the rim (tuned). */
const firmAt = { set: 0.85, setEdge: 0.85, setCentre: 0.97, edgeColour: 8.0 } as const;

/**
 * How far it is set and coloured, whatever the centre's temperature is: 0 raw, 1 no longer under; goes on above 1. The
 * centre counts by its own set, which comes last: by the logarithm of what is left to set, which is even in time.
 */
export const firmIndex = (after: Reading): number =>
  Math.max(
    0,
    Math.min(
      (after.set - 0.5) / (firmAt.set - 0.5),
      (after.setEdge - 0.5) / (firmAt.setEdge - 0.5),
      after.colour.edge / firmAt.edgeColour,
      Math.log(Math.max(1e-12, 1 - after.setCentre)) / Math.log(1 - firmAt.setCentre),
    ),
  );

/**
 * How far it is done at all: 0 raw, 1 no longer under; goes on above 1. Set of the bulk, set of the rim, a first colour of
 * the rim, and the coldest point at the limit must all be there.
 */
export const setIndex = (after: Reading, { centreC }: JudgedBy): number =>
  Math.max(0, Math.min(firmIndex(after), centreIndex(after, centreC)));

/** Water of the centre as of a dough of the usual water, %: what parts the states from soft to crisp. */
export const drynessOf = (after: Reading, startMoisture: number): number =>
  100 * after.centreMoisture * (0.1367 / startMoisture) ** 0.7;

/** The dryness at which a doneness of 1 to 5 begins, %. */
export const drynessAt = (index: number): number => {
  for (let i = 1; i < byMoisture.length; i++) {
    const [m0, i0] = byMoisture[i - 1] as readonly [number, number];
    const [m1, i1] = byMoisture[i] as readonly [number, number];
    if (index <= i1) return m0 + ((index - i0) / (i1 - i0)) * (m1 - m0);
  }
  throw new RangeError(say`There is no doneness of ${index}.`);
};

/**
 * Doneness as one number: below 1 under, 1 to 2 soft centre, 2 to 3 chewy, 3 to 4 crisp edge, above 4 crisp through.
 * Read after the carryover on the hot tray, never at the oven door.
 */
export const donenessIndex = (after: Reading, by: JudgedBy): number => {
  const raw = setIndex(after, by);
  if (raw < 1) return raw;
  const y = drynessOf(after, by.startMoisture);
  const [wettest] = byMoisture[0] as readonly [number, number];
  if (y >= wettest) return 1;
  for (let i = 1; i < byMoisture.length; i++) {
    const [m0, i0] = byMoisture[i - 1] as readonly [number, number];
    const [m1, i1] = byMoisture[i] as readonly [number, number];
    if (y >= m1) {
      const index = i0 + ((m0 - y) / (m0 - m1)) * (i1 - i0);
      return index >= 3 && index < 4 && after.crispEdgeMm < crispEdgeNeedsMm ? 2.99 : index;
    }
  }
  return 5;
};

export const stateOf = (index: number): BakeState =>
  index < 1
    ? 'under'
    : index < 2
      ? 'soft-centre'
      : index < 3
        ? 'chewy'
        : index < 4
          ? 'crisp-edge'
          : 'crisp-through';

/** The index aimed at for each target: the middle of the soft window, the early part of the drier ones (they brown fast). */
export const aimedIndex: Readonly<Record<Doneness, number>> = {
  'soft-centre': 1.5,
  chewy: 2.4,
  'crisp-edge': 3.2,
  'crisp-through': 4.15,
};

/** Colours of rim and underside above which a target is too dark, on the score of 0 to 100. */
export interface DarkLimits {
  readonly edge: number;
  readonly bottom: number;
}

const darkKeys = {
  'soft-centre': ['darkRimSoft', 'darkBaseSoft'],
  chewy: ['darkRimChewy', 'darkBaseChewy'],
  'crisp-edge': ['darkRimEdge', 'darkBaseEdge'],
  'crisp-through': ['darkRimThrough', 'darkBaseThrough'],
} as const satisfies Readonly<Record<Doneness, readonly [LimitKey, LimitKey]>>;

/** What is too dark for a target by the house. What is meant to be crisp is meant to be browner; the usual are estimates. */
export const darkLimitsFor = (target: Doneness, own?: OwnLimits): DarkLimits => {
  const [edge, bottom] = darkKeys[target];
  return { edge: limitOf(own, edge), bottom: limitOf(own, bottom) };
};

export const isTooDark = (target: Doneness, edge: number, bottom: number, own?: OwnLimits): boolean => {
  const dark = darkLimitsFor(target, own);
  return edge > dark.edge || bottom > dark.bottom;
};
