import type { Formula } from '../formula/index.js';
import type { LotState } from '../ledger/index.js';
import {
  ageWithin,
  lifeClocks,
  lotAge,
  wholeAgeS,
  type AgeLimits,
  type ClockName,
  type LifeClock,
  type LotAge,
  type PlaceKindOf,
} from '../lot/index.js';
import type { HouseRules } from '../bakery/index.js';
import type { Place } from '../thermal/index.js';

/** How long dough may be in each state, where no formula says so; s. Usual practice, all of it in Setup. */
export const usualAgeLimits = {
  /** Thawed, of a formula that rests in the freezer. */
  thawedMaxS: 48 * 3600,
  /** Frozen, of a formula that rests chilled. */
  frozenMaxS: 8 * 7 * 86_400,
  /** Out of the cold, all times added up. */
  outMaxS: 4 * 3600,
} as const;

/**
 * The limits of a dough: its formula's window counts for the kind of place it rests in, the house's rules for the
 * others.
 */
export const ageLimits = (
  formula: Formula,
  rules: Pick<HouseRules, 'thawedMaxS' | 'frozenMaxS' | 'outMaxS'>,
): AgeLimits => {
  const { placeKind, form, maxS } = formula.rest;
  const outMaxS = rules.outMaxS ?? usualAgeLimits.outMaxS;
  return {
    chilled:
      form !== 'none' && placeKind === 'walk-in' ? maxS : (rules.thawedMaxS ?? usualAgeLimits.thawedMaxS),
    frozen:
      form !== 'none' && placeKind === 'freezer' ? maxS : (rules.frozenMaxS ?? usualAgeLimits.frozenMaxS),
    out: form !== 'none' && placeKind === 'bench' ? Math.max(maxS, outMaxS) : outMaxS,
  };
};

export const kindOfPlace =
  (places: readonly Pick<Place, 'id' | 'kind'>[]): PlaceKindOf =>
  (placeId) =>
    places.find(({ id }) => id === placeId)?.kind;

/** The rest of a lot is broken pieces and what was left in the bowl: it is no dough that waits. */
const allButBroken = 0.9;

/** When the last of a dough went into an oven; null while some of it is dough. */
const endedMs = (lot: LotState): number | null => {
  const trays = [...lot.trays.values()];
  if (trays.length === 0 || lot.stays.some((stay) => stay.outMs === null)) return null;
  const baked = trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const gone = [...lot.splits, ...lot.discarded].reduce((sum, { pieces }) => sum + pieces, 0);
  // A few pieces short is what a tray was not filled with; an unknown count is taken as all of it.
  const made = lot.portioned?.pieces ?? lot.begun?.pieces ?? 0;
  return baked + gone >= allButBroken * made ? Math.max(...trays.map((tray) => tray.loaded.atMs)) : null;
};

/** A lot's age at a moment, over all its stays and what it brought along. */
export const ageOfLot = (lot: LotState, kindOf: PlaceKindOf, nowMs: number): LotAge =>
  lotAge(
    {
      mixedMs: lot.mixed?.atMs ?? (lot.begun?.age ? lot.begun.atMs : null),
      stays: lot.stays,
      endedMs: endedMs(lot),
      before: lot.begun?.age,
    },
    kindOf,
    nowMs,
  );

/**
 * The ages of all that is in a dough: its own, and that of each older dough that was worked into it. A limit holds for
 * the oldest of them, however little it is: working it into fresh dough does not make it young.
 */
const agesIn = (lot: LotState, kindOf: PlaceKindOf, nowMs: number): readonly LotAge[] => {
  const own = ageOfLot(lot, kindOf, nowMs);
  return [
    own,
    ...lot.merged.flatMap(({ age, atMs }) =>
      age && atMs <= nowMs ? [ageWithin(age, ageOfLot(lot, kindOf, atMs), own)] : [],
    ),
  ];
};

/** The age of the oldest dough in a lot. */
export const oldestAge = (lot: LotState, kindOf: PlaceKindOf, nowMs: number): LotAge =>
  agesIn(lot, kindOf, nowMs).reduce((oldest, age) => (wholeAgeS(age) > wholeAgeS(oldest) ? age : oldest));

/** Dough that is past a limit and was not released by anybody. */
export type OverWindow = Pick<LifeClock, 'clock' | 'ageS' | 'limitS'>;

export interface AgeRules {
  readonly kindOf: PlaceKindOf;
  readonly limits: AgeLimits;
}

/** The clocks of a lot, the most pressing first; each by the dough in it that has the least time left. */
export const clocksOf = (
  lot: LotState,
  { kindOf, limits }: AgeRules,
  nowMs: number,
): readonly LifeClock[] => {
  const pressing = new Map<ClockName, LifeClock>();
  for (const age of agesIn(lot, kindOf, nowMs))
    for (const clock of lifeClocks(age, limits))
      if (clock.leftS < (pressing.get(clock.clock)?.leftS ?? Infinity)) pressing.set(clock.clock, clock);
  return [...pressing.values()].sort((a, b) => a.leftS - b.leftS);
};

/**
 * By how much a dough is past one of its limits, if it is and nobody decided on it since; null otherwise.
 * @param rules how the places are kept and how long dough may be in each state
 */
export const overWindow = (lot: LotState | undefined, rules: AgeRules, nowMs: number): OverWindow | null => {
  const before = lot ? [lot.begun?.age, ...lot.merged.map(({ age }) => age)] : [];
  if (!lot || before.reduce((sum, age) => sum + (age?.stays ?? 0), lot.stays.length) === 0) return null;
  // A decision on one clock says nothing of another that runs out later; older ones named none and meant all.
  const decided = (clock: ClockName) => lot.released.some((r) => r.clock === undefined || r.clock === clock);
  const over = clocksOf(lot, rules, nowMs).find(({ leftS, clock }) => leftS < 0 && !decided(clock));
  return over ? { clock: over.clock, ageS: over.ageS, limitS: over.limitS } : null;
};
