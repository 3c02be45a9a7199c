import { describe, expect, it } from '@jest/globals';
import { checkPlan } from '../check/check.js';
import { type BatchPlan, type Task } from '../problem/plan.js';
import { leftInBowl, washedAfterS } from '../problem/problem.js';
import { calm, demoProblem } from '../problem/problem.testkit.js';
import { withCleanings } from './clean-bowls.js';
import { solvePlan } from './solve.js';

const cleaningOf = (batch: BatchPlan): Task | undefined =>
  batch.tasks.find(({ id }) => id === `${batch.batchId}/clean`);
const mixOf = (batch: BatchPlan): Task | undefined => batch.tasks.find(({ kind }) => kind === 'mix');

describe('cleaning a bowl', () => {
  const problem = demoProblem();
  const plan = solvePlan(problem, calm);

  it('takes a hand and the bowl between the two doughs', () => {
    const { bowls } = problem;
    if (!bowls) throw new Error('the demo keeps allergens apart');
    const mixed = plan.batches
      .filter(mixOf)
      .sort((a, b) => (mixOf(a)?.startS ?? 0) - (mixOf(b)?.startS ?? 0));
    let dirty = 0;
    for (const [i, batch] of mixed.entries()) {
      const before = mixed.slice(0, i).findLast(({ mixerId }) => mixerId === batch.mixerId);
      const mix = mixOf(batch);
      const endS = before ? (mixOf(before)?.endS ?? 0) : 0;
      const asked =
        before &&
        mix &&
        mix.startS - endS <= washedAfterS &&
        leftInBowl(bowls, before.productCode, batch.productCode).length > 0;
      const cleaning = cleaningOf(batch);
      if (!asked) {
        expect(cleaning).toBeUndefined();
        continue;
      }
      dirty += 1;
      expect(cleaning?.uses).toEqual([
        { resourceId: 'hands', amount: 1 },
        { resourceId: batch.mixerId, amount: 1 },
      ]);
      expect((cleaning?.endS ?? 0) - (cleaning?.startS ?? 0)).toBe(bowls.cleanS);
      expect(cleaning?.startS).toBeGreaterThanOrEqual(endS);
      expect(cleaning?.endS).toBeLessThanOrEqual(mix.startS);
    }
    expect(dirty).toBeGreaterThan(0);
    expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('of a mixer with a bowl more takes a hand, and waits for no mixing', () => {
    const { bowls } = problem;
    if (!bowls) throw new Error('the demo keeps allergens apart');
    const spare = [...new Set(plan.batches.map(({ mixerId }) => mixerId))];
    const more = { ...problem, bowls: { ...bowls, spare } };
    const cleaned = withCleanings(more, plan.batches);
    const cleanings = cleaned.flatMap((batch) => cleaningOf(batch) ?? []);
    expect(cleanings.length).toBeGreaterThan(0);
    for (const { uses } of cleanings) expect(uses).toEqual([{ resourceId: 'hands', amount: 1 }]);
    expect(checkPlan(more, { ...plan, batches: cleaned })).toEqual([]);
  });

  it('asked again is the same, and stays with what has begun', () => {
    expect(withCleanings(problem, plan.batches)).toEqual(plan.batches);
    const begun = { ...problem, fixed: plan.batches };
    expect(withCleanings(begun, plan.batches)).toEqual(plan.batches);
  });

  it('is left to whoever comes by where nobody has a hand free, and asked of nobody without a rule', () => {
    const nobody = {
      ...problem,
      resources: problem.resources.map((own) => (own.id === 'hands' ? { ...own, when: [] } : own)),
    };
    expect(withCleanings(nobody, plan.batches).some(cleaningOf)).toBe(false);
    const { bowls: _, ...without } = problem;
    expect(solvePlan(without, { tries: 0 }).batches.some(cleaningOf)).toBe(false);
  });
});
