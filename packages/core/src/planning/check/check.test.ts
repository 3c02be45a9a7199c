import { describe, expect, it } from '@jest/globals';
import type { BatchPlan, Load, Task } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { calm, smallProblem, withBatch } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { checkPlan } from './check.js';

/* Each rule of the floor, broken on purpose: the checker must find it. */
const problem = smallProblem();
const good = solvePlan(problem, calm).batches[0] as BatchPlan;

const codes = (change: Partial<BatchPlan>, on: PlanProblem = problem) => [
  ...new Set(checkPlan(on, withBatch(good, change)).map((v) => v.code)),
];
const tasks = (change: (task: Task) => Task) => good.tasks.map(change);
const loads = (change: (load: Load, i: number) => Load) => good.loads.map(change);
const only = (kind: string, change: Partial<Task>) =>
  tasks((t) => (t.kind === kind ? { ...t, ...change } : t));

describe('the checker', () => {
  it('passes the good plan', () => expect(codes({})).toEqual([]));

  it('finds a mixer used twice at once', () => {
    const second = { ...good, batchId: 'ONE-B', tasks: good.tasks.map((t) => ({ ...t, batchId: 'ONE-B' })) };
    const found = checkPlan(problem, { batches: [good, second], unplaced: [], boundS: 0 });
    expect(found.map((v) => v.where)).toEqual(expect.arrayContaining(['mixer', 'hands']));
  });
  it('finds work outside the shifts', () => {
    const resources = problem.resources.map((r) =>
      r.id === 'hands' ? { ...r, when: [{ fromS: 0, toS: 100, capacity: 1 }] } : r,
    );
    expect(codes({}, { ...problem, resources })).toContain('capacity');
  });
  it('finds a shift that ends in mid-work', () => {
    const mix = good.tasks.find((t) => t.kind === 'mix');
    const resources = problem.resources.map((r) =>
      r.id === 'hands' ? { ...r, when: [{ fromS: 0, toS: (mix?.endS ?? 0) - 60, capacity: 1 }] } : r,
    );
    expect(codes({}, { ...problem, resources })).toContain('capacity');
  });
  it('finds too few trays', () => {
    const resources = problem.resources.map((r) => (r.id === 'trays' ? { ...r, capacity: 1 } : r));
    expect(codes({}, { ...problem, resources })).toEqual(['capacity']);
  });
  it('finds a resource that does not exist', () => {
    expect(codes({ tasks: only('mix', { uses: [{ resourceId: 'nowhere', amount: 1 }] }) })).toContain(
      'capacity',
    );
  });
  it('finds a batch without its mixing', () => {
    expect(codes({ tasks: good.tasks.filter((t) => t.kind !== 'mix') })).toContain('precedence');
  });
  it('finds portioning before mixing', () => {
    const portion = good.tasks.find((t) => t.kind === 'portion');
    expect(
      codes({ tasks: only('mix', { startS: portion?.startS ?? 0, endS: (portion?.startS ?? 0) + 1200 }) }),
    ).toContain('precedence');
  });
  it('finds baking before portioning', () => {
    const last = Math.max(...good.loads.map((l) => l.startS));
    expect(codes({ tasks: only('portion', { startS: last, endS: last + 60 }) })).toContain('precedence');
  });
  it('finds a rest too short and a rest too long', () => {
    const first = Math.min(...good.loads.map((l) => l.startS));
    expect(codes({ tasks: only('portion', { startS: first - 900, endS: first - 600 }) })).toContain(
      'rest-window',
    );
    expect(codes({ tasks: only('portion', { startS: first - 9900, endS: first - 9500 }) })).toContain(
      'rest-window',
    );
  });
  it('finds loads that follow too closely', () => {
    const [a, b] = [...good.loads].sort((x, y) => x.startS - y.startS) as [Load, Load];
    const close = loads((l) => (l.id === b.id ? { ...l, startS: a.startS + a.pullS + 60 } : l));
    expect(
      checkPlan(problem, withBatch(good, { loads: close }))
        .map((v) => v.message)
        .join(),
    ).toMatch(/follows .* after 1 min/);
  });
  it('finds an oven that has no time to change its temperature', () => {
    const [a, b] = [...good.loads].sort((x, y) => x.startS - y.startS) as [Load, Load];
    const hotter = loads((l) => (l.id === b.id ? { ...l, setC: 230, startS: a.startS + a.pullS + 200 } : l));
    expect(codes({ loads: hotter })).toContain('oven');
  });
  it('finds more trays than places', () => {
    const crowded = loads((l, i) => (i === 0 ? { ...l, trays: [...l.trays, ...l.trays] } : l));
    expect(codes({ loads: crowded })).toEqual(expect.arrayContaining(['oven', 'pieces']));
  });
  it('finds more pieces on a tray than fit', () => {
    const stuffed = loads((l) => ({ ...l, trays: l.trays.map((t) => ({ ...t, pieces: t.pieces + 4 })) }));
    expect(codes({ loads: stuffed })).toContain('pieces');
  });
  it('finds a load outside the hours of the ovens', () => {
    expect(codes({}, { ...problem, ovenHours: [{ fromS: 0, toS: 1000, capacity: 1 }] })).toContain('hours');
  });
  it('finds what is ready too late', () => {
    const later = problem.products.map((p) => ({
      ...p,
      demands: [{ name: 'Kiosk', readyByS: 20_000, pieces: 40 }],
    }));
    const [found] = checkPlan({ ...problem, products: later }, withBatch(good, {}));
    expect(found).toMatchObject({
      code: 'late',
      message: 'One for Kiosk: 40 pieces are due, 0 would be ready.',
    });
  });
  it('finds a load that counts as ready before it is cold', () => {
    expect(codes({ loads: loads((l) => ({ ...l, readyS: l.startS })) })).toContain('precedence');
  });
  it('finds a bake task that does not match its load', () => {
    expect(codes({ tasks: only('bake', { endS: 1 }) })).toContain('precedence');
  });
  it('finds a beginning before now, unless it has begun', () => {
    const late = { ...problem, nowS: 25_000 };
    expect(codes({}, late)).toContain('past');
    expect(codes({}, { ...late, fixed: [good] })).not.toContain('past');
  });
  it('does not count twice what the plan openly leaves undone', () => {
    const undone = {
      batches: [],
      unplaced: [{ batchId: 'ONE-A', productCode: 'ONE', pieces: 44, reason: 'x' }],
      boundS: 0,
    };
    expect(checkPlan(problem, undone)).toEqual([]);
    expect(checkPlan(problem, { ...undone, unplaced: [] }).map((v) => v.code)).toEqual(['late']);
  });
});
