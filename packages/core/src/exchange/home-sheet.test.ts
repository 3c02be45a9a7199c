import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../demo/index.js';
import { fromGrams, ordinary, ordinaryNamed } from '../formula/ordinary.testkit.js';
import { homeSheet, kitchens, piecesForHome } from './home-sheet.js';

describe('a sheet for a kitchen without a scale', () => {
  it('by hand: the plain chewy dough as it is commonly written', () => {
    const { target, amounts } = ordinaryNamed('plain chewy');
    const grams = [...amounts.values()].reduce((sum, { g }) => sum + g, 0);
    const plain = fromGrams('plain', target, amounts);
    const { lines } = homeSheet({ ...plain, piece: { massG: grams / 24, shape: 'ball' } }, 24, 'us');
    const of = (name: string) => lines.find((line) => line.name === name)?.measure;
    // 280 g of spooned flour / 0.52 = 538 mL = 2.276 cups; 5 g of soda / 0.93 = 5.4 mL, a little over a teaspoon.
    expect(of('Wheat flour')).toBe('2¼ cups');
    expect(of('Baking soda')).toBe('1 tsp');
    expect(of('Whole egg')).toBe('2 large');
    expect(lines.find(({ name }) => name === 'Wheat flour')?.packing).toBe('spooned');
  });
  it('a measure is within a few percent of its grams, or it stays grams', () => {
    const offs: number[] = [];
    for (const recipe of ordinary) {
      const f = fromGrams(recipe.name, recipe.target, recipe.amounts);
      for (const kitchen of ['us', 'metric'] as const)
        for (const line of homeSheet(f, piecesForHome(f), kitchen).lines) {
          offs.push(Math.abs(line.measureG / line.massG - 1));
          // An eighth of a teaspoon is the smallest spoon.
          expect(offs.at(-1)).toBeLessThanOrEqual(line.massG < 3 ? 0.25 : 0.12);
        }
    }
    offs.sort((a, b) => a - b);
    expect(offs[Math.floor(offs.length / 2)]).toBeLessThan(0.03);
  });
  it('the pieces are chosen so that the eggs come out whole', () => {
    for (const f of demoFormulas) {
      const pieces = piecesForHome(f);
      expect(pieces).toBeGreaterThanOrEqual(10);
      expect(pieces).toBeLessThanOrEqual(36);
    }
    const { target, amounts } = ordinaryNamed('plain chewy');
    const f = fromGrams('plain', target, amounts);
    expect(
      homeSheet(f, piecesForHome(f), 'us').lines.find(({ name }) => name === 'Whole egg')?.measure,
    ).toMatch(/^\d large$/);
  });
  it('what goes on top stands on the sheet, as on top', () => {
    const ginger = demoFormulas.find(({ code }) => code === 'GNG');
    if (!ginger) throw new Error('no GNG');
    expect(homeSheet(ginger, 24, 'metric').lines.filter(({ on }) => on)).toHaveLength(1);
  });
  it('any number of pieces gives a sheet, or says that it is out of range', () => {
    fc.assert(
      fc.property(fc.constantFrom(...demoFormulas), fc.integer({ min: 1, max: 500 }), (f, pieces) => {
        for (const { measure, measureG } of homeSheet(f, pieces, 'us').lines) {
          expect(measure).toMatch(/^(\d+|[⅛¼⅓½⅔¾])/);
          expect(measureG).toBeGreaterThan(0);
        }
      }),
      { numRuns: 40 },
    );
    expect(() => homeSheet(demoFormulas[0] as never, 0, 'us')).toThrow('The number of pieces');
  });
  it('a metric cup is larger than one of the states', () => {
    expect(kitchens.metric.cup).toBeGreaterThan(kitchens.us.cup);
  });
});
