import { say } from '../shown/index.js';
import { withoutFoods, type Formula } from '../formula/index.js';
import type { EntryKind, LotState, Payloads } from '../ledger/index.js';
import { lotRecord, type LotRecord } from '../lot/index.js';
import type { LotAge, PlaceKindOf } from '../lot/index.js';
import { lotAllergens, lotWhich } from './lot-allergens.js';
import { oldestAge } from './window.js';

/** Something to write down of a lot. */
export type ToWrite = {
  [K in EntryKind]: { readonly lot: string; readonly kind: K; readonly payload: Payloads[K] };
}[EntryKind];

export interface PartToSplit {
  /** Its name, from `partId` or from the plan that takes it. */
  readonly into: string;
  readonly massG: number;
  readonly pieces: number;
  /** The day that it is baked for, where that is another one than the lot's. */
  readonly day?: string;
  /** How warm the dough is by now, °C; as it went in where left out, which is true only of one that just did. */
  readonly doughC?: number;
  /** What it is from now on, where that is another formula of the same dough; as the lot where left out. */
  readonly as?: Formula;
}

/** How old a part of a lot begins. It lies where the lot lies, and nobody put it away anew: that stay is counted by the part. */
export const ageOfPart = (lot: LotState, kindOf: PlaceKindOf, nowMs: number): LotAge => {
  const age = oldestAge(lot, kindOf, nowMs);
  const inside = lot.stays.some(({ outMs }) => outMs === null);
  return { ...age, stays: Math.max(0, age.stays - (inside ? 1 : 0)) };
};

/**
 * The record of a dough that goes on as another formula of the same dough. What it was mixed from stays as it was pinned;
 * only what is put on its pieces comes new.
 */
const asOther = (own: LotRecord, as: Formula): LotRecord => {
  const other = lotRecord(as, own);
  const known = new Set(own.ingredients.map(({ id }) => id));
  return {
    ...own,
    productCode: other.productCode,
    formula: other.formula,
    ingredients: [...own.ingredients, ...other.ingredients.filter(({ id }) => !known.has(id))],
    allergens: other.allergens,
    ...(other.which && { which: other.which }),
  };
};

/**
 * What is written down when a part of a lot becomes a lot of its own: it begins with the same truth and the age that it has
 * by now, and lies where the lot lies.
 * @param formula of a lot that pinned nothing
 */
export const partOff = (
  lot: LotState,
  { into, massG, pieces, day, doughC, as }: PartToSplit,
  formula: Formula,
  kindOf: PlaceKindOf,
  nowMs: number,
): readonly ToWrite[] => {
  const { begun, stays, mixed } = lot;
  const inside = stays.findLast(({ outMs }) => outMs === null);
  const base = begun ?? lotRecord(formula, { massG, pieces, day: null, mixerId: null });
  const { atMs: _a, who: _w, entryId: _e, ...own } = { atMs: 0, who: '', entryId: '', ...base };
  const pinned = as ? asOther(own, as) : own;
  const record: Payloads['begun'] = {
    ...pinned,
    formula: withoutFoods(pinned.formula),
    allergens: [...new Set([...lotAllergens(lot, formula), ...(as ? pinned.allergens : [])])],
    which: [...new Set([...lotWhich(lot, formula), ...(as ? (pinned.which ?? []) : [])])],
    massG,
    pieces,
    ...(day !== undefined && { day }),
    parents: [{ lot: lot.lot, massG }],
    age: ageOfPart(lot, kindOf, nowMs),
  };
  return [
    { lot: lot.lot, kind: 'split', payload: { into, massG, pieces } },
    { lot: into, kind: 'begun', payload: record },
    ...(mixed
      ? [
          {
            lot: into,
            kind: 'note' as const,
            payload: { text: say`Part of ${lot.lot}, mixed ${Math.round(mixed.massG)} g.` },
          },
        ]
      : []),
    ...(inside
      ? [
          {
            lot: into,
            kind: 'rest-in' as const,
            payload: {
              placeId: inside.placeId,
              form: inside.form,
              cover: inside.cover,
              startC: doughC ?? inside.startC,
              massG,
              pieces,
            },
          },
        ]
      : []),
  ];
};
