import { describe, expect, it } from '@jest/globals';
import { checkPlan } from '../check/check.js';
import { smallProblem } from '../problem/problem.testkit.js';
import type { Demand, PlanProblem } from '../problem/problem.js';
import { undonePieces } from '../problem/served.js';
import { safePlan } from './safe-plan.js';
import { surenessOf } from './sure.js';

const kiosk = (readyByS: number, pieces: number): Demand => ({ name: 'Kiosk', readyByS, pieces });

/** Two products of one line, each with its own demands. */
const twoProducts = (one: readonly Demand[], two: readonly Demand[]): PlanProblem => {
  const problem = smallProblem();
  const [product] = problem.products;
  if (!product) throw new Error('a product');
  const as = (code: string, demands: readonly Demand[]) => ({
    ...product,
    code,
    demands,
    batches: [{ id: `${code}-A`, mixerId: 'mixer', massG: 750, pieces: 24, minMassG: 100 }],
  });
  return { ...problem, products: [as('ONE', one), as('TWO', two)] };
};

const sureOf = (problem: PlanProblem, chance?: number) => {
  const { plan } = safePlan(problem, { tries: 20, ...(chance !== undefined && { chance }) });
  expect(checkPlan(problem, plan)).toEqual([]);
  expect(undonePieces(problem, plan.batches)).toBe(0);
  expect(plan.unplaced).toEqual([]);
  const sure = surenessOf(problem, plan.batches);
  return {
    plan,
    of: (code: string, demand = 0) =>
      sure.find((own) => own.productCode === code && own.demand === demand)?.probability ?? 0,
  };
};

describe('a plan that is to be safe', () => {
  // Begun at once it is ready some minutes before this, and no sooner.
  const tight = kiosk(7000, 24);

  it('has the others sure where one cannot be', () => {
    const problem = twoProducts([tight], [kiosk(30_000, 24)]);
    const [plain, safe] = [sureOf(problem), sureOf(problem, 0.9)];
    expect(plain.of('TWO')).toBeLessThan(0.6);
    expect(safe.of('TWO')).toBeGreaterThanOrEqual(0.9);
    expect(safe.of('ONE')).toBeGreaterThanOrEqual(plain.of('ONE') - 0.05);
  });

  it('says for when its loads are, as they were ordered', () => {
    const problem = twoProducts([kiosk(20_000, 24)], [kiosk(30_000, 24)]);
    const { plan } = sureOf(problem, 0.9);
    const dues = plan.batches.flatMap(({ loads }) => loads.map(({ dueS }) => dueS));
    expect(new Set(dues)).toEqual(new Set([20_000, 30_000]));
  });

  it('keeps what has begun as it is, and the pieces that it has for its orders', () => {
    const problem = twoProducts([kiosk(20_000, 24)], [kiosk(30_000, 24)]);
    const begun = sureOf(problem).plan.batches.filter(({ productCode }) => productCode === 'ONE');
    const later = { ...problem, nowS: 19_000, fixed: begun };
    const none = {
      ...later,
      products: later.products.map((p) => (p.code === 'ONE' ? { ...p, batches: [] } : p)),
    };
    const { plan, of } = sureOf(none, 0.9);
    expect(plan.batches).toContainEqual(begun[0]);
    expect(of('TWO')).toBeGreaterThanOrEqual(0.9);
  });
});

it('what stands in the oven does not begin late any more', () => {
  const problem = twoProducts([kiosk(20_000, 24)], [kiosk(30_000, 24)]);
  const { plan } = sureOf(problem);
  const load = plan.batches.find(({ productCode }) => productCode === 'ONE')?.loads[0];
  if (!load) throw new Error('a load');
  const at = (nowS: number) =>
    surenessOf({ ...problem, nowS }, plan.batches).find(({ productCode }) => productCode === 'ONE')
      ?.probability ?? 0;
  expect(at(load.startS + 60)).toBeGreaterThan(at(0) + 0.05);
});
