import { allergensOf, doughLines, whichOf, withFoods, withoutFoods, type Formula } from '../formula/index.js';
import {
  foodOf,
  isShipped,
  type Allergen,
  type AllergenSource,
  type Ingredient,
} from '../ingredient/index.js';
import type { LotAge } from './age.js';

/** An ingredient as it was when the lot was begun. */
export interface PinnedIngredient {
  readonly id: string;
  readonly name: string;
  readonly allergens: readonly Allergen[];
  readonly which?: readonly AllergenSource[];
  /** The bakery's own are kept whole, since a label may be corrected later: see `asPinned`. */
  readonly own?: Ingredient;
}

/** A line of the weigh sheet as it was weighed by. */
export interface PinnedWeighing {
  readonly key: string;
  readonly ingredientId: string;
  readonly targetG: number;
  readonly scaleId: string;
}

export interface Parent {
  readonly lot: string;
  readonly massG: number;
}

/**
 * What a lot is, written down when its mixing begins. All that is said of it afterwards comes from here: a newer
 * formula or a corrected ingredient never changes a dough that exists.
 */
export interface LotRecord {
  readonly schema: 1;
  readonly productCode: string;
  readonly formula: Formula;
  readonly ingredients: readonly PinnedIngredient[];
  readonly allergens: readonly Allergen[];
  /** The nuts and cereals among them by name; those of its formula where left out. */
  readonly which?: readonly AllergenSource[];
  readonly massG: number;
  readonly pieces: number;
  /** The day that it is baked for, such as 2026-11-27; null for dough on no plan. */
  readonly day: string | null;
  readonly mixerId: string | null;
  readonly sheet: readonly PinnedWeighing[];
  /** The lots whose dough went into it: that which it was split from, remainders worked in. */
  readonly parents: readonly Parent[];
  /** What a part brings along of its life so far; left out for dough that is mixed new. */
  readonly age?: LotAge;
}

/**
 * The record of a lot that is begun now.
 * @throws JokulError `unknown-ingredient`
 */
export const lotRecord = (
  formula: Formula,
  made: {
    readonly massG: number;
    readonly pieces: number;
    readonly day: string | null;
    readonly mixerId: string | null;
    readonly sheet?: readonly PinnedWeighing[];
    readonly parents?: readonly Parent[];
    readonly age?: LotAge;
  },
): LotRecord => {
  const lines = [...doughLines(formula), ...formula.toppings];
  const foods = new Map(lines.map((line) => [line.ingredientId, foodOf(line)]));
  return {
    schema: 1,
    productCode: formula.code,
    formula: withoutFoods(formula),
    ingredients: [...foods.values()].map((food) => {
      const { id, name, allergens, which } = food;
      return { id, name, allergens, ...(which && { which }), ...(!isShipped(id) && { own: food }) };
    }),
    allergens: allergensOf(formula),
    which: whichOf(formula),
    massG: made.massG,
    pieces: made.pieces,
    day: made.day,
    mixerId: made.mixerId,
    sheet: made.sheet ?? [],
    parents: made.parents ?? [],
    ...(made.age && { age: made.age }),
  };
};

/**
 * The record with its formula made of what was pinned with it: the bakery's own ingredients as they were when the lot was
 * begun, whatever became of them since.
 */
export const asPinned = <R extends Pick<LotRecord, 'formula' | 'ingredients'>>(record: R): R => {
  const own = record.ingredients.flatMap((pinned) => pinned.own ?? []);
  if (own.length === 0) return record;
  return { ...record, formula: withFoods(record.formula, new Map(own.map((food) => [food.id, food]))) };
};

/**
 * The formula that a lot is made by: as pinned, else the latest of its product, which is what a planned lot follows.
 * @param latest of the lot's product
 */
export const formulaOfLot = (
  record: Pick<LotRecord, 'formula'> | null | undefined,
  latest: Formula | undefined,
): Formula | undefined => record?.formula ?? latest;
