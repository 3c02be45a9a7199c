import { describe, expect, it } from '@jest/globals';
import { howMany } from '../../how-many.testkit.js';
import { checkPlan } from '../check/check.js';
import { exactPlan, tightDay } from './exact.testkit.js';
import { solveBinary, solveLinear } from './linear.testkit.js';
import { undonePieces } from '../problem/served.js';
import { solvePlan } from './solve.js';
import { leastUndone } from '../bound/undone-bound.js';

const count = howMany(200, 60);

describe(`${count} small, tight days beside an exact model`, () => {
  const days = Array.from({ length: count }, (_, i) => {
    const problem = tightDay(i + 1);
    const least = leastUndone(problem, solveLinear);
    const plan = solvePlan(problem, { tries: 120, seconds: 60, leastUndone: least, solveBinary });
    const ordered = problem.products.flatMap(({ demands }) => demands).reduce((n, d) => n + d.pieces, 0);
    return {
      problem,
      plan,
      least,
      undone: undonePieces(problem, plan.batches),
      exact: ordered - exactPlan(problem).pieces,
    };
  });

  it('no plan breaks a rule', () => {
    for (const { problem, plan } of days) expect(checkPlan(problem, plan)).toEqual([]);
  });

  it('the bound is never above a plan of either', () => {
    for (const { least, undone, exact } of days) expect(least).toBeLessThanOrEqual(Math.min(undone, exact));
  });

  it('the days are tight: on many of them not everything finds room', () => {
    expect(days.filter(({ exact }) => exact > 0).length).toBeGreaterThan(0.15 * count);
  });

  it('what the integer program places is placed on every one', () => {
    const missed = days.flatMap(({ undone, exact }, i) => (undone > exact ? [[i + 1, undone, exact]] : []));
    expect(missed).toEqual([]);
  });

  it('and it places what that one, which knows fewer plans, does not', () => {
    expect(days.filter(({ undone, exact }) => undone < exact).length).toBeGreaterThan(0.025 * count);
  });

  it('planned soon, a day on which something stays undone takes the usual tries and no more', () => {
    const [day] = days.filter(({ undone }) => undone > 0);
    if (!day) throw new Error('all is done on each of these days');
    const soon = solvePlan(day.problem, { soon: true, seconds: 60 });
    expect(soon).toEqual(solvePlan(day.problem, { tries: 200, seconds: 60 }));
  });
});
