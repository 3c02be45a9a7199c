import type { BatchPlan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { plainChoices } from './choices.js';
import { Floor } from './floor-plan.js';
import { placeBatch, withinReach } from './place-batch.js';
import { earliestBakeS } from './reach.js';
import type { BatchShareOfDay } from './shares.js';

/** One way to place a share, as a column of the program. */
export interface Placement {
  readonly name: string;
  readonly share: BatchShareOfDay;
  readonly batch: BatchPlan;
}

/** Starts are tried at steps of this, s, and no more than so many of them, in each oven. */
const stepS = 600;
const mostSteps = 60;

/** Placements of a share that go into the program, and pieces of time that it may have rows for. */
const mostOfShare = 140;

const keyOf = ({ loads, tasks }: BatchPlan): string =>
  JSON.stringify([
    loads.map(({ ovenId, startS }) => [ovenId, startS]),
    tasks.filter(({ loadId }) => loadId === undefined).map(({ startS, endS }) => [startS, endS]),
  ]);

/** Ways to place a share on a floor that holds only what stays: in each oven, from as late as can be to as early. */
export const placementsOf = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  known: BatchPlan | null,
  untilMs: number,
): readonly BatchPlan[] => {
  const found = new Map<string, BatchPlan>();
  const reach = withinReach(problem, share);
  if (!reach) return known ? [known] : [];
  const put = (batch: BatchPlan) => found.set(keyOf(batch), batch);
  const steps = Math.min(
    mostSteps,
    Math.max(1, Math.ceil((reach.dueS - earliestBakeS(problem, reach)) / stepS)),
  );
  const together = share.trays.length > 1 ? [[true], [false]] : [[true]];
  for (const { ovenId } of share.product.bakes)
    for (const way of together)
      for (const rest of [0, null])
        for (let step = 0; step < steps && found.size < mostOfShare; step++) {
          if (Date.now() > untilMs) break;
          const placed = placeBatch(floor, problem, reach, {
            ...plainChoices,
            together: way,
            aheadS: step * stepS,
            rest,
            coarse: true,
            worth: (id) => (id === ovenId ? 1e9 : 0),
          });
          if (!('reason' in placed)) put(placed);
        }
  if (known) put(known);
  return [...found.values()];
};
