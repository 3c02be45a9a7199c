import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { amountsFor, type Formula } from '../formula/index.js';
import { ingredientsNeeded } from './needed.js';

const of = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return found;
};
const gng = of('GNG');
/** A dough of flour, butter and so much yolk and white, by hand. */
const eggy = (yolk: number, white: number): Formula => ({
  ...gng,
  toppings: [],
  stages: [
    {
      id: 'all',
      name: 'All',
      cue: '',
      lines: [
        { ingredientId: 'wheat-flour', percent: 100 },
        { ingredientId: 'butter', percent: 60 },
        ...(yolk > 0 ? [{ ingredientId: 'egg-yolk', percent: yolk }] : []),
        ...(white > 0 ? [{ ingredientId: 'egg-white', percent: white }] : []),
      ],
    },
  ],
});

describe('what the doughs of a day take', () => {
  it('is summed over them, each named, toppings and icing with them', () => {
    const other = of('CLM');
    const { needed } = ingredientsNeeded([
      { batchId: 'A', formula: gng, massG: 4000 },
      { batchId: 'B', formula: gng, massG: 2000 },
      { batchId: 'C', formula: other, massG: 3000 },
    ]);
    const flour = needed.find(({ food }) => food.id === 'wheat-flour');
    const alone = (formula: Formula, massG: number) =>
      amountsFor(formula, massG)
        .filter(({ line }) => line.ingredientId === 'wheat-flour')
        .reduce((sum, { mass }) => sum + mass.value, 0);
    expect(flour?.massG).toBeCloseTo(alone(gng, 6000) + alone(other, 3000), 6);
    expect(flour?.of.map(({ batchId }) => batchId)).toEqual(
      alone(other, 1) > 0 ? ['A', 'B', 'C'] : ['A', 'B'],
    );
    const ids = needed.map(({ food }) => food.id);
    for (const { ingredientId } of [...gng.toppings, ...other.toppings]) expect(ids).toContain(ingredientId);
    expect(needed.map(({ massG }) => massG)).toEqual(
      needed.map(({ massG }) => massG).toSorted((a, b) => b - a),
    );
  });
  it('opens whole packs, and says what the last one keeps', () => {
    // 100 + 60 percent of 1600 g: 1000 g of flour, 600 g of butter.
    const ask = (packG: Record<string, number>) =>
      ingredientsNeeded([{ batchId: 'A', formula: eggy(0, 0), massG: 1600 }], packG).needed;
    expect(ask({ butter: 250, 'wheat-flour': 1000 }).map(({ packs }) => packs)).toEqual([
      { count: 1, packG: 1000, leftG: 0 },
      { count: 3, packG: 250, leftG: expect.closeTo(150, 6) },
    ]);
    expect(ask({}).every(({ packs }) => packs === null)).toBe(true);
    expect(ask({ butter: 0 }).every(({ packs }) => packs === null)).toBe(true);
  });
  it('leaves the whites of the yolks, and the yolks of the whites', () => {
    // 16 g a yolk, 28 g a white: 10 yolks beside 4 whites leave 6 whites, 168 g.
    const leftOf = (yolkG: number, whiteG: number) =>
      ingredientsNeeded([
        { batchId: 'A', formula: eggy(yolkG / 10, whiteG / 10), massG: 1600 + yolkG + whiteG },
      ]).left.map(({ food, count, massG }) => [food.id, count, Math.round(massG)]);
    expect(leftOf(160, 112)).toEqual([['egg-white', 6, 168]]);
    expect(leftOf(160, 0)).toEqual([['egg-white', 10, 280]]);
    expect(leftOf(0, 112)).toEqual([['egg-yolk', 4, 64]]);
    expect(leftOf(160, 280)).toEqual([]);
    expect(leftOf(0, 0)).toEqual([]);
    const { needed } = ingredientsNeeded([{ batchId: 'A', formula: eggy(16, 0), massG: 1760 }]);
    expect(needed.find(({ food }) => food.id === 'egg-yolk')?.eggs).toBe(10);
  });
});
