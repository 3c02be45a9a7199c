import { describe, expect, it } from '@jest/globals';
import type { Equipment } from '../../bakery/index.js';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { readFormula } from '../../exchange/read-formula.js';
import { compareVersions, coverOf, type Formula } from '../../formula/index.js';
import { demoLines, demoPredictions, demoProblem, calm, smallProblem } from '../problem/problem.testkit.js';
import { checkPlan } from '../check/check.js';
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
  it('bakes by what the house knows of its liner', () => {
    const paper = { id: 'paper', name: 'Paper', kind: 'parchment' as const, contactWPerM2K: 90 };
    const mats = { id: 'mats', name: 'Mats', kind: 'mat' as const, drag: 0.5, count: 6 };
    const setupOf = (formula: Formula, liners: Equipment['liners']) =>
      bakeInputIn(formula, port, { ...demoEquipment, liners }, demoRules).setup;
    expect(setupOf(gng, [paper, mats])).toMatchObject({ liner: 'parchment', contactWPerM2K: 90 });
    expect(setupOf(onMat, [paper, mats])).toMatchObject({ liner: 'mat', drag: 0.5 });
    expect(setupOf(gng, [paper, mats])).not.toHaveProperty('drag');
    // One that was given away says nothing of the next.
    expect(setupOf(gng, [{ ...paper, retired: true }])).not.toHaveProperty('contactWPerM2K');
  });
  it.each([12, 3, 1])('has no more trays in the ovens at once than there are mats: %d', (count) => {
    const liners = [{ id: 'mats', name: 'Mats', kind: 'mat' as const, count }];
    const orders = demoLines.filter(({ productCode }) => productCode === 'GNG');
    const problem = demoProblem({
      orders,
      formulas: new Map([['GNG', onMat]]),
      equipment: { ...demoEquipment, liners },
    });
    expect(problem.products[0]?.liner).toBe('liner/mats');
    const plan = solvePlan(problem, calm);
    const laid = plan.batches.flatMap(({ tasks }) =>
      tasks.filter(({ uses }) => uses.some(({ resourceId }) => resourceId === 'liner/mats')),
    );
    expect(laid.length).toBeGreaterThan(0);
    for (const { startS } of laid) {
      const at = laid.filter((task) => task.startS <= startS && task.endS > startS);
      const used = at.flatMap(({ uses }) => uses.filter(({ resourceId }) => resourceId === 'liner/mats'));
      expect(used.reduce((sum, { amount }) => sum + amount, 0)).toBeLessThanOrEqual(count);
    }
    expect(checkPlan(problem, plan).filter(({ code }) => code !== 'late')).toEqual([]);
    expect(plan.unplaced).toEqual([]);
  });
  it('says that mats were short where more of them would do', () => {
    const small = smallProblem();
    const planned = (capacity: number) =>
      solvePlan(
        {
          ...small,
          products: small.products.map((product) => ({
            ...product,
            liner: 'liner/mats',
            demands: product.demands.map((demand) => ({ ...demand, readyByS: 8000 })),
          })),
          resources: [...small.resources, { id: 'liner/mats', name: 'Mats', capacity }],
        },
        calm,
      ).unplaced;
    expect(planned(4)).toEqual([]);
    expect(planned(1)[0]?.reason).toContain('Mats: 1 in all, too few before its ready-by.');
  });
  it('goes into an oven as many trays at once as it takes of that kind', () => {
    const ovens = demoEquipment.ovens.map((oven) => ({
      ...oven,
      placesFor: [
        { trayId: 'bright', places: 2 },
        { trayId: 'dark', places: 1 },
      ],
    }));
    const placesOn = (trayId: string) =>
      demoProblem({ equipment: { ...demoEquipment, ovens }, rules: { ...demoRules, trayId } }).ovens.map(
        ({ places }) => places,
      );
    expect(placesOn('bright')).toEqual([2, 2, 2, 2]);
    expect(placesOn('dark')).toEqual([1, 1, 1, 1]);
  });
  it('is baked a few trays at a time where an oven has more places than there are trays', () => {
    const equipment = { ...demoEquipment, trays: demoEquipment.trays.map((tray) => ({ ...tray, count: 3 })) };
    const orders = demoLines.filter(({ productCode }) => productCode === 'GNG');
    const problem = demoProblem({
      orders,
      formulas: new Map([['GNG', { ...gng, rest: { ...gng.rest, form: 'tub' } }]]),
      equipment,
    });
    const plan = solvePlan(problem, calm);
    const loads = plan.batches.flatMap((batch) => batch.loads);
    expect(Math.max(...demoEquipment.ovens.map(({ places }) => places))).toBeGreaterThan(3);
    expect(loads.length).toBeGreaterThan(0);
    expect(Math.max(...loads.map(({ trays }) => trays.length))).toBeLessThanOrEqual(3);
    expect(checkPlan(problem, plan).filter(({ code }) => code !== 'late')).toEqual([]);
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
