import { describe, expect, it } from '@jest/globals';
import { ingredient } from '../../ingredient/index.js';
import { partsOfDough, leaveningOf } from '../balance.js';
import { allergensOf } from '../dough.js';
import { checkFormula, doughLines, flourPercent, type Formula } from '../formula.js';
import { fromGrams, ordinary, ordinaryNamed } from '../ordinary.testkit.js';
import { swapGroups, swapsFor } from './index.js';

const named = (name: string): Formula => {
  const { target, amounts } = ordinaryNamed(name);
  return fromGrams(name, target, amounts);
};
const swap = (f: Formula, id: string) => {
  const found = swapsFor(f).find((s) => s.id === id);
  if (!found) throw new Error(`${f.name} has no swap ${id}`);
  return found.apply();
};
const sum = (f: Formula, of: (id: string) => number) =>
  partsOfDough(f).reduce((all, { food, percent }) => all + percent * of(food.id), 0);
const water = (f: Formula) => sum(f, (id) => ingredient(id).composition.water);
const sugar = (f: Formula) => sum(f, (id) => ingredient(id).analysis.sugars);
const percent = (f: Formula, id: string) =>
  doughLines(f)
    .filter((l) => l.ingredientId === id)
    .reduce((all, l) => all + l.percent, 0);

