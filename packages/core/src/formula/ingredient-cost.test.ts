import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { ingredients, noPrices, ownIngredient, pricePerKg, type Prices } from '../ingredient/index.js';
import { amountsFor } from './amounts.js';
import { ingredientCost } from './ingredient-cost.js';

const lemon = demoFormulas.find(({ code }) => code === 'LEM');
if (!lemon) throw new Error('LEM');
const all = (price: number): Prices => ({
  currency: 'EUR',
  perKg: Object.fromEntries([...ingredients.keys()].map((id) => [id, price])),
});

describe('what a dough costs', () => {
  it('is its mass where all costs the same, toppings beside it', () => {
    const bare = { ...lemon, toppings: [] };
    expect(ingredientCost(bare, 1000, all(2)).cost.value).toBeCloseTo(2, 6);
    const dusted = { ...bare, toppings: [{ ingredientId: 'white-sugar', percent: 20 }] };
    const flourG = amountsFor(bare, 1000)
      .filter(({ line }) => line.ingredientId.endsWith('flour'))
      .reduce((sum, { mass }) => sum + mass.value, 0);
    expect(ingredientCost(dusted, 1000, all(2)).cost.value).toBeCloseTo(2 + (0.2 * flourG * 2) / 1000, 2);
    expect(ingredientCost(bare, 500, all(2)).cost.value).toBeCloseTo(1, 6);
  });
  it('goes by each price, and says what has none', () => {
    const prices = { currency: 'EUR', perKg: { butter: 8, 'white-sugar': 1.2 } };
    const { cost, unpriced } = ingredientCost(lemon, 1000, prices);
    const massOf = (id: string) =>
      amountsFor(lemon, 1000)
        .filter(({ line }) => line.ingredientId === id)
        .reduce((sum, { mass }) => sum + mass.value, 0);
    expect(cost.value).toBeGreaterThanOrEqual(
      (8 * massOf('butter') + 1.2 * massOf('white-sugar')) / 1000 - 1e-9,
    );
    expect(unpriced.map(({ id }) => id)).toContain('wheat-flour');
    expect(unpriced.map(({ id }) => id)).not.toContain('butter');
    expect(new Set(unpriced).size).toBe(unpriced.length);
    expect(ingredientCost(lemon, 1000, noPrices).cost.value).toBe(0);
  });
  it('what is mixed from others costs what they cost, unless it has a price of its own', () => {
    const mix = ownIngredient({
      ...(ingredients.get('cinnamon-sugar') as Parameters<typeof ownIngredient>[0]),
      id: 'own-mix',
      parts: [
        { ingredientId: 'white-sugar', share: 0.9 },
        { ingredientId: 'cinnamon', share: 0.1 },
      ],
    });
    const perKg = { 'white-sugar': 1, cinnamon: 21 };
    expect(pricePerKg(mix, { currency: 'EUR', perKg })).toBeCloseTo(3, 9);
    expect(pricePerKg(mix, { currency: 'EUR', perKg: { ...perKg, 'own-mix': 5 } })).toBe(5);
    expect(pricePerKg(mix, { currency: 'EUR', perKg: { 'white-sugar': 1 } })).toBeNull();
    expect(pricePerKg(mix, { currency: 'EUR', perKg: { ...perKg, cinnamon: 0 } })).toBeCloseTo(0.9, 9);
  });
  it('a name of every object is no price', () => {
    const odd = { ...mixless('salt'), id: 'constructor' };
    expect(pricePerKg(odd, noPrices)).toBeNull();
  });
});

const mixless = (id: string) => {
  const food = ingredients.get(id);
  if (!food) throw new Error(id);
  return food;
};
