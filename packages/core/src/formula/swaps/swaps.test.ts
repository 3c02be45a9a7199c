import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../../demo/index.js';
import { ingredient } from '../../ingredient/index.js';
import { amountsFor, percentsFromGrams, totalPercent } from '../amounts.js';
import { leaveningOf, partsOfDough, perFlour } from '../balance.js';
import { compareVersions } from '../compare.js';
import { componentShare } from '../shares.js';
import { checkFormula, doughLines, flourPercent, type Formula } from '../formula.js';
import { checkSoundness } from '../soundness/index.js';
import { blendFlour, swapsFor } from './index.js';
import { withFlour100 } from '../texture.js';

const formula = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(`no formula ${code}`);
  return found;
};
const swap = (f: Formula, id: string) => {
  const found = swapsFor(f).find((s) => s.id === id);
  if (!found) throw new Error(`${f.code} has no swap ${id}`);
  return found.apply();
};
const sum = (f: Formula, of: (id: string) => number) =>
  partsOfDough(f).reduce((all, { food, percent }) => all + percent * of(food.id), 0);
const water = (f: Formula) => sum(f, (id) => ingredient(id).composition.water);
const salt = (f: Formula) => sum(f, (id) => ingredient(id).analysis.salt);
const milkFat = (f: Formula) =>
  sum(f, (id) => (ingredient(id).kind === 'butter' ? ingredient(id).composition.fat : 0));
const percent = (f: Formula, id: string) => doughLines(f).find((l) => l.ingredientId === id)?.percent ?? 0;

describe('swaps', () => {
  it('salted butter: by hand, Quay Ginger', () => {
    // 62 / 0.984 = 63.008 % of salted butter brings 1.008 % of salt: 1.1 − 1.008 = 0.092 are left to weigh.
    const { formula: f } = swap(formula('GNG'), 'to-salted');
    expect(percent(f, 'salted-butter')).toBeCloseTo(63.008, 3);
    expect(percent(f, 'salt')).toBeCloseTo(0.0919, 3);
    expect(salt(f)).toBeCloseTo(salt(formula('GNG')), 9);
    expect(milkFat(f)).toBeCloseTo(milkFat(formula('GNG')), 9);
  });
  it('salted butter with more salt than was wanted says what remains', () => {
    const { formula: f, says } = swap(formula('CRD'), 'to-salted');
    expect(percent(f, 'salt')).toBe(0);
    expect(says).toContain('more than before remains');
  });
  it('salted butter takes off all salts that were added, the flakes too', () => {
    const plain = formula('GNG');
    const flaked: Formula = {
      ...plain,
      stages: plain.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.flatMap((line) =>
          line.ingredientId === 'salt'
            ? [
                { ingredientId: 'kosher-salt', percent: line.percent / 2 },
                { ingredientId: 'flaked-salt', percent: line.percent / 2 },
              ]
            : [line],
        ),
      })),
    };
    const { formula: f } = swap(flaked, 'to-salted');
    expect(salt(f)).toBeCloseTo(salt(flaked), 9);
    expect(percent(f, 'kosher-salt')).toBeCloseTo(percent(f, 'flaked-salt'), 9);
    expect(percent(f, 'kosher-salt')).toBeLessThan(percent(flaked, 'kosher-salt'));
  });
  it.each(['margarine', 'shortening', 'lard', 'coconut-oil', 'sunflower-oil'])(
    '%s for butter keeps fat and water, says how it handles and what to look at',
    (id) => {
      for (const plain of demoFormulas.filter((f) =>
        doughLines(f).some((l) => l.ingredientId === 'butter' && !l.browned),
      )) {
        const { formula: f, says } = swap(plain, `fat-${id}`);
        const fat = (g: Formula) => sum(g, (i) => ingredient(i).composition.fat);
        expect(fat(f)).toBeCloseTo(fat(plain), 6);
        const more = water(f) - water(plain);
        if (says.includes('the same water')) expect(Math.abs(more)).toBeLessThan(0.06);
        else expect(says).toContain(`${more.toFixed(1)} % more water`);
        expect(milkFat(f)).toBeLessThan(1e-9);
        expect(says).toContain('A forecast');
        expect(says).toContain('allergens');
        expect(checkSoundness(f).some(({ code }) => code === 'soft-fat')).toBe(
          id === 'lard' || id === 'sunflower-oil',
        );
      }
    },
  );
  it('salted and back is the formula that it was', () => {
    const there = swap(formula('SES'), 'to-salted').formula;
    expect(compareVersions(formula('SES'), swap(there, 'to-unsalted').formula)).toEqual([]);
  });
  it('browned butter keeps the milk fat; with its water given back, the water too', () => {
    const plain = formula('LEM');
    const kept = swap(plain, 'brown-with-water').formula;
    expect(milkFat(kept)).toBeCloseTo(milkFat(plain), 6);
    expect(water(kept)).toBeCloseTo(water(plain), 6);
    const lost = swap(plain, 'brown').formula;
    expect(milkFat(lost)).toBeCloseTo(milkFat(plain), 6);
    expect(water(plain) - water(lost)).toBeCloseTo(64 * 0.16 - percent(lost, 'butter') * 0.8242 * 0.005, 1);
  });
  it.each(['egg-yolk', 'egg-white', 'yoghurt', 'whole-milk'])('%s for egg keeps the water', (id) => {
    for (const f of demoFormulas.filter((g) => percent(g, 'whole-egg') > 0))
      expect(water(swap(f, id).formula)).toBeCloseTo(water(f), 6);
  });
  it.each(['light', 'dark'])('white sugar and molasses for %s brown sugar keep the mass', (shade) => {
    for (const f of demoFormulas.filter((g) => percent(g, `${shade}-brown-sugar`) > 0))
      expect(totalPercent(swap(f, `white-${shade}-brown-sugar`).formula)).toBeCloseTo(totalPercent(f), 9);
  });
  it('self-raising flour comes apart into flour and powder, and nothing is lost', () => {
    const raising: Formula = {
      ...formula('CLM'),
      stages: formula('CLM').stages.map((s) => ({
        ...s,
        lines: s.lines.map((l) =>
          l.ingredientId === 'wheat-flour' ? { ...l, ingredientId: 'self-raising-flour' } : l,
        ),
      })),
    };
    const apart = swap(raising, 'plain-self-raising-flour').formula;
    expect(percent(apart, 'wheat-flour')).toBeCloseTo(95, 9);
    expect(percent(apart, 'baking-powder')).toBeCloseTo(5 + 1.4, 9);
    expect(totalPercent(apart)).toBeCloseTo(totalPercent(raising), 9);
    expect(flourPercent(doughLines(apart))).toBeCloseTo(flourPercent(doughLines(raising)), 9);
    expect(flourPercent(doughLines(withFlour100(apart)))).toBeCloseTo(100, 9);
  });
  it('powder for soda and soda for powder keep the gas', () => {
    for (const f of demoFormulas)
      for (const { id, apply } of swapsFor(f).filter(
        ({ id: i }) => i === 'soda-to-powder' || i === 'powder-to-soda',
      )) {
        const perDough = (g: Formula) => (leaveningOf(g).gas.value * totalPercent(g)) / 1000;
        // With acid added, all of the new soda reacts; what was there before may meet a little more acid, too.
        expect([id, perDough(apply().formula) / perDough(f)]).toEqual([id, expect.closeTo(1, 1)]);
      }
  });
  it('inclusions kept back for the top leave the dough and are as much as before', () => {
    const rye = formula('RYE');
    const { formula: f } = swap(rye, 'keep-back-walnuts');
    expect(percent(f, 'walnuts')).toBeCloseTo(46.8, 9);
    expect(f.toppings.find((l) => l.ingredientId === 'walnuts')?.percent).toBeCloseTo(5.2, 9);
    expect(f.toppings).toHaveLength(rye.toppings.length + 1);
    const again = swap(f, 'keep-back-walnuts').formula;
    expect(again.toppings.filter((l) => l.ingredientId === 'walnuts')).toHaveLength(1);
  });
  it('a blend of two flours meets the protein, and flour stays as much', () => {
    const { formula: f } = blendFlour(
      formula('LEM'),
      'wheat-flour',
      [ingredient('strong-wheat-flour'), ingredient('soft-wheat-flour')],
      11,
    );
    // (11 − 8.5) / (13 − 8.5) = 0.556, but for the last digits of the normalised composition.
    expect(percent(f, 'strong-wheat-flour')).toBeCloseTo(55.5, 0);
    expect(flourPercent(doughLines(f))).toBeCloseTo(100, 9);
    expect(() =>
      blendFlour(
        formula('LEM'),
        'wheat-flour',
        [ingredient('strong-wheat-flour'), ingredient('soft-wheat-flour')],
        15,
      ),
    ).toThrow('is not between them');
  });
  it('every swap of every formula is a formula that can be saved', () => {
    for (const f of demoFormulas)
      for (const { apply } of swapsFor(f)) {
        const { formula: g, says } = apply();
        const kept = {
          ...g,
          stages: g.stages.map((s) => ({ ...s, lines: s.lines.filter((l) => l.percent >= 0.01) })),
        };
        expect(() => checkFormula(kept)).not.toThrow();
        expect(says.length).toBeGreaterThan(20);
      }
  });
});

