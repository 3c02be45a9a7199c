import { sayDuration, say } from '../../shown/index.js';
import type { Load, Task } from '../problem/plan.js';
import { firstAttendedS } from '../problem/availability.js';
import {
  heatUpS,
  resourceIds,
  type PlanProblem,
  type PlanProduct,
  type Resource,
} from '../problem/problem.js';
import { afterPullS, loadTasks, piecesOf, portionS, restOf } from '../problem/tasks.js';
import type { Choices } from './choices.js';
import type { Floor } from './floor-plan.js';
import { findsHands, placeOne } from './place-after.js';
import type { Refusal } from './refusal.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';

/** Portioned pieces of a tub wait in the cold no longer than this for their load, s. A default. */
export const waitMaxS = 3 * 3600;

/** An oven that takes a tray more may start so much earlier and still be preferred, s. */
const trayWorthS = 420;

/** How far apart the loads of a batch may start so that one rest window holds for all. */
const longestSpanS = ({ product, batch }: BatchShareOfDay) => {
  if (restOf(product, batch).form === 'tub') return waitMaxS;
  return batch.stock ? batch.stock.toS - batch.stock.fromS : product.rest.maxS - product.rest.minS;
};

/** Earliest start of a bake if the batch were begun now. */
export const earliestBakeS = (
  { nowS }: Pick<PlanProblem, 'nowS'>,
  { product, batch }: Pick<BatchShareOfDay, 'product' | 'batch'>,
): number => {
  const { stock } = batch;
  if (!stock) return nowS + product.mixS + portionS(product, batch) + product.rest.minS;
  const usableS = Math.max(nowS + stock.temperS, stock.fromS);
  return stock.form === 'tub' ? usableS + portionS(product, batch) : usableS;
};

/** From the oven until its first tray is packed, which is iced soonest, s. */
const afterOvenS = ({ product, batch }: Pick<BatchShareOfDay, 'product' | 'batch'>): number =>
  afterPullS(product, Math.min(product.perTray, batch.pieces));

const quickestS = ({ bakes }: PlanProduct): number => Math.min(...bakes.map(({ pullS }) => pullS));

/** When the first pieces of a batch are packed if it were begun now and had the line to itself; -Infinity without an oven. */
export const soonestReadyS = (
  problem: Pick<PlanProblem, 'nowS'>,
  share: Pick<BatchShareOfDay, 'product' | 'batch'>,
): number =>
  share.product.bakes.length === 0
    ? Number.NEGATIVE_INFINITY
    : earliestBakeS(problem, share) + quickestS(share.product) + afterOvenS(share);

/** As `soonestReadyS`, if no more of the batch were made than fills a tray. */
export const soonestTrayS = (
  problem: Pick<PlanProblem, 'nowS'>,
  { product, batch }: Pick<BatchShareOfDay, 'product' | 'batch'>,
): number =>
  soonestReadyS(problem, {
    product,
    batch: { ...batch, pieces: Math.min(batch.pieces, product.perTray) },
  });

/** The last moment that dough which exists may go into the oven. */
const latestBakeS = ({ product, batch }: BatchShareOfDay): number =>
  batch.stock
    ? batch.stock.toS + (batch.stock.form === 'tub' ? portionS(product, batch) + waitMaxS : 0)
    : Number.POSITIVE_INFINITY;

/** How far a batch's loads are placed, and how its trays may go together. */
interface Standing {
  readonly loads: readonly Load[];
  readonly rest: readonly TrayShare[];
  readonly together: boolean;
  readonly choices: Choices;
}

/** A load has no more trays than there are, nor than there are places to cool them or mats to lay them out with. */
const traysAtOnce = ({ resources }: PlanProblem, { liner }: PlanProduct): number =>
  Math.min(
    ...resources
      .filter(({ id }) => id === resourceIds.trays || id === resourceIds.racks || id === liner)
      .map(({ capacity }) => capacity),
  );

