import type { BatchPlan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { plainChoices, type Choices } from './choices.js';
import type { Floor } from './floor-plan.js';
import { placeAfter } from './place-after.js';
import { placeLoads } from './place-loads.js';
import { placeWork } from './place-work.js';
import type { Refusal } from './refusal.js';
import type { BatchShareOfDay, TrayShare } from './shares.js';

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
