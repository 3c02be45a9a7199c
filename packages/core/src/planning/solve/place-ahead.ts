import { type Task } from '../problem/plan.js';
import { resourceIds, type PlanBatch } from '../problem/problem.js';
import type { Floor } from './floor-plan.js';

const stepS = 300;

/** Nothing is done longer before the mixing than this: what is out overnight is too warm. s */
const longestS = 20 * 3600;

const oneHand = [{ resourceId: resourceIds.hands, amount: 1 }];

/** Moments for a work, the wished one first, then earlier and earlier, then later as far as it is done in time. */
function* momentsFor(wishS: number, fromS: number, latestS: number): Generator<number> {
  for (let atS = Math.min(wishS, latestS); atS >= fromS; atS -= stepS) yield atS;
  for (let atS = Math.max(wishS, fromS); atS <= latestS; atS += stepS) yield atS;
}

export interface PlacedAhead {
  readonly tasks: readonly Task[];
  /** Whether all of it begins early enough for butter to be soft, and nuts to be cold. */
  readonly inTime: boolean;
}

/**
 * The work that a dough asks for before it is mixed, each where a hand is free: as late as it may begin, else earlier, else
 * as soon as possible before the mixing. What finds no hand at all is left out.
 * @param others tasks of the same batch, which are not on the floor yet
 */
export const placeAhead = (
  floor: Floor,
  { id, ahead = [] }: PlanBatch,
  mixStartS: number,
  nowS: number,
  others: readonly Task[],
): PlacedAhead => {
  if (ahead.length === 0) return { tasks: [], inTime: true };
  const placed: Task[] = [];
  let inTime = true;
  for (const task of others) floor.timeline.add(task);
  try {
    // What is begun first is placed first: a dough is not weighed out before its butter is soft.
    for (const { kind, aheadS, workS } of [...ahead].sort((a, b) => b.aheadS - a.aheadS)) {
      const wishS = Math.floor((mixStartS - aheadS) / 60) * 60;
      const fromS = Math.max(nowS, mixStartS - Math.max(aheadS, longestS));
      let found = false;
      for (const startS of momentsFor(wishS, fromS, mixStartS - workS)) {
        const endS = startS + workS;
        if (floor.timeline.blockedBy(oneHand, startS, endS)) continue;
        const task: Task = {
          id: `${id}/${kind}`,
          kind: 'prepare',
          batchId: id,
          startS,
          endS,
          uses: oneHand,
        };
        floor.timeline.add(task);
        placed.push(task);
        found = startS <= wishS;
        break;
      }
      inTime &&= found;
    }
  } finally {
    for (const task of [...others, ...placed]) floor.timeline.remove(task);
  }
  return { tasks: placed, inTime };
};
