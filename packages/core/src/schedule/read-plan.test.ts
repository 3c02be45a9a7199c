import { describe, expect, it } from '@jest/globals';
import type { BatchPlan, OvenBake } from './problem.js';
import { at, demoProblem } from './problem.testkit.js';
import { readPlan, type ReadPlanQuestion } from './read-plan.js';
import { shiftTasks } from './retime.js';
import { solvePlan } from './solve.js';

const problem = demoProblem();
const { batches } = solvePlan(problem, { tries: 0 });
const bakes = new Map(problem.products.map((product) => [product.code, product.bakes]));
const bakesOf = ({ productCode }: BatchPlan): readonly OvenBake[] => bakes.get(productCode) ?? [];
const ask = (given: readonly BatchPlan[], change: Partial<ReadPlanQuestion> = {}) =>
  readPlan({ problem, batches, begun: new Set(), started: new Set(), bakesOf, given, ...change });

/** The last load of the day goes in so much later, or earlier. */
const lastLoad = batches.flatMap(({ loads }) => loads).reduce((a, b) => (b.startS > a.startS ? b : a));
const moved = (byS: number, ovenId = lastLoad.ovenId): readonly BatchPlan[] =>
  batches.map((batch) => {
    if (batch.batchId !== lastLoad.batchId) return batch;
    const loads = batch.loads.map((load) =>
      load.id === lastLoad.id
        ? { ...load, ovenId, startS: load.startS + byS, readyS: load.readyS + byS }
        : load,
    );
    return { ...batch, loads, tasks: shiftTasks(batch, loads) };
  });

describe('a plan that comes as a file', () => {
  it('that is the one there is changes nothing and breaks nothing', () => {
    expect(ask(JSON.parse(JSON.stringify(batches)) as readonly BatchPlan[])).toEqual({
      batches,
      changes: [],
      faults: [],
      excusable: true,
    });
  });

  it('says which load moves, whatever the order of its batches', () => {
    const { changes } = ask([...moved(-120)].reverse());
    expect(changes.map(({ loadId, to }) => [loadId, to?.startS])).toEqual([
      [lastLoad.id, lastLoad.startS - 120],
    ]);
  });

  it('is judged by every rule of the floor', () => {
    const night = ask(moved(14 * 3600));
    expect(night.faults.map(({ code }) => code)).toContain('hours');
    const other = batches
      .flatMap(({ loads }) => loads)
      .find(({ ovenId, id }) => ovenId === lastLoad.ovenId && id !== lastLoad.id);
    if (!other) throw new Error('two loads in one oven');
    const atOnce = ask(moved(other.startS - lastLoad.startS));
    expect(atOnce.faults.map(({ code }) => code)).toContain('oven');
    expect(atOnce.excusable).toBe(false);
    // Work of a batch that nobody began cannot be in the past.
    const nowS = at('04:10');
    const early = batches.map((batch) => ({
      ...batch,
      tasks: batch.tasks.map((task) =>
        task.kind === 'mix' && task.startS > nowS
          ? { ...task, startS: nowS - 600, endS: nowS - 600 + task.endS - task.startS }
          : task,
      ),
    }));
    const late = ask(early, { problem: { ...problem, nowS } });
    expect(late.faults.map(({ code }) => code)).toContain('past');
    // What is late already is nothing that the file breaks.
    expect(ask(batches, { problem: { ...problem, nowS } }).faults).toEqual([]);
    const missing = ask(
      batches.map((batch) => ({ ...batch, tasks: batch.tasks.filter(({ kind }) => kind !== 'mix') })),
    );
    expect(missing.excusable).toBe(false);
  });

  it('keeps what was done as it was done', () => {
    const begun = new Set(batches.map(({ batchId }) => batchId));
    const given = batches.map((batch) => ({
      ...batch,
      tasks: batch.tasks.filter(({ kind }) => kind !== 'mix' && kind !== 'portion'),
    }));
    const { batches: after } = ask(given, { begun });
    const kinds = (own: readonly BatchPlan[]) =>
      own.flatMap(({ tasks }) => tasks.map(({ id }) => id)).toSorted((a, b) => a.localeCompare(b));
    expect(kinds(after)).toEqual(kinds(batches));
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
