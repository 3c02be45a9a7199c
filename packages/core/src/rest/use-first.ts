import type { Formula } from '../formula/index.js';
import type { InTheCold, LotState } from '../ledger/index.js';
import type { ClockName } from '../lot/index.js';
import type { HouseRules } from '../bakery/index.js';
import type { Place } from '../thermal/index.js';
import { ageLimits, clocksOf, kindOfPlace } from './window.js';

/** A dough in the cold with what is due for it. */
export interface ColdEntry {
  readonly item: InTheCold;
  readonly formula: Formula;
  /** The clock that runs out first, its age over all stays, and what is left of it; s. */
  readonly clock: ClockName;
  readonly ageS: number;
  readonly leftS: number;
  /** When it runs out if the dough stays where it is; the clock may be another one than that which runs now. */
  readonly goodUntilMs: number;
  readonly over: boolean;
  /** Whether less than a tenth of its window, or two hours, is left. */
  readonly soon: boolean;
}

/** What is known of the lots, for their age. */
export interface ColdLots {
  readonly lotOf: (batchId: string) => LotState | undefined;
  readonly formulaOf: (batchId: string) => Formula | undefined;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
}

/** One dough in the cold by its clocks; null for an unknown formula. */
export const coldEntry = (
  item: InTheCold,
  { lotOf, formulaOf, places, rules }: ColdLots,
  nowMs: number,
): ColdEntry | null => {
  const formula = formulaOf(item.batchId);
  const lot = lotOf(item.batchId);
  if (!formula || !lot) return null;
  const kindOf = kindOfPlace(places);
  const running =
    kindOf(item.placeId) === 'freezer' ? 'frozen' : kindOf(item.placeId) === 'bench' ? 'out' : 'chilled';
  const clocks = clocksOf(lot, { kindOf, limits: ageLimits(formula, rules) }, nowMs);
  // What is over counts first; else the clock that runs where it lies, since the others stand still.
  const found = clocks.find(({ leftS }) => leftS < 0) ?? clocks.find(({ clock }) => clock === running);
  if (!found) return null;
  const { clock, ageS, leftS, limitS } = found;
  return {
    item,
    formula,
    clock,
    ageS,
    leftS,
    goodUntilMs: nowMs + leftS * 1000,
    over: leftS < 0,
    soon: leftS >= 0 && leftS < Math.min(7200, 0.1 * limitS),
  };
};

/** What is in the cold in the order in which it should be used: what runs out first comes first. */
export const inOrderOfUse = (
  items: readonly InTheCold[],
  lots: ColdLots,
  nowMs: number,
): readonly ColdEntry[] =>
  items.flatMap((item) => coldEntry(item, lots, nowMs) ?? []).sort((a, b) => a.leftS - b.leftS);

/** Older dough of the same formula that should be used before this one; null when there is none. */
export const olderThan = (entries: readonly ColdEntry[], batchId: string): ColdEntry | null => {
  const own = entries.find(({ item }) => item.batchId === batchId);
  if (!own) return null;
  return (
    entries.find(
      ({ item, formula }) =>
        formula.code === own.formula.code && item.batchId !== batchId && item.inMs < own.item.inMs - 3600e3,
    ) ?? null
  );
};
