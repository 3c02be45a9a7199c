import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { checkPlan } from '../check/check.js';
import { type Plan, type Task } from '../problem/plan.js';
import { resourceIds, type AfterWork, type PlanProblem } from '../problem/problem.js';
import { calm, demoProblem, smallProblem } from '../problem/problem.testkit.js';
import { undonePieces } from '../problem/served.js';
import { moveLoad } from '../retime/move-load.js';
import { replan } from '../retime/replan.js';
import { placeAfterAgain } from './place-after.js';
import { solvePlan } from './solve.js';
import { surenessOf } from './sure.js';

const all: AfterWork = { flattenPieceS: 1, icePieceS: 4, dryS: 1800, packPieceS: 3 };

const finishing = (after: AfterWork, change: Partial<PlanProblem> = {}): PlanProblem => {
  const problem = smallProblem(change);
  return { ...problem, products: problem.products.map((product) => ({ ...product, after })) };
};
const withHands = (when: readonly { fromS: number; toS: number; capacity: number }[]) => ({
  resources: smallProblem().resources.map((own) => (own.id === resourceIds.hands ? { ...own, when } : own)),
});
const tasksOf = ({ batches }: Plan, kind: Task['kind']) =>
  batches.flatMap(({ tasks }) => tasks).filter((task) => task.kind === kind);
const loadsOf = ({ batches }: Plan) => batches.flatMap(({ loads }) => loads);
const piecesIn = (plan: Plan, loadId: string | undefined) =>
  loadsOf(plan)
    .filter(({ id }) => id === loadId)
    .flatMap(({ trays }) => trays)
    .reduce((sum, { pieces }) => sum + pieces, 0);
const counted = (problem: PlanProblem, plan: Plan) => {
  expect(checkPlan(problem, plan)).toEqual([]);
  return plan;
};
const changed = (plan: Plan, kind: Task['kind'], change: (task: Task) => Task | null): Plan => ({
  ...plan,
  batches: plan.batches.map((batch) => ({
    ...batch,
    tasks: batch.tasks.flatMap((task) => (task.kind === kind ? (change(task) ?? []) : [task])),
  })),
});