describe('mass is conserved', () => {
  const anyFormula = fc.constantFrom(...demoFormulas);
  const anyMass = fc.double({ min: 50, max: 5e5, noNaN: true });
  it('through every swap: the shares of the dough add up to one, and the amounts to the dough', () => {
    fc.assert(
      fc.property(anyFormula, anyMass, fc.nat(), (f, massG, n) => {
        const swaps = swapsFor(f);
        const g = swaps[n % swaps.length]?.apply().formula ?? f;
        const total = partsOfDough(g).reduce((all, part) => all + part.percent, 0);
        expect(total / totalPercent(g)).toBeCloseTo(1, 9);
        const inDough = amountsFor(g, massG).reduce((all, { line, mass }) => {
          const kept = partsOfDough({ stages: [{ id: '', name: '', cue: '', lines: [line] }] });
          return all + (mass.value * kept.reduce((s, part) => s + part.percent, 0)) / line.percent;
        }, 0);
        expect(inDough / massG).toBeCloseTo(1, 9);
      }),
    );
  });
  it('scaling there and back returns the formula', () => {
    fc.assert(
      fc.property(anyFormula, anyMass, (f, massG) => {
        const grams = amountsFor(f, massG).map((a) => ({
          ingredientId: a.line.ingredientId,
          massG: a.mass.value,
        }));
        percentsFromGrams(grams).forEach(({ percent: back }, i) =>
          expect(back.value / (doughLines(f)[i]?.percent ?? 0)).toBeCloseTo(1, 9),
        );
      }),
    );
  });
  it('water, fat, protein and the rest of a dough come to what its composition says', () => {
    for (const f of demoFormulas) {
      expect(componentShare(f, 'water').value).toBeCloseTo(water(f) / totalPercent(f), 12);
      expect(perFlour(f, () => 1)).toBeCloseTo((100 * totalPercent(f)) / flourPercent(doughLines(f)), 9);
    }
  });
});
