import { ovenTasks } from './oven-tasks.js';
import type { BatchPlan, PlanProblem } from './problem.js';
import type { Preparation } from './preparation.js';

/** So long before the load it goes for the oven is looked at: time enough to turn it up, s. */
const checkedBeforeS = 180;

/**
 * Ovens that are turned on: so long before a load as heating takes, where the oven is cold by then; and a look at what it
 * really has shortly before. What the plan and the facts say of it now: nothing of it is stored with a plan.
 */
export const ovensToHeat = (
  batches: readonly BatchPlan[],
  { ovens, loadGapS }: Pick<PlanProblem, 'ovens' | 'loadGapS'>,
): readonly Preparation[] => {
  const loads = new Map(
    batches.flatMap((batch) => batch.loads.map((load) => [load.id, { batch, load }] as const)),
  );
  return ovenTasks({ ovens, loadGapS, nowS: 0 }, batches).flatMap(({ kind, loadId, startS, endS }) => {
    const found = loads.get(loadId);
    if (kind !== 'oven-on' || !found) return [];
    const { batchId, productCode } = found.batch;
    const { ovenId, setC } = found.load;
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