/** Where the next trays go best, beside the loads that are placed; null where no oven takes them. */
const bestLoad = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  { loads, rest, together, choices }: Standing,
): Load | null => {
  const { product, batch } = share;
  const [next] = rest as [TrayShare];
  const dueS = together ? share.dueS : next.dueS;
  const fromS = earliestBakeS(problem, share);
  const firstS = Math.min(...loads.map((load) => load.startS));
  const spanS = longestSpanS(share);
  const latestS = latestBakeS(share);
  const mostTrays = traysAtOnce(problem, product);
  let best: Load | null = null;
  let bestScore = Number.NEGATIVE_INFINITY;
  for (const bake of product.bakes) {
    const oven = problem.ovens.find((o) => o.id === bake.ovenId);
    if (!oven || oven.places < 1 || mostTrays < 1) continue;
    // A load serves one ready-by; later trays join where they may bake that early.
    const count = Math.min(
      oven.places,
      mostTrays,
      together ? rest.length : rest.filter((t) => t.dueS <= dueS + choices.joinS).length,
    );
    const id = `${batch.id}-L${(batch.stock?.loadsBefore ?? 0) + loads.length + 1}`;
    const trays = rest
      .slice(0, count)
      .map((t, i) => ({ id: `${id}-T${i + 1}`, position: i + 1, pieces: t.pieces }));
    const afterS = afterPullS(product, piecesOf({ trays }));
    const at = (startS: number): Load => ({
      id,
      batchId: batch.id,
      ovenId: oven.id,
      setC: bake.setC,
      pullS: bake.pullS,
      startS,
      readyS: startS + bake.pullS + afterS,
      dueS: next.dueS,
      trays,
    });
    const endByS = Math.min(
      dueS - afterS - choices.aheadS,
      firstS + spanS + bake.pullS,
      latestS + bake.pullS,
    );
    const startS = floor.latestStart(
      oven,
      bake,
      endByS,
      fromS,
      (s) => loadTasks(product, at(s)),
      choices.fine ? (s) => findsHands(floor, product, at(s)) : undefined,
    );
    if (startS === null) continue;
    const score =
      startS +
      count * trayWorthS +
      choices.worth(oven.id) -
      (choices.heating > 0 ? choices.heating * floor.heatingS(oven, bake, startS) : 0);
    if (score > bestScore) {
      bestScore = score;
      best = at(startS);
    }
  }
  return best;
};

/** Why the next trays find no place where they would with more of what they lie on; null where that is not why. */
const shortOfLiner = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  standing: Standing,
): string | null => {
  const { liner, ...onAnything } = share.product;
  const short = problem.resources.find(({ id }) => id === liner);
  if (!short || !bestLoad(floor, problem, { ...share, product: onAnything }, standing)) return null;
  return say`${short.name}: ${short.capacity} in all, too few before its ready-by. Get more, bake it on something else, or give it a later ready-by.`;
};

/** What is short where a chamber would be free for the next tray; null where that is not why it finds no place. */
const shortBesideOvens = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  dueS: number,
  { pieces }: TrayShare,
): Resource | null => {
  const { product, batch } = share;
  const afterS = afterPullS(product, pieces);
  const id = `${batch.id}-L1`;
  const trays = [{ id: `${id}-T1`, position: 1, pieces }];
  for (const bake of product.bakes) {
    const oven = problem.ovens.find((own) => own.id === bake.ovenId);
    if (!oven || oven.places < 1) continue;
    const endByS = Math.min(dueS - afterS, latestBakeS(share) + bake.pullS);
    const startS = floor.latestStart(oven, bake, endByS, earliestBakeS(problem, share));
    if (startS === null) continue;
    const readyS = startS + bake.pullS + afterS;
    const short = floor.blocking(
      loadTasks(product, { id, batchId: batch.id, ...bake, startS, readyS, dueS, trays }),
    );
    if (short) return short.resource;
  }
  return null;
};

