import { describe, expect, it } from '@jest/globals';
import type { BatchPlan, Task } from '../problem/plan.js';
import type { OvenBake } from '../problem/problem.js';
import { at, demoProblem } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { readPlan, type ReadPlanQuestion } from './read-plan.js';

const problem = demoProblem();
const { batches } = solvePlan(problem, { tries: 0 });
const bakes = new Map(problem.products.map((product) => [product.code, product.bakes]));
const bakesOf = ({ productCode }: BatchPlan): readonly OvenBake[] => bakes.get(productCode) ?? [];
const isMix = ({ kind }: Task) => kind === 'mix';
const ask = (given: readonly BatchPlan[], change: Partial<ReadPlanQuestion> = {}) =>
  readPlan({ problem, batches, begun: new Set(), started: new Set(), bakesOf, given, ...change });

/** The last load of the day goes in so much later, or earlier. */
const lastLoad = batches.flatMap(({ loads }) => loads).reduce((a, b) => (b.startS > a.startS ? b : a));
const moved = (byS: number, ovenId = lastLoad.ovenId): readonly BatchPlan[] =>
  batches.map((batch) => ({
    ...batch,
    loads: batch.loads.map((load) =>
      load.id === lastLoad.id ? { ...load, ovenId, startS: load.startS + byS } : load,
    ),
  }));
const codes = ({ faults }: ReturnType<typeof ask>) => faults.map(({ code }) => code);
const withTasks = (to: (task: Task) => Task): readonly BatchPlan[] =>
  batches.map((batch) => ({ ...batch, tasks: batch.tasks.map(to) }));

describe('a plan that comes as a file', () => {
  it('that is the one there is changes nothing and breaks nothing', () => {
    expect(ask(JSON.parse(JSON.stringify(batches)) as readonly BatchPlan[])).toEqual({
      batches,
      changes: [],
      faults: [],
      excusable: true,
    });
  });

  it('says which load moves, whatever the order of its batches, and takes its tasks along', () => {
    const { changes, batches: after, faults } = ask([...moved(-120)].reverse());
    expect(changes.map(({ loadId, to }) => [loadId, to?.startS])).toEqual([
      [lastLoad.id, lastLoad.startS - 120],
    ]);
    const bake = after.flatMap(({ tasks }) => tasks).find(({ id }) => id === `${lastLoad.id}/bake`);
    expect(bake?.startS).toBe(lastLoad.startS - 120);
    expect(faults.filter(({ code }) => code === 'precedence')).toEqual([]);
  });

  it('cannot promise hands, trays or mixers away by leaving them out, nor shorten what they do', () => {
    const nothing = withTasks((task) => ({ ...task, uses: [] }));
    expect(ask(nothing).batches).toEqual(batches);
    const [first] = batches.filter(({ stock }) => !stock).map((batch) => batch.tasks.find(isMix));
    if (!first) throw new Error('a dough is mixed');
    // All doughs at the moment of one: their mixers and hands are not there so often, whatever the file says.
    const atOnce = withTasks((task) =>
      isMix(task) ? { ...task, startS: first.startS, endS: first.startS + 1, uses: [] } : task,
    );
    expect(codes(ask(atOnce))).toContain('capacity');
    // Said to be ready at once, it is ready when it is packed.
    const early = batches.map((batch) => ({
      ...batch,
      loads: batch.loads.map((load) => ({ ...load, readyS: load.startS, dueS: 0 })),
    }));
    expect(ask(early).batches).toEqual(batches);
  });

  it('is judged by every rule of the floor', () => {
    expect(codes(ask(moved(14 * 3600)))).toContain('hours');
    const other = batches
      .flatMap(({ loads }) => loads)
      .find(({ ovenId, id }) => ovenId === lastLoad.ovenId && id !== lastLoad.id);
    if (!other) throw new Error('two loads in one oven');
    const atOnce = ask(moved(other.startS - lastLoad.startS));
    expect(codes(atOnce)).toContain('oven');
    expect(atOnce.excusable).toBe(false);
    // Work of a batch that nobody began cannot be in the past.
    const nowS = at('04:10');
    const begun = new Set(
      batches
        .filter(({ stock, tasks }) => stock || tasks.some((task) => isMix(task) && task.startS < nowS))
        .map(({ batchId }) => batchId),
    );
    const early = withTasks((task) =>
      isMix(task) && task.startS > nowS ? { ...task, startS: nowS - 600 } : task,
    );
    const now = { problem: { ...problem, nowS }, begun };
    expect(codes(ask(early, now))).toContain('past');
    // What is late already is nothing that the file breaks.
    expect(ask(batches, now).faults).toEqual([]);
  });

  it('mixes at another time what nobody began, with what is made ready for it, and cleans the bowl anew', () => {
    const fresh = batches.filter(({ stock }) => !stock).at(-1);
    if (!fresh) throw new Error('a dough is mixed');
    const given = batches.map((batch) =>
      batch === fresh
        ? {
            ...batch,
            tasks: batch.tasks.map((task) =>
              isMix(task) || task.kind === 'portion' ? { ...task, startS: task.startS - 60 } : task,
            ),
          }
        : batch,
    );
    const after = ask(given).batches.find(({ batchId }) => batchId === fresh.batchId);
    const mix = after?.tasks.find(isMix);
    const before = fresh.tasks.find(isMix);
    expect([mix?.startS, mix?.endS, mix?.uses]).toEqual([
      (before?.startS ?? 0) - 60,
      (before?.endS ?? 0) - 60,
      before?.uses,
    ]);
  });

  it('leaves what exists as it was made', () => {
    const begun = new Set(batches.map(({ batchId }) => batchId));
    const given = withTasks((task) => (isMix(task) ? { ...task, startS: task.startS - 60 } : task));
    expect(() => ask(given, { begun })).toThrow(expect.objectContaining({ code: 'has-begun' }));
  });

  it.each<[string, () => readonly BatchPlan[], string]>([
    [
      'a batch of another day',
      () => [...batches, { ...(batches[0] as BatchPlan), batchId: 'X' }],
      'unknown-batch',
    ],
    ['a batch twice', () => [...batches, { ...(batches[0] as BatchPlan) }], 'same-batch'],
    ['not all batches', () => batches.slice(1), 'missing-batch'],
    ['more pieces', () => batches.map((batch) => ({ ...batch, pieces: batch.pieces + 1 })), 'other-batch'],
    ['another mixer', () => batches.map((batch) => ({ ...batch, mixerId: 'bucket' })), 'other-batch'],
    [
      'a load fewer',
      () => batches.map((batch) => ({ ...batch, loads: batch.loads.slice(1) })),
      'other-loads',
    ],
    [
      'a load twice',
      () =>
        batches.map((batch) => ({ ...batch, loads: [...batch.loads.slice(1), ...batch.loads.slice(-1)] })),
      'other-loads',
    ],
    ['an oven that is not there', () => moved(0, 'cellar'), 'unknown-oven'],
    [
      'a bake that no oven gives',
      () =>
        batches.map((batch) => ({ ...batch, loads: batch.loads.map((load) => ({ ...load, pullS: 60 })) })),
      'no-bake',
    ],
  ])('%s is refused', (_, given, code) => {
    expect(() => ask(given())).toThrow(expect.objectContaining({ code }));
  });

  it('does not move what is in its oven', () => {
    expect(() => ask(moved(60), { started: new Set([lastLoad.id]) })).toThrow(
      expect.objectContaining({ code: 'has-begun' }),
    );
  });
});
