import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { aheadWorkOf } from '../../mixing/index.js';
import { costOf } from '../bound/cost.js';
import { checkPlan } from '../check/check.js';
import type { Plan } from '../problem/plan.js';
import type { AheadWork, PlanProblem } from '../problem/problem.js';
import { resourceIds } from '../problem/problem.js';
import { calm, demoProblem, smallProblem } from '../problem/problem.testkit.js';
import { undonePieces } from '../problem/served.js';
import { solvePlan } from './solve.js';

const asking = (ahead: readonly AheadWork[], change: Partial<PlanProblem> = {}): PlanProblem => {
  const problem = smallProblem(change);
  return {
    ...problem,
    products: problem.products.map((product) => ({
      ...product,
      batches: product.batches.map((batch) => ({ ...batch, ahead })),
    })),
  };
};
const tasksOf = ({ batches }: Plan) => batches.flatMap(({ tasks }) => tasks);
const startOf = (plan: Plan, id: string) => tasksOf(plan).find((task) => task.id === `ONE-A/${id}`)?.startS;
const butter: AheadWork = { kind: 'butter-out', aheadS: 7200, workS: 300 };
const nuts: AheadWork = { kind: 'toast', aheadS: 3600, workS: 900 };

describe('work before the mixing', () => {
  it('is done so long before as it takes, by a pair of hands', () => {
    const problem = asking([nuts, butter]);
    const plan = solvePlan(problem, calm);
    const mixS = startOf(plan, 'mix') ?? Number.NaN;
    expect(startOf(plan, 'butter-out')).toBeLessThanOrEqual(mixS - 7200);
    expect(startOf(plan, 'toast')).toBeLessThanOrEqual(mixS - 3600);
    expect(startOf(plan, 'toast')).toBeGreaterThan(mixS - 3600 - 600);
    for (const task of tasksOf(plan).filter(({ kind }) => kind === 'prepare'))
      expect(task.uses).toEqual([{ resourceId: resourceIds.hands, amount: 1 }]);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('is done earlier when nobody is there at that moment', () => {
    const alone = solvePlan(asking([butter]), calm);
    const wished = startOf(alone, 'butter-out') ?? Number.NaN;
    // A break at just that time.
    const when = [
      { fromS: 0, toS: wished - 900, capacity: 1 },
      { fromS: wished + 900, toS: 40_000, capacity: 1 },
    ];
    const { resources } = smallProblem();
    const problem = asking([butter], {
      resources: resources.map((own) => (own.id === resourceIds.hands ? { ...own, when } : own)),
    });
    const plan = solvePlan(problem, calm);
    expect(startOf(plan, 'mix')).toBe(startOf(alone, 'mix'));
    expect(startOf(plan, 'butter-out')).toBeLessThanOrEqual(wished - 900 - 300);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('is as early as can be when it should have begun already, and keeps no dough from being mixed', () => {
    const late: AheadWork = { kind: 'butter-out', aheadS: 86_000, workS: 300 };
    const problem = asking([late]);
    const plan = solvePlan(problem, calm);
    expect(undonePieces(problem, plan.batches)).toBe(0);
    expect(startOf(plan, 'butter-out')).toBe(0);
    const never = asking([{ kind: 'toast', aheadS: 0, workS: 100_000 }]);
    const without = solvePlan(never, calm);
    expect(undonePieces(never, without.batches)).toBe(0);
    expect(tasksOf(without).some(({ kind }) => kind === 'prepare')).toBe(false);
  });

  it('is waited for, where the dough may be mixed later all the same', () => {
    // Now its butter takes an hour; mixed as late as usual it would come out in time anyway, so begin close to it.
    const plain = solvePlan(asking([]), calm);
    const mixS = startOf(plain, 'mix') ?? Number.NaN;
    const nowS = mixS - 1200;
    const plan = solvePlan(asking([{ kind: 'butter-out', aheadS: 2400, workS: 300 }], { nowS }), calm);
    const [outS, laterS] = [startOf(plan, 'butter-out') ?? Number.NaN, startOf(plan, 'mix') ?? Number.NaN];
    expect(laterS).toBeGreaterThan(mixS);
    expect(laterS - outS).toBeGreaterThanOrEqual(2400);
    expect(plan.unplaced).toEqual([]);
  });

  it('takes hands that the checker counts: two at once are too many for one person', () => {
    const problem = asking([butter]);
    const plan = solvePlan(problem, calm);
    const [batch] = plan.batches;
    const mix = batch?.tasks.find(({ kind }) => kind === 'mix');
    if (!batch || !mix) throw new Error('it is mixed');
    const beside = batch.tasks.map((task) =>
      task.kind === 'prepare' ? { ...task, startS: mix.startS + 60, endS: mix.startS + 360 } : task,
    );
    const codes = checkPlan(problem, { ...plan, batches: [{ ...batch, tasks: beside }] }).map(
      ({ code }) => code,
    );
    expect(codes).toContain('capacity');
    expect(codes).toContain('precedence');
  });

  it('whatever it is, the plan holds and loses no piece', () => {
    const work = fc.record({
      kind: fc.constantFrom('butter-out', 'eggs-out', 'toast', 'chop'),
      aheadS: fc.integer({ min: 0, max: 30_000 }),
      workS: fc.integer({ min: 1, max: 3000 }),
    });
    fc.assert(
      fc.property(fc.uniqueArray(work, { maxLength: 4, selector: ({ kind }) => kind }), (ahead) => {
        const problem = asking(ahead);
        const plan = solvePlan(problem, calm);
        expect(checkPlan(problem, plan)).toEqual([]);
        expect(undonePieces(problem, plan.batches)).toBe(0);
      }),
      { numRuns: 60 },
    );
  });

  it('a dough that takes longer at the mixer has it, the others as ever', () => {
    const usual = demoProblem();
    const problem = demoProblem({
      longerOf: ({ code }) => (code === 'RYE' ? 600 : code === 'LEM' ? -9000 : 0),
    });
    const plan = solvePlan(problem, calm);
    expect(checkPlan(problem, plan)).toEqual([]);
    const mixing = (code: string) =>
      plan.batches
        .filter(({ productCode, stock }) => productCode === code && !stock)
        .flatMap(({ tasks }) =>
          tasks.filter(({ kind }) => kind === 'mix').map(({ startS, endS }) => endS - startS),
        );
    const houseS = usual.products[0]?.mixS ?? 0;
    expect(new Set(mixing('RYE'))).toEqual(new Set([houseS + 600]));
    expect(new Set(mixing('GNG'))).toEqual(new Set([houseS]));
    // Nobody mixes in no time.
    expect(new Set(mixing('LEM'))).toEqual(new Set([60]));
  });

  it('of the demo day leaves nobody late, and costs the bench nothing that is counted twice', () => {
    const without = demoProblem();
    const problem = demoProblem({
      aheadOf: (formula, massG) =>
        aheadWorkOf(formula, massG, { eggIntoButterC: 35 }, [
          {
            id: 'bench',
            name: 'Bench',
            kind: 'bench',
            airC: 24,
            hWPerM2K: 8,
            trayPlaces: 9,
            tubPlaces: 9,
            bagPlaces: 9,
          },
        ]),
    });
    const [plain, plan] = [solvePlan(without, calm), solvePlan(problem, calm)];
    expect(tasksOf(plan).filter(({ kind }) => kind === 'prepare').length).toBeGreaterThan(5);
    expect(checkPlan(problem, plan)).toEqual([]);
    expect(undonePieces(problem, plan.batches)).toBe(undonePieces(without, plain.batches));
    const work = (of: PlanProblem, own: Plan) =>
      costOf(of, own.batches).terms.find(({ name }) => name === 'mixing and portioning')?.minutes;
    expect(work(problem, plan)).toBe(work(without, plain));
  });
});