describe('what stands in for another', () => {
  it.each(['aquafaba', 'apple-sauce', 'banana', 'egg-linseed', 'egg-chia'])(
    '%s for egg keeps the water of every recipe, and leaves no egg',
    (id) => {
      for (const recipe of ordinary.filter(({ amounts }) => amounts.has('whole-egg'))) {
        const plain = fromGrams(recipe.name, recipe.target, recipe.amounts);
        const { formula: f, says } = swap(plain, id);
        expect(water(f)).toBeCloseTo(water(plain), 6);
        expect(percent(f, 'whole-egg')).toBe(0);
        expect(says).toContain('A forecast');
      }
    },
  );
  it('linseed for egg: by hand', () => {
    // 100 g of egg on 280 g of flour are 35.71 % with 76 % of water: 27.14; a part of seed (7 % water) to three of water.
    const { formula: f } = swap(named('plain chewy'), 'egg-linseed');
    expect(percent(f, 'linseed')).toBeCloseTo(27.14 / 3.07, 1);
    expect(percent(f, 'water') / percent(f, 'linseed')).toBeCloseTo(3, 2);
  });
  it.each(['oat-drink', 'soy-drink', 'almond-drink'])(
    '%s for milk keeps the water, and tells its allergen',
    (to) => {
      const plain = named('eggless with milk');
      const { formula: f, says } = swap(plain, `drink-whole-milk-${to}`);
      expect(water(f)).toBeCloseTo(water(plain), 6);
      expect(percent(f, 'whole-milk')).toBe(0);
      for (const allergen of ingredient(to).allergens) {
        expect(says).toContain(allergen);
        expect(allergensOf(f)).toContain(allergen);
      }
    },
  );
  it('soured soy drink for buttermilk keeps water and acid, so that the soda still finds it', () => {
    const plain = named('red and cocoa');
    const { formula: f } = swap(plain, 'drink-buttermilk');
    expect(water(f)).toBeCloseTo(water(plain), 6);
    expect(leaveningOf(f).acid.value / leaveningOf(plain).acid.value).toBeCloseTo(1, 2);
  });
  it('one syrup for another keeps the sugar, and says what water stays', () => {
    const plain = named('honey and lemon');
    for (const { id, apply } of swapsFor(plain).filter(({ id: i }) => i.startsWith('syrup-honey-'))) {
      const { formula: f, says } = apply();
      expect([id, sugar(f)]).toEqual([id, expect.closeTo(sugar(plain), 1)]);
      const more = water(f) - water(plain);
      if (more > 0.06) expect(says).toContain('more water than before stays');
      else expect(Math.abs(more)).toBeLessThan(0.06);
    }
  });
  it('honey for sugar says that it browns sooner, maple for honey that it browns later', () => {
    expect(swap(named('plain chewy'), 'sugar-honey').says).toContain('browns sooner');
    expect(swap(named('honey and lemon'), 'syrup-honey-maple-syrup').says).toContain('browns later');
  });
  it('water that was poured in gives way to the syrup', () => {
    const plain = named('pan banged');
    const { formula: f } = swap(plain, 'sugar-honey');
    expect(percent(f, 'water')).toBeLessThan(percent(plain, 'water'));
    expect(water(f)).toBeCloseTo(water(plain), 1);
    expect(sugar(f)).toBeCloseTo(sugar(plain), 1);
  });
  it('chocolate for chocolate tells sugar and fat, and the milk that comes with it', () => {
    const plain = named('sea salt and rye');
    const { formula: f, says } = swap(plain, 'in-dark-chocolate-milk-chocolate');
    // 250 g on 240 g of flour: 104.2 % with 52 - 34 = 18 points more sugar, but for the rounding of the analysis.
    expect(sugar(f) - sugar(plain)).toBeCloseTo(104.17 * 0.18, 0);
    expect(says).toMatch(/\+1[89]\.?\d* % sugar/);
    expect(says).toContain('milk');
  });
  it('seeds for nuts take the nuts out of the allergens', () => {
    const plain = named('crisp with almonds');
    const { formula: f, says } = swap(plain, 'in-almonds-sunflower-seeds');
    expect(allergensOf(plain)).toContain('nuts');
    expect(allergensOf(f)).not.toContain('nuts');
    expect(says).toContain('tree nuts (almond) is out of this line');
  });
  it('a piece that is also on top is replaced there too: no allergen stays behind', () => {
    const plain = { ...named('crisp with almonds'), toppings: [{ ingredientId: 'almonds', percent: 5 }] };
    expect(allergensOf(swap(plain, 'in-almonds-pumpkin-seeds').formula)).not.toContain('nuts');
  });
  it('a blend without gluten keeps the flour, and says what still holds it', () => {
    const plain = named('plain chewy');
    const { formula: f, says } = swap(plain, 'gluten-free');
    expect(flourPercent(doughLines(f))).toBeCloseTo(100, 6);
    expect(allergensOf(f)).not.toContain('gluten');
    expect(says).toContain('local rules');
    const oats = swap(named('oat and raisin'), 'gluten-free');
    expect(oats.says).toContain('Gluten stays in it by: rolled oats');
  });
  it('vanilla sugar and extract, there and back', () => {
    const plain = named('sugar cookie');
    const there = swap(plain, 'to-vanilla-sugar').formula;
    expect(percent(there, 'vanilla')).toBe(0);
    const back = swap(there, 'vanilla-sugar-apart').formula;
    expect(percent(back, 'vanilla')).toBeCloseTo(percent(plain, 'vanilla'), 9);
    expect(percent(back, 'white-sugar')).toBeCloseTo(percent(plain, 'white-sugar'), 9);
  });
  it('alkalised cocoa leaves more of the soda, and says so', () => {
    const { says } = swap(named('double chocolate'), 'cocoa-dutch-cocoa');
    expect(says).toContain('darker and more spread');
  });
  it('each swap has its own id, and every one of an ordinary recipe can be saved', () => {
    for (const recipe of ordinary) {
      const plain = fromGrams(recipe.name, recipe.target, recipe.amounts);
      const ids = swapsFor(plain).map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      for (const { swaps } of swapGroups(plain)) expect(swaps.length).toBeGreaterThan(0);
      for (const { apply } of swapsFor(plain)) {
        const { formula: g, says } = apply();
        const stages = g.stages.map((s) => ({ ...s, lines: s.lines.filter((l) => l.percent >= 0.01) }));
        expect(() => checkFormula({ ...g, stages })).not.toThrow();
        expect(says).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });
});
