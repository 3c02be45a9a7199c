import type { BatchPlan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { plainChoices, type Choices } from './choices.js';
import type { Floor } from './floor-plan.js';
import { placeAfter } from './place-after.js';
import { placeLoads } from './place-loads.js';
import { soonestTrayS } from './reach.js';
import { noOven } from './why-no-oven.js';
import { placeWork } from './place-work.js';
import type { Refusal } from './refusal.js';
import {
  countsInTime,
  countsOf,
  dealTrays,
  piecesFor,
  wantsOf,
  type BatchShareOfDay,
  type TrayShare,
} from './shares.js';

/** Steps that loads go earlier by when their dough finds no room, s. */
const earlierS = [...Array.from({ length: 13 }, (_, i) => i * 600), 9000, 10_800, 14_400, 21_600, 32_400];
const coarselyS = [0, 1800, 5400, 14_400];

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
      const after = placeAfter(floor, product, loads, tasks);
      if ('reason' in after) {
        refusal = refusal.reason ? refusal : after;
        continue;
      }
      return {
        batchId: batch.id,
        productCode: product.code,
        mixerId: batch.mixerId,
        massG: batch.massG,
        pieces: batch.pieces,
        loads: after.loads,
        tasks: [...tasks, ...after.tasks],
        ...(batch.stock && !batch.stock.held && { stock: batch.stock }),
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

/** The least of a batch that may be made, g; null where it is all or nothing. */
const leastOf = ({ batch }: BatchShareOfDay): number | null => (batch.stock ? 0 : (batch.minMassG ?? null));

/**
 * The share without what it is to have ready before a moment: its pieces go to who comes next, and trays for nobody are not
 * made where its mixer takes so little. Null where nobody is left.
 */
const withoutBefore = (share: BatchShareOfDay, dueS: number): BatchShareOfDay | null => {
  const wants = wantsOf(share).filter((want) => want.dueS >= dueS);
  if (countsOf(wants) === 0) return null;
  const { batch, trays } = share;
  const wanted = piecesFor(wants);
  const least = leastOf(share);
  const kept: number[] = [];
  let sum = 0;
  for (const { pieces } of trays) {
    if (least !== null && sum >= wanted && (batch.massG * sum) / batch.pieces >= least) break;
    kept.push(pieces);
    sum += pieces;
  }
  return withTrays({ ...share, wants }, dealTrays(kept, wants));
};

/**
 * The share without what its dough cannot be ready for, not even a tray of it that were begun now on an empty floor; null
 * where nothing is left.
 */
export const withinReach = (problem: PlanProblem, share: BatchShareOfDay): BatchShareOfDay | null => {
  const soonestS = soonestTrayS(problem, share);
  return share.dueS >= soonestS ? share : withoutBefore(share, soonestS);
};

/** As much of a batch as is tried: whole, or part of it, and what that has ready in time. */
interface Most {
  readonly placed: BatchPlan | null;
  readonly counts: number;
}

/** Nearly always what asks for less is easier: halves the range until as much as can be is known. @param tries so much of it */
const halve = (all: number, tries: (much: number) => boolean): void => {
  let [fits, tooMuch] = [0, all];
  while (tooMuch - fits > 1) {
    const much = (fits + tooMuch) >> 1;
    if (tries(much)) fits = much;
    else tooMuch = much;
  }
};

/**
 * As much of a batch as can be baked: all of it; or the most trays of it that find room, the early ones or the late ones; or
 * all of them for those who are served later, without who comes first. Nothing less than its mixer takes.
 */
const placePart = (floor: Floor, problem: PlanProblem, share: BatchShareOfDay, choices: Choices): Most => {
  const { trays } = share;
  const least = leastOf(share);
  const quickly = { ...choices, together: choices.together.slice(0, 1), coarse: true };
  const wants = wantsOf(share);
  let most: Most = { placed: null, counts: 0 };
  const tries = (part: BatchShareOfDay): boolean => {
    const placed = placeBatch(floor, problem, part, quickly);
    if ('reason' in placed) return false;
    const counts = countsInTime(wants, placed.loads);
    if (counts > most.counts) most = { placed, counts };
    return true;
  };
  if (least !== null)
    for (const from of ['start', 'end'] as const)
      halve(trays.length, (count) => {
        const part = withTrays(share, from === 'start' ? trays.slice(0, count) : trays.slice(-count));
        return part.batch.massG < least || tries(part);
      });
  const dues = [...new Set(wants.map(({ dueS }) => dueS))];
  // The fewest moments that are given up.
  halve(dues.length, (kept) => {
    const part = withoutBefore(share, dues[dues.length - kept] as number);
    return part === null || tries(part);
  });
  return most;
};

/** As much of a batch as can be baked in time, and why not more. */
export const placeMost = (
  floor: Floor,
  problem: PlanProblem,
  share: BatchShareOfDay,
  choices: Choices = plainChoices,
): { readonly placed: BatchPlan | null; readonly reason: string } => {
  const reach = withinReach(problem, share);
  const tooSoon = reach === share ? '' : noOven(problem, share, share.dueS);
  if (!reach) return { placed: null, reason: tooSoon };
  const whole = placeBatch(floor, problem, reach, choices);
  if (!('reason' in whole)) return { placed: whole, reason: tooSoon };
  return { placed: placePart(floor, problem, reach, choices).placed, reason: whole.reason };
};
