import { say } from '../../shown/index.js';
import { type BatchPlan, type Load, type Task, type Use } from '../problem/plan.js';
import { resourceIds, type PlanProblem, type PlanProduct } from '../problem/problem.js';
import { afterPullS, handsFor, piecesOf, taskOfLoad } from '../problem/tasks.js';
import { Floor } from './floor-plan.js';
import type { Refusal } from './refusal.js';

const stepS = 60;

/** A hand for what is late already is sought for so long, s. */
const lateMostS = 4 * 3600;

export interface PlacedAfter {
  /** The loads, ready when they are packed. */
  readonly loads: readonly Load[];
  readonly tasks: readonly Task[];
}

interface Step {
  readonly kind: 'ice' | 'pack';
  readonly workS: number;
  /** What follows without anybody, s. */
  readonly standsS: number;
  /** From then to the ready-by at the least, s. */
  readonly beforeReadyS: number;
}

const stepsOf = (product: PlanProduct, load: Load): readonly Step[] => {
  const { icePieceS = 0, dryS = 0, packPieceS = 0 } = product.after ?? {};
  const pieces = piecesOf(load);
  const packingS = Math.ceil(packPieceS * pieces);
  const steps: readonly Step[] = [
    {
      kind: 'ice',
      workS: Math.ceil(icePieceS * pieces),
      standsS: dryS,
      beforeReadyS: Math.max(product.packS, packingS),
    },
    { kind: 'pack', workS: packingS, standsS: 0, beforeReadyS: 0 },
  ];
  return steps.filter(({ workS }) => workS > 0);
};

/**
 * One load's icing and packing, each as soon as a hand is free once it is cold, put on the floor.
 * @param placed what was put there is added to it, also where it does not come to its end
 * @returns the load, ready when it is packed, or the resource that kept it from being in time
 */
export const placeOne = (floor: Floor, product: PlanProduct, load: Load, placed: Task[]): Load | string => {
  const steps = stepsOf(product, load);
  const oneHand = handsFor(product, 'pack');
  const rack: Use = { resourceId: resourceIds.racks, amount: load.trays.length };
  const put = (...tasks: readonly Task[]) => {
    for (const own of tasks) {
      floor.timeline.add(own);
      placed.push(own);
    }
  };
  let freeS = load.startS + load.pullS + product.trayRestS + product.coolS;
  let readyS = load.readyS;
  for (const { kind, workS, standsS, beforeReadyS } of steps) {
    const afterS = standsS + beforeReadyS;
    let blocked = '';
    let found = false;
    for (let startS = freeS; startS + workS + afterS <= load.dueS; startS += stepS) {
      // Most moments fall where all hands are busy: that is looked at before anything else.
      const busy = floor.timeline.blockedBy(oneHand, startS, startS + workS);
      if (busy) {
        blocked = busy.name;
        continue;
      }
      const tasks = [
        // Until somebody comes they lie on the rack.
        ...(startS > freeS ? [taskOfLoad(load, 'rack', freeS, startS, [rack], `wait-${kind}`)] : []),
        taskOfLoad(load, kind, startS, startS + workS, [...oneHand, rack]),
        ...(standsS > 0 ? [taskOfLoad(load, 'dry', startS + workS, startS + workS + standsS, [rack])] : []),
      ];
      const stop = floor.blocking(tasks);
      if (!stop) {
        put(...tasks);
        freeS = startS + workS + standsS;
        readyS = Math.max(readyS, freeS + (kind === 'ice' ? product.packS : 0));
        found = true;
        break;
      }
      blocked = stop.resource.name;
      // The rack is full before anybody comes: waiting longer does not help.
      if (stop.task.kind === 'rack') break;
    }
    if (!found) return blocked || say`the time before its ready-by`;
  }
  return { ...load, readyS };
};

