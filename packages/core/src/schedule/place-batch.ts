import { sayDuration } from '../shown/index.js';
import type { Floor } from './floor-plan.js';
import type { BatchPlan, Load, PlanProblem, Resource, Task } from './problem.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';
import { portionS, tasksOf } from './tasks.js';

/** Portioned pieces of a tub wait in the cold no longer than this for their load, s. A default. */
export const waitMaxS = 3 * 3600;
const stepS = 300;

interface Refusal {
  readonly reason: string;
}

/** Seconds from the pull until cold and packed. */
const afterPullS = (share: BatchShareOfDay) =>
  share.product.trayRestS + share.product.coolS + share.product.packS;

/** How far apart the loads of a batch may start so that one rest window holds for all. */
const longestSpanS = ({ product }: BatchShareOfDay) =>
  product.rest.form === 'tub' ? waitMaxS : product.rest.maxS - product.rest.minS;

/** Earliest start of a bake if the batch were begun now. */
const earliestBakeS = (problem: PlanProblem, share: BatchShareOfDay): number =>
  problem.nowS + share.product.mixS + portionS(share.product, share.batch) + share.product.rest.minS;

/** Places the loads, earliest due first, each as late as it can go; trays of one load share their oven. */
const placeLoads = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  together: boolean,
): Load[] | Refusal => {
  const { product, batch } = share;
  const loads: Load[] = [];
  const fromS = earliestBakeS(problem, share);
  let rest: readonly TrayShare[] = share.trays;
  const span = longestSpanS(share);
  while (rest.length > 0) {
    const [next] = rest as [TrayShare];
    const dueS = together ? share.dueS : next.dueS;
    const first = Math.min(...loads.map((l) => l.startS));
    let best: Load | null = null;
    let bestScore = Number.NEGATIVE_INFINITY;
    for (const bake of product.bakes) {
      const oven = problem.ovens.find((o) => o.id === bake.ovenId);
      if (!oven) continue;
      // A load serves one ready-by; later trays join where they may bake that early.
      const count = together
        ? Math.min(oven.places, rest.length)
        : Math.min(oven.places, rest.filter((t) => t.dueS <= dueS + 3600).length);
      const endByS = Math.min(dueS - afterPullS(share), first + span + bake.pullS);
      const startS = floor.latestStart(oven, bake, endByS, fromS);
      if (startS === null) continue;
      const score = startS + count * 420;
      if (score > bestScore) {
        bestScore = score;
        const id = `${batch.id}-L${loads.length + 1}`;
        best = {
          id,
          batchId: batch.id,
          ovenId: oven.id,
          setC: bake.setC,
          pullS: bake.pullS,
          startS,
          readyS: startS + bake.pullS + afterPullS(share),
          dueS: next.dueS,
          trays: rest
            .slice(0, count)
            .map((t, i) => ({ id: `${id}-T${i + 1}`, position: i + 1, pieces: t.pieces })),
        };
      }
    }
    if (!best) {
      for (const load of loads) floor.removeLoad(load);
      return { reason: noOven(problem, share, dueS) };
    }
    loads.push(best);
    floor.addLoad(best);
    rest = rest.slice(best.trays.length);
  }
  for (const load of loads) floor.removeLoad(load);
  return loads;
};

const noOven = (problem: PlanProblem, share: BatchShareOfDay, dueS: number): string => {
  const { product, batch } = share;
  const quickest = Math.min(...product.bakes.map((bake) => bake.pullS));
  const needs = earliestBakeS(problem, share) + quickest + afterPullS(share);
  if (product.bakes.length === 0) return 'No oven is set up that can bake it. Add one in Setup.';
  if (needs > dueS) {
    const parts = [
      `mixing ${sayDuration(product.mixS)}`,
      `portioning ${sayDuration(portionS(product, batch))}`,
      `resting at least ${sayDuration(product.rest.minS)}`,
      `baking ${sayDuration(quickest)}`,
      `cooling and packing ${sayDuration(afterPullS(share))}`,
    ];
    return `There is not enough time before its ready-by: ${parts.join(', ')} come to ${sayDuration(needs - problem.nowS)}, but only ${sayDuration(dueS - problem.nowS)} are left. Give it a later ready-by (${sayDuration(needs - dueS)} later), or fewer pieces.`;
  }
  return `The ovens are full before its ready-by: no chamber has ${sayDuration(quickest)} free in time. Move another product earlier, give this one a later ready-by, or fewer pieces.`;
};

