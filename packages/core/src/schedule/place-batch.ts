import { sayDuration } from '../shown/index.js';
import type { Floor } from './floor-plan.js';
import {
  resourceIds,
  type BatchPlan,
  type Load,
  type PlanBatch,
  type PlanProblem,
  type Task,
} from './problem.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';
import { loadTasks, portionS, restOf, workTasks } from './tasks.js';

/** Portioned pieces of a tub wait in the cold no longer than this for their load, s. A default. */
export const waitMaxS = 3 * 3600;
const stepS = 300;
/** An oven that takes a tray more may start so much earlier and still be preferred, s. */
const trayWorthS = 420;

export interface Refusal {
  readonly reason: string;
}

/** What is left open when a batch is placed; a search tries several. */
export interface Choices {
  /** Loads close together, or each as late as its ready-by allows. */
  readonly together: readonly boolean[];
  /** Done so much before the ready-by, s. */
  readonly aheadS: number;
  /** Trays that are due so much later may join a load, s. */
  readonly joinS: number;
  /** What a second of heating up counts against a second that a load bakes later. */
  readonly heating: number;
  /** How long the dough rests within its window, from 0 the shortest to 1 the longest; the best where null. */
  readonly rest: number | null;
  /** Earlier only in long steps, where many are tried. */
  readonly coarse?: boolean;
  /** Added to what an oven is worth, s. */
  readonly worth: (ovenId: string) => number;
}

export const plainChoices: Choices = {
  together: [false, true],
  aheadS: 0,
  joinS: 3600,
  heating: 0,
  rest: null,
  worth: () => 0,
};

/** Seconds from the pull until cold and packed. */
export const afterPullS = (product: BatchShareOfDay['product']) =>
  product.trayRestS + product.coolS + product.packS;

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

/** The last moment that dough which exists may go into the oven. */
const latestBakeS = ({ product, batch }: BatchShareOfDay): number =>
  batch.stock
    ? batch.stock.toS + (batch.stock.form === 'tub' ? portionS(product, batch) + waitMaxS : 0)
    : Number.POSITIVE_INFINITY;

