import { fatIn } from '../ingredient/index.js';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../demo/index.js';
import { amountsFor, percentsFromGrams, toppingsFor, totalPercent } from './amounts.js';
import { compareVersions } from './compare.js';
import { allergensOf, doughFromComposition, doughOf, typicalDough } from './dough.js';
import { browningLossShare, checkFormula, doughLines, type Formula } from './formula.js';
import { componentShare } from './shares.js';

const formula = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(`no formula ${code}`);
  return found;
};
const each = demoFormulas.map((f) => [f.code, f] as const);

describe('amounts from baker’s percent', () => {
  it.each(each)('%s: the amounts add up to the dough, browned butter less its loss', (_, f) => {
    const amounts = amountsFor(f, 6000);
    const inDough = amounts.reduce(
      (sum, a) => sum + a.mass.value * (a.line.browned ? 1 - browningLossShare : 1),
      0,
    );
    expect(inDough).toBeCloseTo(6000, 6);
  });

  it('hand-worked: 6 kg of Cocoa-Nib Yoghurt Drop', () => {
    // Sum of percents: 57 + 36 + 20 + 21 + 1 + 88 + 12 + 1.1 + 1.1 + 30 = 267.2; wheat flour = 6000 × 88 / 267.2.
    expect(totalPercent(formula('NIB'))).toBeCloseTo(267.2, 9);
    const grams = Object.fromEntries(
      amountsFor(formula('NIB'), 6000).map((a) => [a.line.ingredientId, a.mass.value]),
    );
    expect(grams['wheat-flour']).toBeCloseTo(1976.0, 1);
    expect(grams['potato-starch']).toBeCloseTo(269.5, 1);
    expect(grams.butter).toBeCloseTo(1279.9, 1);
    expect(grams['baking-soda']).toBeCloseTo(24.7, 1);
  });

  it('doubling the dough doubles every amount', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demoFormulas),
        fc.double({ min: 10, max: 4e5, noNaN: true }),
        (f, massG) => {
          const once = amountsFor(f, massG);
          const twice = amountsFor(f, 2 * massG);
          once.forEach((a, i) => expect((twice[i]?.mass.value ?? 0) / a.mass.value).toBeCloseTo(2, 9));
        },
      ),
    );
  });

  it('percent to grams and back is the same percent', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demoFormulas),
        fc.double({ min: 10, max: 1e5, noNaN: true }),
        (f, massG) => {
          const amounts = amountsFor(f, massG);
          const back = percentsFromGrams(
            amounts.map((a) => ({ ingredientId: a.line.ingredientId, massG: a.mass.value })),
          );
          amounts.forEach((a, i) => expect((back[i]?.percent.value ?? 0) / a.line.percent).toBeCloseTo(1, 9));
        },
      ),
    );
  });

  it('toppings follow the flour and are no part of the dough', () => {
    // 8 % of the flour in 5590 g; the percents of the dough add up to 280.
    expect(totalPercent(formula('GNG'))).toBeCloseTo(280, 9);
    expect(toppingsFor(formula('GNG'), 2800)[0]?.mass.value).toBeCloseTo(80, 6);
  });

  it.each([0, -5, Number.NaN, 2e6])('a dough of %d g is refused', (massG) => {
    expect(() => amountsFor(formula('GNG'), massG)).toThrow('The dough mass');
  });
});

describe('the dough of a formula', () => {
  it.each(each)('%s has shares that make sense', (_, f) => {
    const d = doughOf(f);
    const { water, fat, protein, carbohydrate, fibre, ash } = d.composition;
    expect(water + fat + protein + carbohydrate + fibre + ash).toBeCloseTo(1, 9);
    // Creamed cookie doughs: a tenth to a fifth of water, a fifth to a third of fat.
    expect(water).toBeGreaterThan(0.1);
    expect(water).toBeLessThan(0.2);
    expect(fat).toBeGreaterThan(0.15);
    expect(fat).toBeLessThan(0.36);
    expect(d.flour).toBeGreaterThan(0.25);
    expect(d.nonFatSolids).toBeGreaterThan(0.4);
    expect(d.nonFatSolids).toBeLessThan(0.75);
  });

  it('browning the butter takes water out', () => {
    const rye = formula('RYE');
    const plain = {
      stages: rye.stages.map((s) => ({ ...s, lines: s.lines.map((l) => ({ ...l, browned: false })) })),
    };
    expect(doughOf(rye).composition.water).toBeLessThan(doughOf(plain).composition.water - 0.02);
  });

  it('an egg-free dough has no egg protein', () => {
    expect(doughOf(formula('NIB')).eggProtein).toBe(0);
    expect(doughOf(formula('LEM')).eggProtein).toBeGreaterThan(0.005);
  });

  it('fat of nuts and seeds is no milk fat', () => {
    const tahini = doughOf(formula('SES'));
    expect(tahini.composition.fat - fatIn(tahini.fats)).toBeGreaterThan(0.06);
  });

  it('the typical dough from its own composition is the typical dough', () => {
    const same = doughFromComposition(typicalDough.composition);
    expect(same.flour).toBeCloseTo(typicalDough.flour, 9);
    expect(same.nonFatSolids).toBeCloseTo(typicalDough.nonFatSolids, 2);
  });
});

