import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoRules } from '../../demo/index.js';
import { checkPlan } from '../check/check.js';
import { type BatchPlan, type Task } from '../problem/plan.js';
import { resourceIds, type PlanProblem } from '../problem/problem.js';
import { calm, demoProblem, smallProblem } from '../problem/problem.testkit.js';
import { undonePieces } from '../problem/served.js';
import { retime } from '../retime/retime.js';
import { solvePlan } from './solve.js';
import { splitLoad } from './split-load.js';

const atOven = (batches: readonly BatchPlan[]): readonly Task[] =>
  batches
    .flatMap(({ tasks }) => tasks)
    .filter(({ kind }) => kind === 'load' || kind === 'turn' || kind === 'pull')
    .sort((a, b) => a.startS - b.startS || a.endS - b.endS);
const trayS = demoRules.ovenTrayS ?? 0;
const overlaps = (tasks: readonly Task[]): number =>
  tasks.slice(1).filter(({ startS }, i) => startS < (tasks[i]?.endS ?? 0)).length;

/** One person, one oven of three trays, two doughs, each tray a minute at the oven. */
const alone = (change: Partial<PlanProblem> = {}): PlanProblem => {
  const small = smallProblem(change);
  return {
    ...small,
    products: small.products.map((product) => ({ ...product, atOven: { trayS: 60, ownHands: false } })),
  };
};

describe('hands at the ovens', () => {
  const problem = demoProblem();
  const plan = solvePlan(problem, calm);

  it('stand at one oven at a time, for each tray of every load three times', () => {
    const tasks = atOven(plan.batches);
    expect(tasks).toHaveLength(3 * plan.batches.flatMap(({ loads }) => loads).length);
    expect(overlaps(tasks)).toBe(0);
    for (const load of plan.batches.flatMap(({ loads }) => loads)) {
      const [into, , out] = tasks.filter(({ loadId }) => loadId === load.id);
      expect(into?.endS).toBe(load.startS);
      expect(out?.startS).toBe(load.startS + load.pullS);
      expect((out?.endS ?? 0) - (out?.startS ?? 0)).toBe(trayS * load.trays.length);
    }
    expect(undonePieces(problem, plan.batches)).toBe(0);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('are two where two are there', () => {
    const two = demoProblem({ equipment: { ...demoEquipment, ovenHands: 2 } });
    const hands = two.resources.find(({ id }) => id === resourceIds.ovenHands);
    expect(hands?.capacity).toBe(2);
    expect(checkPlan(two, solvePlan(two, { tries: 0 }))).toEqual([]);
  });

  it('are not counted where the house does not', () => {
    const none = demoProblem({ rules: { ...demoRules, ovenTrayS: 0 } });
    expect(none.resources.some(({ id }) => id === resourceIds.ovenHands)).toBe(false);
    expect(atOven(solvePlan(none, { tries: 0 }).batches)).toEqual([]);
  });

  it('are those of the line where nobody is there for the ovens alone', () => {
    const own = alone();
    const found = solvePlan(own, calm);
    const hands = found.batches
      .flatMap(({ tasks }) => tasks)
      .filter(({ uses }) => uses.some(({ resourceId }) => resourceId === resourceIds.hands))
      .sort((a, b) => a.startS - b.startS);
    expect(hands.filter(({ kind }) => kind === 'pull').length).toBeGreaterThan(0);
    expect(overlaps(hands)).toBe(0);
    expect(undonePieces(own, found.batches)).toBe(0);
    expect(checkPlan(own, found)).toEqual([]);
  });

  it('press flat after they have taken out, where one person does both', () => {
    const own = alone();
    const flat = {
      ...own,
      products: own.products.map((product) => ({ ...product, after: { flattenPieceS: 2 } })),
    };
    const found = solvePlan(flat, calm);
    expect(undonePieces(flat, found.batches)).toBe(0);
    expect(checkPlan(flat, found)).toEqual([]);
  });

  it('are missed by the checker where a load has none, or too little, or at another time', () => {
    const [batch] = plan.batches.filter(({ loads }) => loads.length > 0);
    if (!batch) throw new Error('a batch with loads');
    const said = (change: (task: Task) => Task[]) =>
      checkPlan(problem, {
        ...plan,
        batches: plan.batches.map((own) =>
          own === batch ? { ...own, tasks: own.tasks.flatMap(change) } : own,
        ),
      }).map(({ message }) => message);
    const only = (kind: Task['kind'], to: (task: Task) => Task[]) => (task: Task) =>
      task.kind === kind ? to(task) : [task];
    expect(said(only('load', () => []))).toEqual(
      expect.arrayContaining([expect.stringMatching(/is put in by nobody/)]),
    );
    expect(said(only('turn', (task) => [{ ...task, endS: task.startS + 1 }]))).toEqual(
      expect.arrayContaining([expect.stringMatching(/is turned in less time/)]),
    );
    expect(
      said(only('pull', (task) => [{ ...task, startS: task.startS + 600, endS: task.endS + 600 }])),
    ).toEqual(expect.arrayContaining([expect.stringMatching(/is not taken out when it has to be/)]));
  });

  it('are missed by the checker where work takes up nobody', () => {
    for (const kind of ['load', 'mix', 'portion', 'pack'] as const) {
      const [batch] = plan.batches.filter(({ tasks }) => tasks.some((task) => task.kind === kind));
      if (!batch) throw new Error(`a batch with a task ${kind}`);
      const tasks = batch.tasks.map((task) =>
        task.kind === kind
          ? { ...task, uses: task.uses.filter(({ resourceId }) => !resourceId.includes('hands')) }
          : task,
      );
      const found = checkPlan(problem, {
        ...plan,
        batches: plan.batches.map((own) => (own === batch ? { ...own, tasks } : own)),
      });
      expect(found.map(({ message }) => message).join()).toMatch(/is done by nobody/);
    }
  });

  it('go along with a load that is late or bakes longer', () => {
    const [first] = plan.batches.flatMap(({ loads }) => loads);
    if (!first) throw new Error('a load');
    const { batches } = retime({
      batches: plan.batches,
      pullOf: (load) => (load.id === first.id ? load.pullS + 120 : null),
      notBeforeS: new Map([[first.batchId, first.startS + 300]]),
      started: new Set(),
      ovens: problem.ovens,
      loadGapS: problem.loadGapS,
    });
    const load = batches.flatMap(({ loads }) => loads).find(({ id }) => id === first.id);
    const [into, turn, out] = atOven(batches).filter(({ loadId }) => loadId === first.id);
    expect(load?.startS).toBe(first.startS + 300);
    expect(into?.endS).toBe(load?.startS);
    expect(turn?.startS).toBe(first.startS + 300 + Math.round(first.pullS / 2) + 60);
    expect(out?.startS).toBe((load?.startS ?? 0) + (load?.pullS ?? 0));
  });

  it('are shared by tray when a load is split', () => {
    const batch = plan.batches.find(({ loads }) => loads.some(({ trays }) => trays.length >= 3));
    const whole = batch?.loads.find(({ trays }) => trays.length >= 3);
    if (!batch || !whole) throw new Error('a load of three trays');
    const { batch: split, part } = splitLoad(batch, whole.id, 1);
    const lasts = (loadId: string) =>
      atOven([split])
        .filter((task) => task.loadId === loadId)
        .map(({ startS, endS }) => Math.round(endS - startS));
    expect(lasts(part.id)).toEqual([trayS, trayS, trayS]);
    expect(lasts(whole.id)).toEqual(Array<number>(3).fill(trayS * (whole.trays.length - 1)));
  });
});