/** Places the loads, earliest due first, each as late as it can go; trays of one load share their oven. */
const placeLoads = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  together: boolean,
  choices: Choices,
): Load[] | Refusal => {
  const { product, batch } = share;
  const loads: Load[] = [];
  const put: Task[] = [];
  const fromS = earliestBakeS(problem, share);
  const latestS = latestBakeS(share);
  const span = longestSpanS(share);
  let rest: readonly TrayShare[] = share.trays;
  let firstS = Number.POSITIVE_INFINITY;
  const clear = () => {
    for (const load of loads) floor.removeLoad(load);
    for (const task of put) floor.timeline.remove(task);
  };
  while (rest.length > 0) {
    const [next] = rest as [TrayShare];
    const dueS = together ? share.dueS : next.dueS;
    let best: Load | null = null;
    let bestScore = Number.NEGATIVE_INFINITY;
    for (const bake of product.bakes) {
      const oven = problem.ovens.find((o) => o.id === bake.ovenId);
      if (!oven) continue;
      // A load serves one ready-by; later trays join where they may bake that early.
      const count = together
        ? Math.min(oven.places, rest.length)
        : Math.min(oven.places, rest.filter((t) => t.dueS <= dueS + choices.joinS).length);
      const id = `${batch.id}-L${loads.length + 1}`;
      const at = (startS: number): Load => ({
        id,
        batchId: batch.id,
        ovenId: oven.id,
        setC: bake.setC,
        pullS: bake.pullS,
        startS,
        readyS: startS + bake.pullS + afterPullS(product),
        dueS: next.dueS,
        trays: rest
          .slice(0, count)
          .map((t, i) => ({ id: `${id}-T${i + 1}`, position: i + 1, pieces: t.pieces })),
      });
      const endByS = Math.min(
        dueS - afterPullS(product) - choices.aheadS,
        firstS + span + bake.pullS,
        latestS + bake.pullS,
      );
      const startS = floor.latestStart(oven, bake, endByS, fromS, (s) => loadTasks(product, at(s)));
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
    if (!best) {
      clear();
      return { reason: noOven(problem, share, dueS) };
    }
    loads.push(best);
    floor.addLoad(best);
    for (const task of loadTasks(product, best)) {
      floor.timeline.add(task);
      put.push(task);
    }
    firstS = Math.min(firstS, best.startS);
    rest = rest.slice(best.trays.length);
  }
  clear();
  return loads;
};

/** Why no oven takes it: no time for its way through the line, or no room. */
export const noOven = (problem: PlanProblem, share: BatchShareOfDay, dueS: number): string => {
  const { product, batch } = share;
  const quickest = Math.min(...product.bakes.map((bake) => bake.pullS));
  const after = afterPullS(product);
  const needs = earliestBakeS(problem, share) + quickest + after;
  if (product.bakes.length === 0) return 'No oven is set up that can bake it. Add one in Setup.';
  if (needs > dueS) {
    const parts = batch.stock
      ? [
          `its dough may be loaded in ${sayDuration(Math.max(0, earliestBakeS(problem, share) - problem.nowS))}`,
        ]
      : [
          `mixing ${sayDuration(product.mixS)}`,
          `portioning ${sayDuration(portionS(product, batch))}`,
          `resting at least ${sayDuration(product.rest.minS)}`,
        ];
    parts.push(`baking ${sayDuration(quickest)}`, `cooling and packing ${sayDuration(after)}`);
    return `There is not enough time before its ready-by: ${parts.join(', ')} come to ${sayDuration(needs - problem.nowS)}, but only ${sayDuration(Math.max(0, dueS - problem.nowS))} are left. Give it a later ready-by (${sayDuration(needs - dueS)} later), or fewer pieces.`;
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

/** When mixing and portioning might be, best first. */
function* moments(
  problem: PlanProblem,
  { product, batch }: BatchShareOfDay,
  firstS: number,
  lastS: number,
  restShare: number | null,
): Generator<{ mixStartS: number; portionStartS: number }> {
  const portioning = portionS(product, batch);
  const { nowS } = problem;
  const { rest } = product;
  const { stock } = batch;
  const restS = restShare === null ? rest.bestS : Math.round(rest.minS + restShare * (rest.maxS - rest.minS));
  if (stock) {
    if (stock.form !== 'tub') {
      yield { mixStartS: nowS, portionStartS: nowS };
      return;
    }
    const earliest = Math.max(nowS + stock.temperS, stock.fromS, lastS - waitMaxS - portioning);
    for (const portionStartS of around(
      firstS - portioning,
      earliest,
      Math.min(stock.toS, firstS - portioning),
    ))
      yield { mixStartS: nowS, portionStartS };
    return;
  }
  if (rest.form === 'tub') {
    const soonest = Math.max(nowS, lastS - waitMaxS - portioning);
    for (const portionStartS of around(firstS - portioning, soonest, firstS - portioning)) {
      const latest = portionStartS - rest.minS - product.mixS;
      const earliest = Math.max(nowS, portionStartS - rest.maxS - product.mixS);
      for (const mixStartS of around(portionStartS - restS - product.mixS, earliest, latest))
        yield { mixStartS, portionStartS };
    }
    return;
  }
  const latest = firstS - rest.minS - portioning - product.mixS;
  const earliest = Math.max(nowS, lastS - Math.min(rest.maxS, 14 * 86_400) - portioning - product.mixS);
  for (const mixStartS of around(firstS - restS - portioning - product.mixS, earliest, latest))
    yield { mixStartS, portionStartS: mixStartS + product.mixS };
}

const oneHand = [{ resourceId: resourceIds.hands, amount: 1 }];

/** Steps that loads go earlier by when their dough finds no room, s. */
const earlierS = [...Array.from({ length: 13 }, (_, i) => i * 600), 9000, 10_800, 14_400, 21_600, 32_400];
const coarselyS = [0, 1800, 5400, 14_400];

/** Of the moments that a search steps through no more than so many: a tub's are a square of them. */
const mostMoments = 4000;

/** The mixing and portioning that go with the loads: near the best rest, where mixer, hands and places are free. */
const placeWork = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  loads: readonly Load[],
  choices: Choices,
): { readonly tasks: readonly Task[]; readonly batch: PlanBatch } | Refusal => {
  const { product, batch } = share;
  const firstS = Math.min(...loads.map((load) => load.startS));
  const lastS = Math.max(...loads.map((load) => load.startS));
  const ofLoads = loads.flatMap((load) => loadTasks(product, load));
  const blocked = new Map<string, number>();
  const count = (name: string) => blocked.set(name, (blocked.get(name) ?? 0) + 1);
  const handsName = problem.resources.find(({ id }) => id === resourceIds.hands)?.name ?? resourceIds.hands;
  const mixers = batch.stock ? [batch.mixerId] : (batch.mixerIds ?? [batch.mixerId]);
  // The loads found room for themselves; what the dough takes before them must fit beside them.
  for (const task of ofLoads) floor.timeline.add(task);
  try {
    let tried = 0;
    const isTub = restOf(product, batch).form === 'tub';
    let triedPortionS = Number.NaN;
    let portionBlocked = false;
    let noRoomUntilS = Number.NEGATIVE_INFINITY;
    // Most moments fall when nobody is there or all are busy: those are known before anything else is looked at.
    const busy = new Map<number, boolean>();
    const handsBusy = (startS: number, forS: number) => {
      const known = busy.get(startS);
      if (known !== undefined) return known;
      const found = floor.timeline.blockedBy(oneHand, startS, startS + forS) !== null;
      busy.set(startS, found);
      return found;
    };
    for (const at of moments(problem, share, firstS, lastS, choices.rest)) {
      if (++tried > mostMoments) break;
      if (isTub && at.portionStartS !== triedPortionS) {
        triedPortionS = at.portionStartS;
        noRoomUntilS = Number.NEGATIVE_INFINITY;
        portionBlocked = false;
      }
      if (portionBlocked || at.mixStartS <= noRoomUntilS) continue;
      if (!batch.stock && handsBusy(at.mixStartS, product.mixS)) {
        count(handsName);
        continue;
      }
      for (const mixerId of mixers) {
        const own = mixerId === batch.mixerId ? batch : { ...batch, mixerId };
        const work = workTasks(product, own, at, loads);
        const stop = floor.blocking(work);
        if (!stop) return { tasks: [...work, ...ofLoads], batch: own };
        count(stop.resource.name);
        // Dough that finds no room in its place finds none if it lies there from earlier on; and what a tub's portioning
        // and its pieces do not find is the same whenever it was mixed.
        if (stop.task.id === `${own.id}/rest`) noRoomUntilS = Math.max(noRoomUntilS, at.mixStartS);
        else if (isTub && stop.task.kind !== 'mix') portionBlocked = true;
        // Another mixer does not bring hands or room.
        if (!mixers.includes(stop.resource.id)) break;
      }
    }
  } finally {
    for (const task of ofLoads) floor.timeline.remove(task);
  }
  const [most] = [...blocked].sort((a, b) => b[1] - a[1]);
  const { rest } = product;
  const window = `${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}`;
  if (batch.stock)
    return {
      reason: `There is no room for its dough until it is baked: ${most?.[0] ?? 'time'} is the limit.`,
    };
  return {
    reason: most
      ? `No time for mixing and portioning within its rest window (${window}) where there is room: ${most[0]} is the limit.`
      : `Its loads lie too far apart for one rest window (${window}). Split the order over two batches.`,
  };
};

/** Plans one batch on the floor as it is; tries its loads spread over their ready-bys first, then close together. */
export const placeBatch = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  choices: Choices = plainChoices,
): BatchPlan | Refusal => {
  const { product } = share;
  let refusal: Refusal = { reason: '' };
  for (const together of choices.together) {
    // Where its dough finds no hands or room, the loads go earlier, by longer and longer steps.
    for (const byS of choices.coarse ? coarselyS : earlierS) {
      const ahead = { ...choices, aheadS: choices.aheadS + byS };
      const loads = placeLoads(floor, problem, share, together, ahead);
      if ('reason' in loads) {
        refusal = refusal.reason ? refusal : loads;
        break;
      }
      const work = placeWork(floor, problem, share, loads, choices);
      if ('reason' in work) {
        refusal = refusal.reason ? refusal : work;
        continue;
      }
      const { batch, tasks } = work;
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
  }
  return refusal;
};

/** The share with only some of its trays, and the dough that they take. */
const withTrays = (share: BatchShareOfDay, trays: readonly TrayShare[]): BatchShareOfDay => {
  const pieces = trays.reduce((sum, tray) => sum + tray.pieces, 0);
  const { batch } = share;
  return {
    ...share,
    trays,
    dueS: trays[0]?.dueS ?? share.dueS,
    batch: { ...batch, pieces, massG: (batch.massG * pieces) / batch.pieces },
  };
};

/**
 * As much of a batch as can be baked: all of it, or the most trays of it that find room, the early ones or the late
 * ones; nothing less than its mixer takes.
 */
export const placeMost = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  choices: Choices = plainChoices,
): { readonly placed: BatchPlan | null; readonly reason: string } => {
  const whole = placeBatch(floor, problem, share, choices);
  if (!('reason' in whole)) return { placed: whole, reason: '' };
  const { batch, trays } = share;
  const least = batch.stock ? 0 : batch.minMassG;
  let most: BatchPlan | null = null;
  if (least !== undefined && trays.length > 1) {
    const quickly = { ...choices, together: choices.together.slice(0, 1), coarse: true };
    // Fewer trays are not always easier, but nearly: halve the number, from both ends of the list.
    for (const from of ['start', 'end'] as const) {
      let [fits, tooMany] = [0, trays.length];
      while (tooMany - fits > 1) {
        const count = (fits + tooMany) >> 1;
        const part = withTrays(share, from === 'start' ? trays.slice(0, count) : trays.slice(-count));
        const tried = part.batch.massG < least ? null : placeBatch(floor, problem, part, quickly);
        if (tried && 'reason' in tried) tooMany = count;
        else fits = count;
        if (tried && !('reason' in tried) && tried.pieces > (most?.pieces ?? 0)) most = tried;
      }
    }
  }
  return { placed: most, reason: whole.reason };
};
