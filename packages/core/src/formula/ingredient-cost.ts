import { foodOf, pricePerKg, type Ingredient, type Prices } from '../ingredient/index.js';
import { formatNumber, sumFigure, type Figure, say } from '../shown/index.js';
import { amountsFor, icingFor, toppingsFor } from './amounts.js';
import type { Formula } from './formula.js';

/** What the ingredients of some dough cost, toppings and icing with it. */
export interface IngredientCost {
  /** Of what has a price, in the currency of the prices. */
  readonly cost: Figure;
  /** What has none, each once: with these it costs more. */
  readonly unpriced: readonly Ingredient[];
}

/**
 * What goes into so much dough costs. Losses are not in it: who mixes more for them asks for more.
 * @param doughMassG 1 g to 1 t
 * @throws JokulError `out-of-range`
 */
export const ingredientCost = (formula: Formula, doughMassG: number, prices: Prices): IngredientCost => {
  const amounts = [
    ...amountsFor(formula, doughMassG),
    ...toppingsFor(formula, doughMassG),
    ...icingFor(formula, doughMassG),
  ].map(({ line, mass }) => ({ food: foodOf(line), massG: mass.value }));
  const priced = amounts.flatMap(({ food, massG }) => {
    const perKg = pricePerKg(food, prices);
    return perKg === null ? [] : [{ food, massG, perKg }];
  });
  return {
    cost: sumFigure({
      name: prices.currency
        ? say`Ingredients of ${formatNumber(doughMassG)} g of dough, ${prices.currency}`
        : say`Ingredients of ${formatNumber(doughMassG)} g of dough`,
      symbol: 'k',
      unit: '',
      terms: priced.map(({ food, massG, perKg }) => ({
        symbol: 'm p',
        name: say`${food.name}, ${formatNumber(massG)} g, at ${formatNumber(perKg)} for 1 kg`,
        value: (massG / 1000) * perKg,
        unit: '' as const,
        source: say`prices of Setup`,
      })),
      source: say`sum of mass times price`,
    }),
    unpriced: [
      ...new Map(
        amounts.filter(({ food }) => pricePerKg(food, prices) === null).map(({ food }) => [food.id, food]),
      ).values(),
    ],
  };
};
