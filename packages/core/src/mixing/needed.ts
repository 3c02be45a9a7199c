import { amountsFor, icingFor, toppingsFor, type Formula } from '../formula/index.js';
import { foodOf, ingredient, type Ingredient } from '../ingredient/index.js';

/** Some dough that is to be mixed. */
export interface DoughToMix {
  readonly batchId: string;
  readonly formula: Formula;
  readonly massG: number;
}

/** What has to be there of one ingredient. */
export interface Needed {
  readonly food: Ingredient;
  readonly massG: number;
  /** What each dough takes of it, g. */
  readonly of: readonly { readonly batchId: string; readonly massG: number }[];
  /** How many packs are opened for it, and what the last one keeps, g; null where it comes in none. */
  readonly packs: { readonly count: number; readonly packG: number; readonly leftG: number } | null;
  /** Eggs that are cracked for it, of middle size; null for what is no egg. */
  readonly eggs: number | null;
}

/** What is over when all is mixed: of eggs that were parted, the other half. */
export interface LeftOver {
  readonly food: Ingredient;
  readonly count: number;
  readonly massG: number;
}

export interface IngredientsNeeded {
  /** Most of it first. */
  readonly needed: readonly Needed[];
  readonly left: readonly LeftOver[];
}

const middle = 'medium';
const eachOf = ({ pieceG }: Ingredient): number | undefined => pieceG[middle];
/** Less than this of a pack is none: a rounding, g. */
const nothingG = 0.5;

const packsOf = (massG: number, packG: number | undefined): Needed['packs'] => {
  if (packG === undefined || !(packG > 0)) return null;
  const count = Math.max(1, Math.ceil((massG - nothingG) / packG));
  return { count, packG, leftG: Math.max(0, count * packG - massG) };
};

const eggsOf = (food: Ingredient, massG: number): number | null => {
  const eachG = food.kind === 'egg' ? eachOf(food) : undefined;
  return eachG === undefined ? null : Math.max(1, Math.ceil((massG - nothingG) / eachG));
};

/** Eggs that are parted for their yolks and whites leave of one what the other takes more. */
const partedEggs = (massOf: (id: string) => number): readonly LeftOver[] => {
  const parts = ['egg-yolk', 'egg-white'].map((id) => {
    const food = ingredient(id);
    const massG = massOf(id);
    return { food, massG, eachG: eachOf(food) ?? 1, eggs: massG > 0 ? (eggsOf(food, massG) ?? 0) : 0 };
  });
  const opened = Math.max(...parts.map(({ eggs }) => eggs));
  return parts.flatMap(({ food, eachG, eggs }) =>
    opened > eggs ? [{ food, count: opened - eggs, massG: (opened - eggs) * eachG }] : [],
  );
};

/**
 * All that some doughs take, with toppings and icing: how many packs and eggs are opened for it, and what is over then.
 * Parted eggs are counted of middle size; of whole ones the part of an egg that is over is not said.
 * @param packG what a pack of an ingredient holds, g, by its id
 */
export const ingredientsNeeded = (
  doughs: readonly DoughToMix[],
  packG: Readonly<Record<string, number>> = {},
): IngredientsNeeded => {
  const found = new Map<string, { food: Ingredient; of: Map<string, number> }>();
  for (const { batchId, formula, massG } of doughs)
    for (const { line, mass } of [
      ...amountsFor(formula, massG),
      ...toppingsFor(formula, massG),
      ...icingFor(formula, massG),
    ]) {
      const food = foodOf(line);
      const row = found.get(food.id) ?? { food, of: new Map<string, number>() };
      row.of.set(batchId, (row.of.get(batchId) ?? 0) + mass.value);
      found.set(food.id, row);
    }
  const massOf = (id: string) => [...(found.get(id)?.of.values() ?? [])].reduce((sum, g) => sum + g, 0);
  return {
    needed: [...found.values()]
      .map(({ food, of }): Needed => {
        const massG = massOf(food.id);
        return {
          food,
          massG,
          of: [...of].map(([batchId, own]) => ({ batchId, massG: own })),
          packs: packsOf(massG, Object.hasOwn(packG, food.id) ? packG[food.id] : undefined),
          eggs: eggsOf(food, massG),
        };
      })
      .filter(({ massG }) => massG > 0)
      .sort((a, b) => b.massG - a.massG),
    left: partedEggs(massOf),
  };
};
