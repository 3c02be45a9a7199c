import { say } from '../../shown/index.js';
import type { Load, Task } from '../problem/plan.js';
import { resourceIds, type PlanProblem, type PlanProduct } from '../problem/problem.js';
import { afterPullS, loadTasks, piecesOf, restOf } from '../problem/tasks.js';
import type { Choices } from './choices.js';
import type { Floor } from './floor-plan.js';
import { findsHands, placeOne } from './place-after.js';
import { earliestBakeS, latestBakeS, waitMaxS } from './reach.js';
import type { Refusal } from './refusal.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';
import { noOven, shortBesideOvens } from './why-no-oven.js';

/** An oven that takes a tray more may start so much earlier and still be preferred, s. */
const trayWorthS = 420;

/** How far apart the loads of a batch may start so that one rest window holds for all. */
const longestSpanS = ({ product, batch }: BatchShareOfDay) => {
  if (restOf(product, batch).form === 'tub') return waitMaxS;
  return batch.stock ? batch.stock.toS - batch.stock.fromS : product.rest.maxS - product.rest.minS;
};

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