/** Times to try around the wished one, nearest first, within [from, to]; none when that is empty. */
function* around(wishS: number, fromS: number, toS: number): Generator<number> {
  if (fromS > toS) return;
  const start = Math.min(toS, Math.max(fromS, wishS));
  yield start;
  for (let d = stepS; start - d >= fromS || start + d <= toS; d += stepS) {
    if (start - d >= fromS) yield start - d;
    if (start + d <= toS) yield start + d;
  }
}

/** The first task that finds no room; each is put in as it passes, for a batch's own loads share racks and trays too. */
const firstBlocked = (floor: Floor, tasks: readonly Task[]) => {
  let found: { resource: Resource; task: Task } | null = null;
  const put: Task[] = [];
  for (const task of tasks) {
    const resource = floor.timeline.blockedBy(task.uses, task.startS, task.endS);
    if (resource) {
      found = { resource, task };
      break;
    }
    floor.timeline.add(task);
    put.push(task);
  }
  for (const task of put) floor.timeline.remove(task);
  return found;
};

/** The mixing and portioning that go with the loads: near the best rest, where mixer, hands and places are free. */
const placeWork = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  loads: readonly Load[],
): readonly Task[] | Refusal => {
  const { product, batch } = share;
  const { rest } = product;
  const firstS = Math.min(...loads.map((load) => load.startS));
  const lastS = Math.max(...loads.map((load) => load.startS));
  const portioning = portionS(product, batch);
  const blocked = new Map<string, number>();
  const tryAt = (mixStartS: number, portionStartS: number) => {
    const tasks = tasksOf(product, batch, { mixStartS, portionStartS }, loads);
    const stop = firstBlocked(floor, tasks);
    if (!stop) return tasks;
    blocked.set(stop.resource.name, (blocked.get(stop.resource.name) ?? 0) + 1);
    return null;
  };
  if (rest.form === 'tub') {
    for (const portionStartS of around(
      firstS - portioning,
      Math.max(problem.nowS, lastS - waitMaxS - portioning),
      firstS - portioning,
    )) {
      const latest = portionStartS - rest.minS - product.mixS;
      const earliest = Math.max(problem.nowS, portionStartS - rest.maxS - product.mixS);
      for (const mixStartS of around(portionStartS - rest.bestS - product.mixS, earliest, latest)) {
        const tasks = tryAt(mixStartS, portionStartS);
        if (tasks) return tasks;
      }
    }
  } else {
    const latest = firstS - rest.minS - portioning - product.mixS;
    const earliest = Math.max(
      problem.nowS,
      lastS - Math.min(rest.maxS, 14 * 86_400) - portioning - product.mixS,
    );
    if (earliest <= latest) {
      for (const mixStartS of around(firstS - rest.bestS - portioning - product.mixS, earliest, latest)) {
        const tasks = tryAt(mixStartS, mixStartS + product.mixS);
        if (tasks) return tasks;
      }
    }
  }
  const [most] = [...blocked].sort((a, b) => b[1] - a[1]);
  return {
    reason: most
      ? `No time for mixing and portioning within its rest window (${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}) where there is room: ${most[0]} is the limit.`
      : `Its loads lie too far apart for one rest window (${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}). Split the order over two batches.`,
  };
};

/** Plans one batch on the floor as it is; tries its loads spread over their ready-bys first, then close together. */
export const placeBatch = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
): BatchPlan | Refusal => {
  const { product, batch } = share;
  let refusal: Refusal = { reason: '' };
  for (const together of [false, true]) {
    const loads = placeLoads(floor, problem, share, together);
    if ('reason' in loads) {
      refusal = refusal.reason ? refusal : loads;
      continue;
    }
    const tasks = placeWork(floor, problem, share, loads);
    if (!('reason' in tasks)) {
      return {
        batchId: batch.id,
        productCode: product.code,
        mixerId: batch.mixerId,
        massG: batch.massG,
        pieces: batch.pieces,
        loads,
        tasks,
      };
    }
    refusal = refusal.reason ? refusal : tasks;
  }
  return refusal;
};
