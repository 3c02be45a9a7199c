import { JokulError, say } from '../shown/index.js';
import type { Allergen, AllergenSource, Declared } from './allergen.js';

/**
 * What the heat models need of an ingredient: mass fractions that add up to 1. `carbohydrate` is starch and sugars
 * together, `ash` counts the salt, `water` counts the alcohol (it leaves with the water).
 */
export interface Composition {
  readonly water: number;
  readonly fat: number;
  readonly protein: number;
  readonly carbohydrate: number;
  readonly fibre: number;
  readonly ash: number;
}

/** What an ingredient consists of: mass fractions that add up to 1. `ash` is minerals other than salt. */
export interface Analysis {
  readonly water: number;
  readonly fat: number;
  readonly protein: number;
  readonly starch: number;
  readonly sugars: number;
  readonly fibre: number;
  readonly ash: number;
  readonly salt: number;
  readonly alcohol: number;
}

/** What the ingredient does in a dough. */
export const ingredientKinds = [
  'flour',
  'butter',
  'fat',
  'nut-butter',
  'sugar',
  'syrup',
  'egg',
  'liquid',
  'leavening',
  'salt',
  'flavour',
  'inclusion',
] as const;
export type IngredientKind = (typeof ingredientKinds)[number];

/** Base or acid of an ingredient, and the gas that it can set free. */
export interface Leavening {
  /** Acid that the ingredient can neutralise, mmol/g. */
  readonly baseMmolPerG: number;
  /** Base that the ingredient can neutralise, mmol/g: its titratable acid. */
  readonly acidMmolPerG: number;
  /** Carbon dioxide (and ammonia) at 20 °C that it can give when it reacts fully, mL/g. */
  readonly gasMlPerG: number;
}

export interface Part {
  readonly ingredientId: string;
  /** Mass fraction. */
  readonly share: number;
  /** An ingredient of the bakery's own as it is, or as it was when a lot was begun. */
  readonly food?: Ingredient;
}

export interface Ingredient {
  readonly id: string;
  readonly name: string;
  readonly kind: IngredientKind;
  readonly analysis: Analysis;
  readonly composition: Composition;
  /** Bulk density by packing, g/mL; the first is the default. */
  readonly densityGPerMl: Readonly<Record<string, number>>;
  readonly allergens: readonly Allergen[];
  /** The nuts and cereals among them by name; left out where nobody said. Wheat is an allergen of its own. */
  readonly which?: readonly AllergenSource[];
  readonly leavening: Leavening;
  /** Grams of one piece by its size or name: a large egg, a stick of butter. */
  readonly pieceG: Readonly<Record<string, number>>;
  /** What it is made of, when it is made of others of the library; empty for a plain ingredient. */
  readonly parts: readonly Part[];
  /** Other names that a written recipe may use. */
  readonly words: readonly string[];
  readonly source: string;
}

export const componentNames = ['water', 'fat', 'protein', 'carbohydrate', 'fibre', 'ash'] as const;
export const analysisNames = [
  'water',
  'fat',
  'protein',
  'starch',
  'sugars',
  'fibre',
  'ash',
  'salt',
  'alcohol',
] as const;

/** The parts added up to exactly 1. @throws JokulError `bad-composition` off by more than 1.5 % */
const normalise = <K extends string>(
  names: readonly K[],
  raw: Readonly<Record<K, number>>,
  path: string,
): Readonly<Record<K, number>> => {
  const sum = names.reduce((total, name) => total + raw[name], 0);
  if (names.some((name) => !(raw[name] >= 0)) || Math.abs(sum - 1) > 0.015) {
    throw new JokulError(
      'bad-composition',
      say`The parts of a composition must be zero or more and add up to 100 % (within 1.5); these add up to ${(sum * 100).toFixed(1)} %.`,
      path,
    );
  }
  return Object.fromEntries(names.map((name) => [name, raw[name] / sum])) as Record<K, number>;
};

/**
 * The composition with its parts added up to exactly 1.
 * @throws JokulError `bad-composition` when the parts are negative or miss 100 % by more than 1.5.
 */
export const normaliseComposition = (raw: Composition, path = 'composition'): Composition =>
  normalise(componentNames, { ...raw }, path);

/**
 * The analysis with its parts added up to exactly 1.
 * @throws JokulError `bad-composition` when the parts are negative or miss 100 % by more than 1.5.
 */
export const normaliseAnalysis = (raw: Analysis, path = 'analysis'): Analysis =>
  normalise(analysisNames, { ...raw }, path);

/** The analysis as the heat models want it. */
export const compositionOf = (a: Analysis): Composition => ({
  water: a.water + a.alcohol,
  fat: a.fat,
  protein: a.protein,
  carbohydrate: a.starch + a.sugars,
  fibre: a.fibre,
  ash: a.ash + a.salt,
});

/** What an ingredient declares: classes, with the nuts and cereals that they are of. */
export const declaredOf = ({
  allergens,
  which = [],
}: Pick<Ingredient, 'allergens' | 'which'>): readonly Declared[] => [...allergens, ...which];