/**
 * Icing, drying and packing of a batch's loads: each as soon as a hand is free once the pieces are cold, and done by the
 * load's ready-by. They take up their rack places until they are packed.
 * @param others tasks of the same batch, which are not on the floor yet
 */
export const placeAfter = (
  floor: Floor,
  product: PlanProduct,
  loads: readonly Load[],
  others: readonly Task[],
): PlacedAfter | Refusal => {
  if (!product.after) return { loads, tasks: [] };
  const placed: Task[] = [];
  const ready: Load[] = [];
  for (const task of others) floor.timeline.add(task);
  try {
    for (const load of loads) {
      const now = placeOne(floor, product, load, placed);
      if (typeof now === 'string')
        return {
          reason: say`Nobody has a hand free for icing or packing it before its ready-by: ${now} is the limit.`,
        };
      ready.push(now);
    }
  } finally {
    for (const task of [...others, ...placed]) floor.timeline.remove(task);
  }
  return { loads: ready, tasks: placed };
};

const isAfter = ({ kind, id }: Task): boolean =>
  ['ice', 'dry', 'pack'].includes(kind) || /\/wait-\w+$/.test(id);

/**
 * Hands for the icing and packing of loads that go in at other times than planned, found anew: what was shifted along with
 * a load meets other work. Where no hand is free for hours it stays as it was shifted.
 */
export const placeAfterAgain = (
  problem: PlanProblem,
  batches: readonly BatchPlan[],
  loadIds: ReadonlySet<string>,
): readonly BatchPlan[] => {
  const products = new Map(problem.products.map((product) => [product.code, product]));
  const moved = (task: Task) => loadIds.has(task.loadId ?? '') && isAfter(task);
  if (![...products.values()].some(({ after }) => after)) return batches;
  const floor = new Floor({
    ...problem,
    fixed: batches.map((batch) => ({ ...batch, tasks: batch.tasks.filter((task) => !moved(task)) })),
  });
  const again = new Map<string, Placed>();
  const loads = batches
    .flatMap((batch) => batch.loads.map((load) => ({ load, batch })))
    .filter(({ load }) => loadIds.has(load.id))
    .sort((a, b) => a.load.startS - b.load.startS);
  for (const { load, batch } of loads) {
    const product = products.get(batch.productCode);
    const as = batch.tasks.filter((task) => task.loadId === load.id && moved(task));
    // A load that was planned before hands were counted for it stays without them.
    if (!product?.after || as.length === 0) continue;
    const placed: Task[] = [];
    const soonestS = load.startS + load.pullS + afterPullS(product, piecesOf(load));
    // The first hand that is free, if need be after the ready-by: late is better than twice at once.
    const untilS = Math.max(load.dueS, soonestS + lateMostS);
    const now = placeOne(floor, product, { ...load, readyS: soonestS, dueS: untilS }, placed);
    if (typeof now === 'string') {
      for (const task of placed) floor.timeline.remove(task);
      for (const task of as) floor.timeline.add(task);
    } else again.set(load.id, { load: { ...now, dueS: load.dueS }, tasks: placed });
  }
  return batches.map((batch) => {
    if (!batch.loads.some(({ id }) => again.has(id))) return batch;
    return {
      ...batch,
      loads: batch.loads.map((load) => again.get(load.id)?.load ?? load),
      tasks: [
        ...batch.tasks.filter((task) => !again.has(task.loadId ?? '') || !isAfter(task)),
        ...batch.loads.flatMap(({ id }) => again.get(id)?.tasks ?? []),
      ],
    };
  });
};

interface Placed {
  readonly load: Load;
  readonly tasks: readonly Task[];
}

/** Whether a load would find its hands in time; nothing stays on the floor. */
export const findsHands = (floor: Floor, product: PlanProduct, load: Load): boolean => {
  if (!product.after) return true;
  const placed: Task[] = [];
  const found = placeOne(floor, product, load, placed);
  for (const task of placed) floor.timeline.remove(task);
  return typeof found !== 'string';
};