describe('allergens', () => {
  it.each([
    ['GNG', ['egg', 'gluten', 'milk', 'wheat']],
    ['SES', ['egg', 'gluten', 'milk', 'sesame', 'wheat']],
    ['PNT', ['egg', 'gluten', 'milk', 'peanut', 'wheat']],
    ['RYE', ['egg', 'gluten', 'milk', 'nuts', 'wheat']],
    ['NIB', ['gluten', 'milk', 'wheat']],
  ])('%s holds %j', (code, allergens) => expect(allergensOf(formula(code))).toEqual(allergens));
});

describe('a formula is refused', () => {
  const good = formula('LEM');
  const withLine = (ingredientId: string, percent: number): Formula => ({
    ...good,
    stages: [...good.stages, { id: 'more', name: 'More', cue: '', lines: [{ ingredientId, percent }] }],
  });
  it.each<[string, Formula, string]>([
    ['without a name', { ...good, name: '  ' }, 'needs a name'],
    ['without ingredients', { ...good, stages: [] }, 'no ingredients'],
    ['without flour', { ...good, stages: good.stages.filter((s) => s.id !== 'dry') }, 'no flour'],
    ['with a zero amount', withLine('salt', 0), 'The amount of fine salt is 0'],
    ['with a negative amount', withLine('salt', -1), 'The amount of fine salt is -1'],
    ['with an absurd amount', withLine('salt', 501), 'between 0.01 and 500'],
    ['with an unknown ingredient', withLine('glue', 1), 'not in the ingredient library'],
    ['with a piece of nothing', { ...good, piece: { ...good.piece, massG: 0 } }, 'The piece weight'],
    ['with a cold oven', { ...good, bake: { ...good.bake, setC: 40 } }, 'The oven temperature'],
    [
      'with a rest window turned round',
      { ...good, rest: { ...good.rest, minS: 9000 } },
      'shortest ≤ best ≤ longest',
    ],
  ])('%s', (_, bad, sentence) => expect(() => checkFormula(bad)).toThrow(sentence));

  it.each(each)('but not %s', (_, f) => expect(() => checkFormula(f)).not.toThrow());
});

describe('the difference of two versions', () => {
  const before = formula('GNG');
  const change = (lines: (f: Formula) => Formula['stages']): Formula => ({
    ...before,
    version: 2,
    stages: lines(before),
  });
  it('names what changed, came and went', () => {
    const after = change((f) =>
      f.stages.map((s) => ({
        ...s,
        lines: s.lines
          .filter((l) => l.ingredientId !== 'clove')
          .map((l) => (l.ingredientId === 'butter' ? { ...l, percent: 58 } : l))
          .concat(s.id === 'dry' ? [{ ingredientId: 'cardamom', percent: 0.5 }] : []),
      })),
    );
    expect(compareVersions(before, after)).toEqual([
      'butter, unsalted 62 → 58 %',
      '− ground clove 0.3 %',
      '+ ground cardamom 0.5 %',
    ]);
  });
  it('names piece and bake', () => {
    const after = {
      ...before,
      piece: { massG: 34, shape: 'puck' as const },
      bake: { ...before.bake, setC: 155 },
    };
    expect(compareVersions(before, after)).toEqual([
      'piece 32 g → 34 g',
      'shape ball → puck',
      'oven 150 °C → 155 °C',
    ]);
  });
  it('of a version with itself is nothing', () => {
    expect(compareVersions(before, before)).toEqual([]);
    expect(doughLines(before)).toHaveLength(11);
  });
});

describe('a share of the dough, shown', () => {
  it.each(each)('%s: water and fat are those of its dough', (_, f) => {
    const { composition } = doughOf(f);
    expect(componentShare(f, 'water').value).toBeCloseTo(composition.water, 6);
    expect(componentShare(f, 'fat').value).toBeCloseTo(composition.fat, 6);
  });
  it('names what each ingredient brings', () => {
    const { terms } = componentShare(formula('NIB'), 'water');
    expect(terms.find((t) => t.name.startsWith('Yoghurt'))?.name).toBe(
      'Yoghurt, plain: 21 % with 87 % water',
    );
    expect(terms.some((t) => t.name.startsWith('Baking soda'))).toBe(false);
  });
});
