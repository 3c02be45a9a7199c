import { JokulError } from '../shown/index.js';

/** Mass fractions of an ingredient; they add up to 1. `carbohydrate` is starch and sugars together. */
export interface Composition {
  readonly water: number;
  readonly fat: number;
  readonly protein: number;
  readonly carbohydrate: number;
  readonly fibre: number;
  readonly ash: number;
}

/** What the ingredient does in a dough. */
export type IngredientKind =
  | 'flour'
  | 'butter'
  | 'nut-butter'
  | 'sugar'
  | 'syrup'
  | 'egg'
  | 'liquid'
  | 'leavening'
  | 'salt'
  | 'flavour'
  | 'inclusion';

/** The union of the EU-14 and US-9 lists, as far as the kitchen meets them. */
export type Allergen = 'gluten' | 'milk' | 'egg' | 'peanut' | 'nuts' | 'sesame' | 'soy' | 'sulphite';

export interface Ingredient {
  readonly id: string;
  readonly name: string;
  readonly kind: IngredientKind;
  readonly composition: Composition;
  /** Bulk density by packing, g/mL; the first is the default. */
  readonly densityGPerMl: Readonly<Record<string, number>>;
  readonly allergens: readonly Allergen[];
  readonly source: string;
}

export const componentNames = ['water', 'fat', 'protein', 'carbohydrate', 'fibre', 'ash'] as const;

/**
 * The composition with its parts added up to exactly 1.
 * @throws JokulError `bad-composition` when the parts are negative or miss 100 % by more than 1.5.
 */
export const normaliseComposition = (raw: Composition, path = 'composition'): Composition => {
  const sum = componentNames.reduce((total, name) => total + raw[name], 0);
  if (componentNames.some((name) => !(raw[name] >= 0)) || Math.abs(sum - 1) > 0.015) {
    throw new JokulError(
      'bad-composition',
      `The parts of a composition must be zero or more and add up to 100 % (within 1.5); these add up to ${(sum * 100).toFixed(1)} %.`,
      path,
    );
  }
  return Object.fromEntries(componentNames.map((name) => [name, raw[name] / sum])) as unknown as Composition;
};
