import {
  canonicalJson,
  equipmentKinds,
  limitKeys,
  limitOf,
  ovenHandsOf,
  type Equipment,
  type HouseRules,
  type Ingredient,
  type Prices,
} from '@jokul/core';
import type { SetupChanges } from '@jokul/contracts';

/* What differs between two states of the setup, in the words that Setup shows. */

export const same = (a: unknown, b: unknown): boolean => canonicalJson(a) === canonicalJson(b);
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** Rules that a person may change in Setup, and that a setup file has. */
export const ruleKeys = [
  'bowlLossShare',
  'portionLossShare',
  'testPieces',
  'trayMarginMm',
  'doughC',
  'readyCoreC',
  'mixS',
  'portionSPerPiece',
  'cleanS',
  'coolS',
  'packS',
  'packPieceS',
  'ovenTrayS',
  'pieceToleranceShare',
  'coldLimitC',
  'thawedMaxS',
  'frozenMaxS',
  'outMaxS',
  'probeSilentS',
  'centreC',
  'trayId',
  'liner',
  'labels',
  'limits',
] as const satisfies readonly (keyof HouseRules)[];
const lists = ['scoops', 'shifts', 'ovenHours', 'ovenHands', 'crew', 'calendar'] as const;

/** Ovens, trays, mixers and so on: new, changed, retired. */
export const thingsChanged = (before: Equipment, after: Equipment): SetupChanges['things'] =>
  equipmentKinds.flatMap((kind) =>
    after[kind].flatMap((item): SetupChanges['things'] => {
      const old = (before[kind] as readonly (typeof item)[]).find(({ id }) => id === item.id);
      const name = 'name' in item && item.name ? item.name : item.id;
      if (!old) return [{ kind, name, what: 'new' }];
      if (same(plain(old), plain(item))) return [];
      return [{ kind, name, what: item.retired && !old.retired ? 'retired' : 'changed' }];
    }),
  );

export const listsChanged = (before: Equipment, after: Equipment): SetupChanges['lists'] =>
  lists.filter((key) =>
    key === 'ovenHands'
      ? ovenHandsOf(before) !== ovenHandsOf(after)
      : !same(plain(before[key] ?? null), plain(after[key] ?? null)),
  );

export const rulesChanged = (before: HouseRules, after: HouseRules): SetupChanges['rules'] => [
  ...ruleKeys
    .filter((key) => key !== 'limits' && after[key] !== before[key])
    .map((key) => ({
      key,
      from: before[key] ?? null,
      to: after[key] ?? null,
    })),
  // One by one: a house sets few of them.
  ...limitKeys
    .map((key) => ({ key, from: limitOf(before.limits, key), to: limitOf(after.limits, key) }))
    .filter(({ from, to }) => from !== to),
];

const figuresChanged = (
  what: 'price' | 'pack',
  before: Readonly<Record<string, number>> = {},
  after: Readonly<Record<string, number>> = {},
): SetupChanges['rules'] =>
  [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter((id) => before[id] !== after[id])
    .map((id) => ({ key: `${what}/${id}`, from: before[id] ?? null, to: after[id] ?? null }));

/** Prices and packs one by one: `price/butter` of a kilogram, `pack/butter` in g. */
export const pricesChanged = (before: Prices, after: Prices): SetupChanges['rules'] => [
  ...figuresChanged('price', before.perKg, after.perKg),
  ...figuresChanged('pack', before.packG, after.packG),
  ...(['perKWh', 'currency'] as const)
    .filter((key) => (before[key] ?? '') !== (after[key] ?? ''))
    .map((key) => ({ key, from: before[key] ?? null, to: after[key] ?? null })),
];

export const ingredientsChanged = (
  before: readonly Ingredient[],
  after: readonly Ingredient[],
): SetupChanges['ingredients'] =>
  after.flatMap((row): SetupChanges['ingredients'] => {
    const old = before.find(({ id }) => id === row.id);
    if (!old) return [{ name: row.name, what: 'new' }];
    return same(plain(old), plain(row)) ? [] : [{ name: row.name, what: 'changed' }];
  });
