import {
  allergensBySource,
  declaredOf,
  foodOf,
  isShipped,
  type Declared,
  type Ingredient,
} from '../ingredient/index.js';
import { amountsFor, icingFor, toppingsFor } from './amounts.js';
import type { Formula } from './formula.js';

/**
 * How labels name allergens: by their class with what they are of, "gluten (wheat), tree nuts (walnut)"; by what they are of
 * alone, "wheat, walnut"; or within a list of all ingredients, the most first. Which one is asked for is local law.
 */
export const labelWordings = ['classes', 'sources', 'ingredients'] as const;
export type LabelWording = (typeof labelWordings)[number];

/** An ingredient as a label lists it. */
export interface LabelIngredient {
  readonly name: string;
  /** What it is mixed from, the most first; empty where it is one thing. */
  readonly parts: readonly string[];
  /** What it declares and its name does not say; to be set off, as the name is where it declares something. */
  readonly says: readonly string[];
  readonly declares: boolean;
}

/** "Walnuts, chopped" of the library is "chopped walnuts" on a label; what a bakery named itself stays as it is. */
const inAList = ({ id, name }: Ingredient): string => {
  const [base = '', quality] = isShipped(id) ? name.split(/, (.+)/) : [name];
  return quality ? `${quality} ${base.toLowerCase()}` : isShipped(id) ? base.toLowerCase() : base;
};

const listed = (food: Ingredient): LabelIngredient => {
  const words = allergensBySource(declaredOf(food));
  const parts = [...food.parts].sort((a, b) => b.share - a.share).map((part) => inAList(foodOf(part)));
  const said = [food.name, ...parts].join(' ').toLowerCase();
  return {
    name: inAList(food),
    parts,
    says: words.filter((word) => !said.includes(word.replace(/s$/, ''))),
    declares: words.length > 0,
  };
};

/** All that goes into a formula's piece, toppings and icing with it, the most first. */
export const labelIngredients = (formula: Formula): readonly LabelIngredient[] => {
  const massG = new Map<string, { food: Ingredient; massG: number }>();
  for (const { line, mass } of [
    ...amountsFor(formula, 1000),
    ...toppingsFor(formula, 1000),
    ...icingFor(formula, 1000),
  ]) {
    const food = foodOf(line);
    const before = massG.get(food.id)?.massG ?? 0;
    massG.set(food.id, { food, massG: before + mass.value });
  }
  return [...massG.values()].sort((a, b) => b.massG - a.massG).map(({ food }) => listed(food));
};

/** What is declared of a dough beyond what its ingredients declare: dough that was worked in. */
export const besidesIngredients = (formula: Formula, declared: readonly Declared[]): readonly string[] => {
  const own = new Set(
    [...formula.stages.flatMap(({ lines }) => lines), ...formula.toppings].flatMap((line) =>
      declaredOf(foodOf(line)),
    ),
  );
  return allergensBySource(declared.filter((id) => !own.has(id)));
};
