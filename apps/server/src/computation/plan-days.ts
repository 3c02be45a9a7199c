import {
  dayProblem,
  leastUndone,
  qualityOf,
  safePlan,
  wallClock,
  type BatchPlan,
  type PlanProblem,
} from '@jokul/core';
import { bringLinear, solveBinary, solveLinear } from './linear.js';
import { outcome, type Outcome } from './outcome.js';
import { waysSeconds, withAhead } from './plan-day.js';
import { triesTold, type DaysBody, type DaysTask } from './plan-tasks.js';

/** One of the days as a problem of its own: its demands and the batches that are for them, the other days' taken. */
const oneOf = (
  problem: PlanProblem,
  own: readonly BatchPlan[],
  all: readonly BatchPlan[],
  isOn: (dueS: number) => boolean,
): PlanProblem => ({
  ...problem,
  products: problem.products.flatMap((product) => {
    const places = product.demands.flatMap(({ readyByS }, i) => (isOn(readyByS) ? [i] : []));
    if (places.length === 0) return [];
    return [
      {
        ...product,
        demands: places.flatMap((i) => product.demands[i] ?? []),
        batches: product.batches
          .filter(({ serves = [0] }) => places.includes(serves[0] ?? 0))
          .map((batch) => ({ ...batch, serves: (batch.serves ?? [0]).map((i) => places.indexOf(i)) })),
      },
    ];
  }),
  fixed: problem.fixed.filter(({ batchId }) => own.some((batch) => batch.batchId === batchId)),
  taken: [...(problem.taken ?? []), ...all.filter((batch) => !own.includes(batch))],
});

/** Bake days in one horizon: the same mixer, tray and pair of hands is promised once, and dough goes where it is due first. */
export const planDays = async (task: DaysTask): Promise<Outcome<DaysBody>> => {
  await bringLinear();
  return outcome(() => {
    const { input, bakes, chance, tries = triesTold } = task;
    const { timeZone } = input.rules;
    const { problem } = dayProblem(withAhead(input, bakes));
    const least = leastUndone(problem, solveLinear);
    const { plan: found } = safePlan(problem, {
      leastUndone: least,
      solveBinary,
      ...(chance !== undefined && { chance }),
      ...(tries !== undefined && { tries }),
    });
    const wanted = chance ?? null;
    const judge = (of: PlanProblem, batches: readonly BatchPlan[], leastOf: number, seconds: number) =>
      qualityOf(of, batches, { leastUndone: leastOf, timeZone, waysSeconds: seconds, wanted });
    const dateOf = (dueS: number) => wallClock(dueS, timeZone).date;
    const dayOf = Object.fromEntries([
      ...problem.products.flatMap(({ batches, demands }) =>
        batches.map(
          ({ id, serves = [0] }) => [id, dateOf(demands[serves[0] ?? 0]?.readyByS ?? input.nowS)] as const,
        ),
      ),
      ...input.fixed.flatMap(({ batchId, loads: [load] }) =>
        load ? [[batchId, dateOf(load.dueS)] as const] : [],
      ),
    ]);
    const dates = [
      ...new Set(problem.products.flatMap(({ demands }) => demands.map(({ readyByS }) => dateOf(readyByS)))),
    ];
    const byDay = dates.map((date) => {
      const batches = found.batches.filter(({ batchId }) => dayOf[batchId] === date);
      const day = oneOf(problem, batches, found.batches, (dueS) => dateOf(dueS) === date);
      return [date, judge(day, batches, leastUndone(day, solveLinear), waysSeconds / dates.length)] as const;
    });
    return {
      plan: found,
      dayOf,
      qualityOf: Object.fromEntries(byDay),
      quality: judge(problem, found.batches, least, 0),
    };
  });
};
