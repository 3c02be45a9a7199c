import { sayDuration, say } from '../../shown/index.js';
import { type Load, type Task } from '../problem/plan.js';
import { resourceIds, type PlanBatch, type PlanProblem } from '../problem/problem.js';
import { loadTasks, portionS, restOf, workTasks } from '../problem/tasks.js';
import type { Choices } from './choices.js';
import type { Floor } from './floor-plan.js';
import { placeAhead } from './place-ahead.js';
import { waitMaxS } from './reach.js';
import type { Refusal } from './refusal.js';
import type { BatchShareOfDay } from './shares.js';

const stepS = 300;

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

/** So many moments are passed over for one that leaves butter and nuts their time. */
const mostHasty = 12;

/** Of the moments that a search steps through no more than so many: a tub's are a square of them. */
const mostMoments = 4000;

/** Why there was no moment for it: what stood in the way most often. */
const whyNone = ({ product, batch }: BatchShareOfDay, blocked: ReadonlyMap<string, number>): Refusal => {
  const [most] = [...blocked].sort((a, b) => b[1] - a[1]);
  const { rest } = product;
  const window = say`${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}`;
  if (batch.stock)
    return {
      reason: say`There is no room for its dough until it is baked: ${most?.[0] ?? say`time`} is the limit.`,
    };
  return {
    reason: most
      ? say`No time for mixing and portioning within its rest window (${window}) where there is room: ${most[0]} is the limit.`
      : say`Its loads lie too far apart for one rest window (${window}). Split the order over two batches.`,
  };
};

/** Whether all hands are busy at a moment, asked of each only once. */
const handsBusyIn = (floor: Floor, forS: number): ((startS: number) => boolean) => {
  const busy = new Map<number, boolean>();
  return (startS) => {
    const known = busy.get(startS);
    if (known !== undefined) return known;
    const found = floor.timeline.blockedBy(oneHand, startS, startS + forS) !== null;
    busy.set(startS, found);
    return found;
  };
};

/** The mixing and portioning that go with the loads: near the best rest, where mixer, hands and places are free. */
export const placeWork = (
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
  // The first moment at which all finds room but what comes before the mixing comes too late for it.
  let hastily: { readonly tasks: readonly Task[]; readonly batch: PlanBatch } | null = null;
  // The loads found room for themselves; what the dough takes before them must fit beside them.
  for (const task of ofLoads) floor.timeline.add(task);
  try {
    let tried = 0;
    const isTub = restOf(product, batch).form === 'tub';
    let triedPortionS = Number.NaN;
    let portionBlocked = false;
    let noRoomUntilS = Number.NEGATIVE_INFINITY;
    let hasty = 0;
    const longestAheadS = Math.max(0, ...(batch.ahead ?? []).map(({ aheadS }) => aheadS));
    // Most moments fall when nobody is there or all are busy: those are known before anything else is looked at.
    const handsBusy = handsBusyIn(floor, product.mixS);
    for (const at of moments(problem, share, firstS, lastS, choices.rest)) {
      if (++tried > mostMoments) break;
      if (isTub && at.portionStartS !== triedPortionS) {
        triedPortionS = at.portionStartS;
        noRoomUntilS = Number.NEGATIVE_INFINITY;
        portionBlocked = false;
      }
      if (portionBlocked || at.mixStartS <= noRoomUntilS) continue;
      if (hastily && at.mixStartS - longestAheadS < problem.nowS) continue;
      if (!batch.stock && handsBusy(at.mixStartS)) {
        count(handsName);
        continue;
      }
      for (const mixerId of mixers) {
        const own = mixerId === batch.mixerId ? batch : { ...batch, mixerId };
        const work = workTasks(product, own, at, loads);
        const stop = floor.blocking(work);
        const mixes = work.find(({ kind }) => kind === 'mix');
        if (!stop && mixes && !floor.bowlIsClean(mixerId, product.code, mixes, work)) {
          count(say`cleaning the bowl of an allergen`);
          continue;
        }
        if (!stop) {
          const before = placeAhead(floor, own, at.mixStartS, problem.nowS, work);
          const found = { tasks: [...before.tasks, ...work, ...ofLoads], batch: own };
          if (before.inTime) return found;
          // Another moment may leave the butter its time.
          hastily ??= found;
          if (++hasty > mostHasty) return hastily;
          break;
        }
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
  if (hastily) return hastily;
  return whyNone(share, blocked);
};