describe('after the oven', () => {
  it('each load is pressed, iced when cold, dried and packed, by a pair of hands, before its ready-by', () => {
    const problem = finishing(all);
    const plan = counted(problem, solvePlan(problem, calm));
    expect(undonePieces(problem, plan.batches)).toBe(0);
    const [product] = problem.products;
    for (const load of loadsOf(plan)) {
      const own = (kind: Task['kind']) => tasksOf(plan, kind).find((task) => task.loadId === load.id) as Task;
      const pieces = piecesIn(plan, load.id);
      const pulledS = load.startS + load.pullS;
      const lasts = ({ startS, endS }: Task) => endS - startS;
      expect(own('flatten').startS).toBe(pulledS);
      expect(lasts(own('flatten'))).toBe(pieces);
      expect(own('ice').startS).toBeGreaterThanOrEqual(pulledS + 300 + 1800);
      expect(lasts(own('ice'))).toBe(4 * pieces);
      expect(own('dry').startS).toBe(own('ice').endS);
      expect(lasts(own('dry'))).toBe(1800);
      expect(own('pack').startS).toBeGreaterThanOrEqual(own('dry').endS);
      expect(lasts(own('pack'))).toBe(3 * pieces);
      expect(load.readyS).toBeGreaterThanOrEqual(own('pack').endS);
      expect(load.readyS).toBeGreaterThanOrEqual(own('dry').endS + (product?.packS ?? 0));
      expect(load.readyS).toBeLessThanOrEqual(load.dueS);
      for (const kind of ['flatten', 'ice', 'pack'] as const)
        expect(own(kind).uses).toContainEqual({ resourceId: resourceIds.hands, amount: 1 });
    }
  });

  it('pieces keep their rack until they are packed, also while they wait for a hand', () => {
    // Nobody is there for an hour around the time at which they are cold.
    const alone = solvePlan(finishing({ packPieceS: 3 }), calm);
    const coldS = Math.min(...tasksOf(alone, 'rack').map(({ endS }) => endS));
    const problem = finishing(
      { packPieceS: 3 },
      withHands([
        { fromS: 0, toS: coldS - 600, capacity: 1 },
        { fromS: coldS + 3000, toS: 40_000, capacity: 1 },
      ]),
    );
    const plan = counted(problem, solvePlan(problem, calm));
    for (const load of loadsOf(plan)) {
      const onRack = plan.batches
        .flatMap(({ tasks }) => tasks)
        .filter(
          ({ loadId, uses }) =>
            loadId === load.id && uses.some(({ resourceId }) => resourceId === resourceIds.racks),
        )
        .sort((a, b) => a.startS - b.startS);
      for (const [i, task] of onRack.entries())
        expect(task.startS).toBe(i === 0 ? load.startS + load.pullS + 300 : onRack[i - 1]?.endS);
      expect(onRack.at(-1)?.kind).toBe('pack');
    }
  });

  it('where nobody is there late in the day, it is baked early enough to be packed by then', () => {
    const problem = finishing({ packPieceS: 3 }, withHands([{ fromS: 0, toS: 20_000, capacity: 1 }]));
    const plan = counted(problem, solvePlan(problem, calm));
    expect(undonePieces(problem, plan.batches)).toBe(0);
    for (const { endS } of tasksOf(plan, 'pack')) expect(endS).toBeLessThanOrEqual(20_000);
    const nobody = finishing({ packPieceS: 3 }, withHands([{ fromS: 0, toS: 4700, capacity: 1 }]));
    const left = solvePlan(nobody, calm);
    expect(undonePieces(nobody, left.batches)).toBe(40);
    expect(left.unplaced[0]?.reason).toMatch(/Hands is the limit/);
  });

  it('takes nobody where nothing is asked for', () => {
    for (const after of [undefined, {}, { packPieceS: 0, icePieceS: 0 }] as const) {
      const problem = after ? finishing(after) : smallProblem();
      const plan = counted(problem, solvePlan(problem, calm));
      for (const kind of ['flatten', 'ice', 'dry', 'pack'] as const) expect(tasksOf(plan, kind)).toEqual([]);
      expect(loadsOf(plan)).toEqual(loadsOf(solvePlan(smallProblem(), calm)));
    }
  });

  it.each<[string, Task['kind'], (task: Task) => Task | null, RegExp]>([
    [
      'pressed late',
      'flatten',
      (t) => ({ ...t, startS: t.startS + 60, endS: t.endS + 60 }),
      /pressed flat at its pull/,
    ],
    [
      'iced warm',
      'ice',
      (t) => ({ ...t, startS: t.startS - 1200, endS: t.endS - 1200 }),
      /iced before it is cold/,
    ],
    ['iced by nobody', 'ice', () => null, /nowhere iced/],
    [
      'packed wet',
      'pack',
      (t) => ({ ...t, startS: t.startS - 900, endS: t.endS - 900 }),
      /packed before it is dry/,
    ],
    ['packed in no time', 'pack', (t) => ({ ...t, endS: t.startS + 5 }), /packed in less time/],
    [
      'packed after it is ready',
      'pack',
      (t) => ({ ...t, startS: t.startS + 9000, endS: t.endS + 9000 }),
      /ready before it is packed/,
    ],
  ])('the checker finds what is %s', (_, kind, change, message) => {
    const problem = finishing(all);
    const found = checkPlan(problem, changed(solvePlan(problem, calm), kind, change));
    expect(found.map((own) => own.message).join(' ')).toMatch(message);
  });

  it('what has begun is judged by no rule that came later', () => {
    const plan = solvePlan(smallProblem(), calm);
    const problem = finishing(all, { fixed: plan.batches });
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('any finishing on any small day breaks no rule and leaves no more undone than is said', () => {
    fc.assert(
      fc.property(
        fc.record({
          flattenPieceS: fc.integer({ min: 0, max: 3 }),
          icePieceS: fc.integer({ min: 0, max: 20 }),
          dryS: fc.integer({ min: 0, max: 7200 }),
          packPieceS: fc.integer({ min: 0, max: 20 }),
        }),
        fc.integer({ min: 8000, max: 40_000 }),
        (after, until) => {
          const problem = finishing(after, withHands([{ fromS: 0, toS: until, capacity: 1 }]));
          const plan = solvePlan(problem, { tries: 20 });
          expect(checkPlan(problem, plan)).toEqual([]);
          const said = plan.unplaced.reduce((sum, { pieces }) => sum + pieces, 0);
          expect(undonePieces(problem, plan.batches)).toBeLessThanOrEqual(said);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the demo', () => {
  const problem = demoProblem();
  const plan = solvePlan(problem, { tries: 60 });

  it('packs every load and glazes the coolers', () => {
    expect(checkPlan(problem, plan)).toEqual([]);
    expect(undonePieces(problem, plan.batches)).toBe(0);
    expect(tasksOf(plan, 'pack')).toHaveLength(loadsOf(plan).length);
    const iced = new Set(tasksOf(plan, 'ice').map(({ batchId }) => batchId.slice(0, 3)));
    expect([...iced]).toEqual(['CLM']);
    // Icing and drying count where it is said how sure a ready-by is.
    const coolers = (of: PlanProblem) =>
      surenessOf(of, plan.batches, 100).filter(({ productCode }) => productCode === 'CLM');
    const slowly = problem.products.map((product) => ({
      ...product,
      ...(product.after?.icePieceS && { after: { ...product.after, dryS: 4 * 3600 } }),
    }));
    for (const { probability } of coolers({ ...problem, products: slowly })) expect(probability).toBe(0);
    expect(Math.max(...coolers(problem).map(({ probability }) => probability))).toBeGreaterThan(0.2);
  });

  it('a load that goes in later finds other hands for its packing', () => {
    const load = loadsOf(plan).find(({ readyS, dueS }) => dueS - readyS > 2400);
    if (!load) throw new Error('some load has room');
    const moved = moveLoad({
      problem,
      batches: plan.batches,
      started: new Set(),
      loadId: load.id,
      bake: load,
      startS: load.startS + 1200,
    });
    const clash = moved.faults.filter(({ where }) => where === resourceIds.hands);
    expect(clash).toEqual([]);
    const now = moved.batches.flatMap(({ tasks }) => tasks);
    const pack = now.find(({ loadId, kind }) => loadId === load.id && kind === 'pack');
    expect(pack?.startS).toBeGreaterThanOrEqual(load.startS + 1200 + load.pullS);
    const ready = moved.batches.flatMap(({ loads }) => loads).find(({ id }) => id === load.id)?.readyS;
    expect(pack?.endS).toBeLessThanOrEqual(ready ?? Number.NaN);
  });

  it('planned anew without an oven it is packed by hands that are free', () => {
    const ovenId = loadsOf(plan)[3]?.ovenId ?? '';
    const ovens = problem.ovens.filter(({ id }) => id !== ovenId);
    const homeless = new Set(
      loadsOf(plan)
        .filter((load) => load.ovenId === ovenId)
        .map(({ id }) => id),
    );
    const found = replan({
      problem: { ...problem, ovens },
      planned: plan.batches,
      expected: plan.batches,
      begun: new Set(),
      started: new Set(),
      homeless,
      restOf: ({ productCode }) => problem.products.find(({ code }) => code === productCode)?.rest as never,
      effort: { tries: 10 },
    });
    const batches = found?.batches ?? [];
    const loads = batches.flatMap((batch) => batch.loads);
    const packed = batches.flatMap(({ tasks }) => tasks).filter(({ kind }) => kind === 'pack');
    expect(new Set(packed.map(({ loadId }) => loadId))).toEqual(new Set(loads.map(({ id }) => id)));
    expect(packed).toHaveLength(loads.length);
    const faults = checkPlan({ ...problem, ovens }, { batches, unplaced: [], boundS: 0 });
    expect(faults.filter(({ code }) => code !== 'late')).toEqual([]);
  });

  it('nothing is placed again where nothing moved', () => {
    expect(placeAfterAgain(problem, plan.batches, new Set())).toEqual(plan.batches);
  });
});
