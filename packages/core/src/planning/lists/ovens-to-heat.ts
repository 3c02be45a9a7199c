import type { BatchPlan } from '../problem/plan.js';
import type { Preparation } from '../problem/preparation.js';
import type { PlanProblem } from '../problem/problem.js';
import { ovenTasks } from './oven-tasks.js';

/** So long before the load it goes for the oven is looked at: time enough to turn it up, s. */
const checkedBeforeS = 180;

/** A chamber that stands empty for less than this stays on, whatever that costs, s. */
const staysOnS = 3600;

/**
 * Ovens that are turned on: so long before a load as heating takes, where the chamber is cold by then (its first load, and
 * the next one after an hour without any); and a look at what it really has shortly before. What the plan and the facts say
 * of it now: nothing of it is stored with a plan.
 */
export const ovensToHeat = (
  batches: readonly BatchPlan[],
  { ovens, loadGapS }: Pick<PlanProblem, 'ovens' | 'loadGapS'>,
): readonly Preparation[] => {
  const loads = batches.flatMap((batch) => batch.loads.map((load) => ({ batch, load })));
  return ovenTasks({ ovens, loadGapS, nowS: 0 }, batches).flatMap(({ kind, loadId, startS, endS }) => {
    const found = loads.find(({ load }) => load.id === loadId);
    if (kind !== 'oven-on' || !found) return [];
    const { batchId, productCode } = found.batch;
    const { ovenId, setC } = found.load;
    const justBefore = loads.some(
      ({ load }) =>
        load.ovenId === ovenId && load.startS < endS && load.startS + load.pullS > endS - staysOnS,
    );
    if (justBefore) return [];
    const of = { batchId, productCode, massG: 0, earlyS: 0, oven: { ovenId, setC, loadId } };
    return [
      { ...of, id: `${loadId}/oven-on`, kind: 'oven-on' as const, startS },
      {
        ...of,
        id: `${loadId}/oven-check`,
        kind: 'oven-check' as const,
        startS: Math.max(startS, endS - checkedBeforeS),
      },
    ];
  });
};
