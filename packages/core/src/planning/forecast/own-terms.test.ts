import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { readFormula } from '../../exchange/read-formula.js';
import { compareVersions, coverOf, type Formula } from '../../formula/index.js';
import { demoLines, demoPredictions, demoProblem, calm } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { loadTemperature } from './load-temperature.js';
import { bakeInputIn, rawDiameterMm, usableBakes } from './predictions.js';

const of = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return found;
};
const port = { id: 'port', fan: true };

describe('a formula on its own terms', () => {
  const gng = of('GNG');
  const onMat: Formula = { ...gng, bake: { ...gng.bake, liner: 'mat' } };
  const decks: Formula = { ...gng, bake: { ...gng.bake, ovens: ['keel-upper', 'keel-lower'] } };

  it('bakes on its own liner, else on that of the house', () => {
    const linerOf = (formula: Formula) => bakeInputIn(formula, port, demoEquipment, demoRules).setup.liner;
    expect(linerOf(gng)).toBe(demoRules.liner);
    expect(linerOf(onMat)).toBe('mat');
  });
  it('is planned in its ovens alone, and says so where none of them is in use', () => {
    const predictions = demoPredictions().get('GNG');
    expect(usableBakes(decks, predictions).map(({ ovenId }) => ovenId)).toEqual(['keel-upper', 'keel-lower']);
    const orders = demoLines.filter((line) => line.productCode === 'GNG');
    const planned = (formula: Formula) =>
      solvePlan(demoProblem({ orders, formulas: new Map([['GNG', formula]]) }), calm);
    const ovensOf = (formula: Formula) =>
      new Set(planned(formula).batches.flatMap(({ loads }) => loads.map(({ ovenId }) => ovenId)));
    expect([...ovensOf(decks)].every((id) => id.startsWith('keel'))).toBe(true);
    expect(ovensOf(decks).size).toBeGreaterThan(0);
    const gone = planned({ ...gng, bake: { ...gng.bake, ovens: ['sold-long-ago'] } });
    expect(gone.batches).toEqual([]);
    expect(gone.unplaced[0]?.reason).toContain('look at the ovens that its formula names');
  });
  it('comes colder to the oven open than covered', () => {
    const brown = demoFormulas.find(({ rest }) => rest.form === 'tub');
    if (!brown) throw new Error('no tub');
    const soon = { ...brown.rest, bestS: 4 * 3600, minS: 3600 };
    const loaded = (cover?: 'open' | 'covered') =>
      loadTemperature({ ...brown, rest: { ...soon, ...(cover && { cover }) } }, demoRules, demoEquipment);
    expect(loaded('covered')).toBe(loaded());
    expect(loaded('open')).toBeLessThan(loaded());
    expect([coverOf({ form: 'pieces' }), coverOf({ form: 'bag' })]).toEqual(['open', 'covered']);
    expect(coverOf({ form: 'pieces', cover: 'covered' })).toBe('covered');
  });
  it('stands as wide on its tray as it is pressed or shaped', () => {
    const as = (piece: Partial<Formula['piece']>) =>
      rawDiameterMm({ ...gng, piece: { ...gng.piece, ...piece } });
    expect(as({ pressedMm: 80 })).toBe(80);
    const [ball, mound, puck, slice] = (['ball', 'mound', 'puck', 'slice'] as const).map((shape) =>
      as({ shape }),
    ) as [number, number, number, number];
    expect(ball).toBeLessThan(mound);
    expect(mound).toBeLessThan(puck);
    expect(puck).toBeLessThan(slice);
    // 32 g at 1.25 g/mL as a disc that is 0.3 as high as it is wide: by hand, 47.7 mm.
    expect(puck).toBeGreaterThan(46);
    expect(puck).toBeLessThan(50);
  });
  it('is given out, read back and told apart from another', () => {
    const own: Formula = {
      ...gng,
      rest: { ...gng.rest, cover: 'covered' },
      bake: { ...gng.bake, liner: 'mat', ovens: ['port'] },
    };
    expect(readFormula(JSON.parse(JSON.stringify(own)))).toEqual(own);
    expect(readFormula(JSON.parse(JSON.stringify(gng)))).toEqual(gng);
    expect(() => readFormula({ ...own, bake: { ...own.bake, liner: 'foil' } })).toThrow('bake.liner');
    const named = compareVersions(gng, own).join('; ');
    for (const words of ['on the tray lies house → a silicone mat', 'ovens any → port', 'open → covered'])
      expect(named).toContain(words);
  });
});
