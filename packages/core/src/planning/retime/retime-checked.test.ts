import { describe, expect, it } from '@jest/globals';
import { checkPlan } from '../check/check.js';
import { type Plan } from '../problem/plan.js';
import { betweenLoadsS, type PlanProblem } from '../problem/problem.js';
import { calm, demoProblem, smallProblem } from '../problem/problem.testkit.js';
import { solvePlan } from '../solve/solve.js';
import { retime } from './retime.js';

/* What the retiming makes of a plan goes through the judge of plans, like any other. */

const retimed = (
  problem: PlanProblem,
  plan: Plan,
  longerS: number,
  waits: Readonly<Record<string, number>> = {},
) =>
  retime({
    batches: plan.batches,
    pullOf: (load) => load.pullS + longerS,
    started: new Set(),
    notBeforeS: new Map(Object.entries(waits)),
    ovens: problem.ovens,
    loadGapS: problem.loadGapS,
  });
const ovenFaults = (problem: PlanProblem, plan: Plan) =>
  checkPlan(problem, plan).filter(({ code }) => code === 'oven');

describe('a plan that is timed again', () => {
  const problem = demoProblem();
  const plan = solvePlan(problem, calm);
  it.each([0, 20, 60, 180])('with pulls %d s longer breaks no oven', (longerS) => {
    const { batches } = retimed(problem, plan, longerS);
    expect(ovenFaults(problem, { ...plan, batches })).toEqual([]);
  });
  it('with a dough that is not ready breaks no oven', () => {
    for (const batch of plan.batches) {
      const atS = Math.min(...batch.loads.map(({ startS }) => startS)) + 1800;
      const { batches } = retimed(problem, plan, 0, { [batch.batchId]: atS });
      expect(ovenFaults(problem, { ...plan, batches })).toEqual([]);
    }
  });
});

describe('between two loads of one chamber', () => {
  it('it is emptied and filled, and then comes to the other temperature', () => {
    expect(betweenLoadsS({ degreesPerMin: 2 }, 165, 185, 150)).toBe(150 + 600);
    expect(betweenLoadsS({ degreesPerMin: 2 }, 185, 165, 150)).toBe(150 + 600);
    expect(betweenLoadsS({ degreesPerMin: 8 }, 165, 165, 150)).toBe(150);
    // Most chambers heat sooner than they cool.
    expect(betweenLoadsS({ degreesPerMin: 8, coolsPerMin: 1 }, 165, 185, 150)).toBe(150 + 150);
    expect(betweenLoadsS({ degreesPerMin: 8, coolsPerMin: 1 }, 185, 165, 150)).toBe(150 + 1200);
  });
  it.each([20, -20])('planner, retiming and judge agree on it to the second, %d °C on', (byC) => {
    const problem = smallProblem();
    const plan = solvePlan(problem, calm);
    const [batch] = plan.batches;
    const [load] = batch?.loads ?? [];
    const [oven] = problem.ovens;
    if (!batch || !load || !oven) throw new Error('nothing is planned');
    const other = (gapS: number): Plan => ({
      ...plan,
      batches: [
        batch,
        {
          ...batch,
          batchId: 'TWO-A',
          tasks: [],
          loads: [
            {
              ...load,
              id: 'TWO-A-L1',
              batchId: 'TWO-A',
              setC: load.setC + byC,
              startS: load.startS + load.pullS + gapS,
            },
          ],
        },
      ],
    });
    const one: Plan = { ...plan, batches: [{ ...batch, loads: [load] }] };
    expect(ovenFaults(problem, one)).toEqual([]);
    const needsS = betweenLoadsS(oven, load.setC, load.setC + byC, problem.loadGapS);
    const between = (gapS: number) => {
      const both = other(gapS);
      return ovenFaults(problem, {
        ...both,
        batches: both.batches.map((b) => ({ ...b, loads: b.loads.slice(0, 1) })),
      });
    };
    expect(between(needsS)).toEqual([]);
    expect(between(needsS - 1)).toHaveLength(1);
    const moved = retime({
      batches: other(0).batches.map((b) => ({ ...b, loads: b.loads.slice(0, 1) })),
      pullOf: () => null,
      started: new Set(),
      ovens: problem.ovens,
      loadGapS: problem.loadGapS,
    });
    const second = moved.batches[1]?.loads[0];
    expect((second?.startS ?? 0) - load.startS - load.pullS).toBe(needsS);
  });
});
