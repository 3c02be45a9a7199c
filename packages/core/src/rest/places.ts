import { formatNumber, say } from '../shown/index.js';
import { rawDiameterMm, trayKindOf, tubHoldsG, bagHoldsPieces } from '../planning/index.js';
import type { Equipment, HouseRules } from '../bakery/index.js';
import type { Formula } from '../formula/index.js';
import type { Declared } from '../ingredient/index.js';
import type { InTheCold, LotState } from '../ledger/index.js';
import { restingPerTray } from '../tray/index.js';
import { coldEntry } from './use-first.js';
import { ageOfLot, kindOfPlace } from './window.js';
import { lotDeclares } from './lot-allergens.js';

export type Shelf = 'trays' | 'tubs' | 'bags';

/** How many places of its kind a dough takes up. */
export const placesTaken = (
  item: Pick<InTheCold, 'form' | 'massG' | 'pieces'>,
  formula: Formula,
  equipment: Equipment,
  rules: HouseRules,
): { readonly shelf: Shelf; readonly count: number } => {
  if (item.form === 'tub') return { shelf: 'tubs', count: Math.max(1, Math.ceil(item.massG / tubHoldsG)) };
  if (item.form === 'bag')
    return { shelf: 'bags', count: Math.max(1, Math.ceil(item.pieces / bagHoldsPieces)) };
  const perTray = restingPerTray(trayKindOf(equipment, rules), rawDiameterMm(formula));
  return { shelf: 'trays', count: Math.max(1, Math.ceil(item.pieces / perTray)) };
};

export interface ShelfCount {
  readonly shelf: Shelf;
  readonly used: number;
  readonly all: number;
}

/** What is used of each kind of place. */
export const shelfCounts = (
  placeId: string,
  items: readonly InTheCold[],
  formulaOf: (batchId: string) => Formula | undefined,
  equipment: Equipment,
  rules: HouseRules,
): readonly ShelfCount[] => {
  const place = equipment.places.find(({ id }) => id === placeId);
  if (!place) return [];
  const used = { trays: 0, tubs: 0, bags: 0 };
  for (const item of items) {
    const formula = formulaOf(item.batchId);
    if (item.placeId !== placeId || !formula) continue;
    const { shelf, count } = placesTaken(item, formula, equipment, rules);
    used[shelf] += count;
  }
  return [
    { shelf: 'trays', used: used.trays, all: place.trayPlaces },
    { shelf: 'tubs', used: used.tubs, all: place.tubPlaces },
    { shelf: 'bags', used: used.bags, all: place.bagPlaces },
  ];
};

/** One label: what it is, how much, of which lot, how it may be used. */
export interface ColdLabel {
  readonly formula: Formula;
  /** As they were when the dough was made. */
  readonly allergens: readonly Declared[];
  readonly lot: string;
  readonly what: string;
  readonly number: string;
  readonly madeMs: number;
  readonly bestMs: number;
  readonly notAfterMs: number;
}

/**
 * Labels for everything of a dough that stands in the cold on its own: each tub, tray or bag. They say what the lot
 * pinned, and its time is what its age over all stays leaves of it.
 * @param formula of the lot, as it is made by
 * @param lotOf a lot by its name: dough of another one may have been worked in
 */
export const coldLabels = (
  item: InTheCold,
  lot: LotState,
  formula: Formula,
  equipment: Equipment,
  rules: HouseRules,
  lotOf?: (lot: string) => LotState | undefined,
): readonly ColdLabel[] => {
  const lots = { lotOf: () => lot, formulaOf: () => formula, places: equipment.places, rules };
  // What was worked in since it went there may be older than all of it.
  const entry = coldEntry(item, lots, Math.max(item.inMs, ...lot.merged.map(({ atMs }) => atMs)));
  const age = ageOfLot(lot, kindOfPlace(equipment.places), item.inMs);
  const restedS = age.chilledS + age.frozenS;
  const { shelf, count } = placesTaken(item, formula, equipment, rules);
  const one = { trays: 'tray', tubs: 'tub', bags: 'bag' }[shelf];
  const share = (total: number, i: number) => Math.floor(total / count) + (i < total % count ? 1 : 0);
  return Array.from({ length: count }, (_, i): ColdLabel => {
    const amount =
      shelf === 'tubs'
        ? say`${(item.massG / count / 1000).toFixed(2)} kg`
        : say`${share(item.pieces, i)} pieces of ${formatNumber(formula.piece.massG)} g`;
    return {
      formula,
      allergens: lotDeclares(lot, formula, lotOf),
      lot: item.batchId,
      what: `${one}, ${amount}`,
      number: say`${i + 1} of ${count}`,
      madeMs: item.inMs,
      bestMs: item.inMs + Math.max(0, formula.rest.bestS - restedS) * 1000,
      notAfterMs: entry?.goodUntilMs ?? item.inMs + formula.rest.maxS * 1000,
    };
  });
};
