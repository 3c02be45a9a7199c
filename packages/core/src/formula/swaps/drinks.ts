import { ingredient } from '../../ingredient/index.js';
import { formatNumber, say } from '../../shown/index.js';
import type { Formula, FormulaLine } from '../formula.js';
import { has, percentOf, replace, signed, swap, type Swap, type Swapped } from './lines.js';

const plantDrinks = ['oat-drink', 'soy-drink', 'almond-drink'] as const;
const milks = ['whole-milk', 'skimmed-milk'] as const;

/** A plant drink for milk, with the same water. */
const forMilk = (formula: Formula, from: string, to: string): Swapped => {
  const a = ingredient(from);
  const b = ingredient(to);
  const before = percentOf(formula, from);
  const after = (before * a.composition.water) / b.composition.water;
  const change = (of: 'fat' | 'protein') => signed(after * b.composition[of] - before * a.composition[of]);
  return {
    formula: replace(formula, from, (line) => [
      { ...line, ingredientId: to, percent: (line.percent * after) / before },
    ]),
    says: say`The same water: ${formatNumber(after)} % of ${b.name.toLowerCase()}; ${change('fat')} fat, ${change('protein')} protein. Milk's sugar and protein brown: a little paler. It brings ${b.allergens.join(', ')}; read its label. A forecast: bake a trial tray.`,
  };
};

/** A soured plant drink for buttermilk: the same water and the same acid. */
const forButtermilk = (formula: Formula): Swapped => {
  const milk = ingredient('buttermilk');
  const drink = ingredient('soy-drink');
  const sour = ingredient('vinegar');
  const before = percentOf(formula, 'buttermilk');
  const vinegar =
    (before * (milk.leavening.acidMmolPerG - drink.leavening.acidMmolPerG)) /
    (sour.leavening.acidMmolPerG - drink.leavening.acidMmolPerG);
  const after =
    (before * milk.composition.water - vinegar * sour.composition.water) / drink.composition.water;
  return {
    formula: replace(formula, 'buttermilk', (line): readonly FormulaLine[] => [
      { ingredientId: 'soy-drink', percent: (line.percent * after) / before },
      { ingredientId: 'vinegar', percent: (line.percent * vinegar) / before },
    ]),
    says: say`The same water and the same acid for the soda: ${formatNumber(after)} % of soy drink and ${formatNumber(vinegar)} % of vinegar. It brings soy; read its label. A forecast: bake a trial tray.`,
  };
};

/** What a plant kitchen pours in for milk and buttermilk. */
export const drinkSwaps = (formula: Formula): readonly Swap[] => [
  ...milks.flatMap((from) =>
    plantDrinks.flatMap((to) =>
      swap(
        `drink-${from}-${to}`,
        say`${ingredient(to).name} for ${ingredient(from).name.toLowerCase()}`,
        has(formula, from),
        () => forMilk(formula, from, to),
      ),
    ),
  ),
  ...swap('drink-buttermilk', say`Soured soy drink for buttermilk`, has(formula, 'buttermilk'), () =>
    forButtermilk(formula),
  ),
];