/** Places the loads, earliest due first, each as late as it can go; trays of one load share their oven. */
export const placeLoads = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  together: boolean,
  choices: Choices,
): Load[] | Refusal => {
  const { product } = share;
  const loads: Load[] = [];
  const put: Task[] = [];
  let rest: readonly TrayShare[] = share.trays;
  const clear = () => {
    for (const load of loads) floor.removeLoad(load);
    for (const task of put) floor.timeline.remove(task);
  };
  while (rest.length > 0) {
    const best = bestLoad(floor, problem, share, { loads, rest, together, choices });
    if (!best) {
      const [next] = rest as [TrayShare];
      const dueS = together ? share.dueS : next.dueS;
      const short = shortBesideOvens(floor, problem, share, dueS, next);
      clear();
      const lined = shortOfLiner(floor, problem, share, { loads, rest, together, choices });
      return { reason: lined ?? noOven(problem, share, dueS, short) };
    }
    loads.push(best);
    floor.addLoad(best);
    for (const task of loadTasks(product, best)) {
      floor.timeline.add(task);
      put.push(task);
    }
    if (choices.fine && product.after) placeOne(floor, product, best, put);
    rest = rest.slice(best.trays.length);
  }
  clear();
  return loads;
};

/** Whether an oven that bakes it is hot and attended for as long as that takes, somewhere between two moments. */
const couldBake = (problem: PlanProblem, { bakes }: PlanProduct, fromS: number, toS: number): boolean =>
  bakes.some(({ ovenId, setC, pullS }) => {
    const oven = problem.ovens.find(({ id }) => id === ovenId);
    const heatS = oven && problem.coldOvens ? heatUpS(oven, setC) : 0;
    return oven && firstAttendedS(problem.ovenHours, fromS, pullS, heatS) + pullS <= toS;
  });

/**
 * Why no oven takes it: no time for its way through the line, or no room.
 * @param short what is short although a chamber would be free
 */
export const noOven = (
  problem: PlanProblem,
  share: Pick<BatchShareOfDay, 'product' | 'batch'>,
  dueS: number,
  short: Resource | null = null,
): string => {
  const { product, batch } = share;
  const quickest = quickestS(product);
  const after = afterOvenS(share);
  const needs = soonestReadyS(problem, share);
  if (product.bakes.length === 0)
    return say`No oven in use can bake it: look at the ovens that its formula names, or add one in Setup.`;
  if (needs > dueS) {
    const parts = batch.stock
      ? [
          say`its dough may be loaded in ${sayDuration(Math.max(0, earliestBakeS(problem, share) - problem.nowS))}`,
        ]
      : [
          say`mixing ${sayDuration(product.mixS)}`,
          say`portioning ${sayDuration(portionS(product, batch))}`,
          ...(product.rest.minS > 0 ? [say`resting at least ${sayDuration(product.rest.minS)}`] : []),
        ];
    parts.push(say`baking ${sayDuration(quickest)}`, say`cooling and packing ${sayDuration(after)}`);
    return say`There is not enough time before its ready-by: ${parts.join(', ')} come to ${sayDuration(needs - problem.nowS)}, but only ${sayDuration(Math.max(0, dueS - problem.nowS))} are left. Give it a later ready-by (${sayDuration(needs - dueS)} later), or fewer pieces.`;
  }
  const inS = earliestBakeS(problem, share);
  if (!couldBake(problem, product, inS, dueS - after))
    return say`No oven is hot and attended when it could bake: its dough can go in ${sayDuration(inS - problem.nowS)} from now at the earliest, and must be out ${sayDuration(after)} before its ready-by. Change the hours of the ovens in Setup, or give it another ready-by.`;
  if (short)
    return say`${short.name}: ${short.capacity} in all, and none free for it when an oven is. Get more, move another product earlier, or give this one a later ready-by.`;
  return say`The ovens are full before its ready-by: no chamber has ${sayDuration(quickest)} free in time. Move another product earlier, give this one a later ready-by, or fewer pieces.`;
};
