import { ingredient } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import type { Formula, FormulaLine } from '../formula.js';
import { addTo, has, percentOf, replace, signed, swap, type Swap, type Swapped } from './lines.js';

/** Something wet for whole egg, with the same water in the dough. */
const forEgg = (formula: Formula, to: string): Swapped => {
  const egg = ingredient('whole-egg').composition;
  const other = ingredient(to).composition;
  const before = percentOf(formula, 'whole-egg');
  const solids = 1 - egg.water;
  const rich = other.water < egg.water;
  // A richer one by its solids, the water made up; a leaner one by its water.
  const after = rich ? (before * solids) / (1 - other.water) : (before * egg.water) / other.water;
  const water = rich ? before * egg.water - after * other.water : 0;
  const swapped = replace(formula, 'whole-egg', (line) => [
    { ...line, ingredientId: to, percent: (line.percent * after) / before },
  ]);
  const change = (of: 'fat' | 'protein') => signed(after * other[of] - before * egg[of]);
  return {
    formula: addTo(swapped, 'water', water, 'wet'),
    says: `${water > 0 ? say`The same water as before, ${formatNumber(water)} % of it added;` : say`The same water as before;`} ${say`${change('fat')} fat, ${change('protein')} protein.`} ${binds[to] ?? ''}${say`A forecast: bake a trial tray.`}`,
  };
};

/** What stands in for the egg's own binding, beside its water. */
const binds: Readonly<Record<string, string>> = {
  'apple-sauce': say`It binds little and tastes of fruit: softer, cakier, paler. `,
  banana: say`It tastes of banana and browns more. `,
  aquafaba: say`It whips and binds as white does, and sets softer. `,
  'whole-milk': say`It binds nothing: crumblier. `,
};

/** Seeds that swell: to one part so many parts of water stand in for egg (kitchen practice). */
const swelling = 3;
const binders = ['linseed', 'chia'] as const;

/** Ground seeds and water for whole egg: as much water as before, and a gel that binds instead of protein. */
const seedsForEgg = (formula: Formula, seed: (typeof binders)[number]): Swapped => {
  const egg = ingredient('whole-egg').composition;
  const before = percentOf(formula, 'whole-egg');
  const wet = before * egg.water;
  const seeds = wet / (swelling + ingredient(seed).composition.water);
  const water = wet - seeds * ingredient(seed).composition.water;
  const swapped = replace(formula, 'whole-egg', (line): readonly FormulaLine[] => [
    { ingredientId: seed, percent: (line.percent * seeds) / before },
    { ingredientId: 'water', percent: (line.percent * water) / before },
  ]);
  return {
    formula: swapped,
    says: say`The same water as before: ${formatNumber(seeds)} % of ${ingredient(seed).name.toLowerCase()}, ground and left to swell in ${formatNumber(water)} % of water for ten minutes. It binds, but neither lifts nor sets as egg does: denser, paler, chewier. A forecast: bake a trial tray.`,
  };
};

/** Yolk, white, dairy and what binds in a plant kitchen, for whole egg. */
export const eggSwaps = (formula: Formula): readonly Swap[] => {
  const egg = has(formula, 'whole-egg');
  return [
    ...swap('egg-yolk', say`Yolk for whole egg`, egg, () => forEgg(formula, 'egg-yolk')),
    ...swap('egg-white', say`White for whole egg`, egg, () => forEgg(formula, 'egg-white')),
    ...['yoghurt', 'whole-milk', 'aquafaba', 'apple-sauce', 'banana'].flatMap((id) =>
      swap(id, say`${ingredient(id).name.split(',')[0] ?? id} for egg`, egg, () => forEgg(formula, id)),
    ),
    ...binders.flatMap((id) =>
      swap(`egg-${id}`, say`${ingredient(id).name} and water for egg`, egg, () => seedsForEgg(formula, id)),
    ),
  ];
};
