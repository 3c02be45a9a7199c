import { type BatchPlan, type Task } from '../problem/plan.js';
import { hasSpareBowl, leftInBowl, resourceIds, washedAfterS, type PlanProblem } from '../problem/problem.js';
import { Floor } from './floor-plan.js';

const stepS = 60;
const isCleaning = ({ kind, id }: Task): boolean => kind === 'prepare' && id.endsWith('/clean');

/** The dough that was mixed in a bowl, and the one that is mixed in it next. */
interface Pair {
  readonly before: BatchPlan;
  readonly beforeEndS: number;
  readonly next: BatchPlan;
  readonly nextStartS: number;
  readonly nextEndS: number;
}

const pairsOf = (batches: readonly BatchPlan[]): readonly Pair[] => {
  const mixed = batches
    .flatMap((batch) => {
      const mix = batch.tasks.find(({ kind }) => kind === 'mix');
      return mix ? [{ batch, mix }] : [];
    })
    .sort((a, b) => a.mix.startS - b.mix.startS);
  return mixed.flatMap(({ batch, mix }, i): Pair[] => {
    const before = mixed.slice(0, i).findLast((other) => other.batch.mixerId === batch.mixerId);
    return before
      ? [
          {
            before: before.batch,
            beforeEndS: before.mix.endS,
            next: batch,
            nextStartS: mix.startS,
            nextEndS: mix.endS,
          },
        ]
      : [];
  });
};

/**
 * Cleaning a bowl of an allergen, a task of the dough that is mixed in it next: as soon as a hand is free after the dough
 * before. The plan keeps the time for it between the two; what finds no hand in that time is left to whoever comes by, as
 * other work before a mixing is. Where the mixer has a bowl more, the dirty one is cleaned while the next dough is mixed. Batches that have begun keep what they have.
 */
export const withCleanings = (problem: PlanProblem, batches: readonly BatchPlan[]): readonly BatchPlan[] => {
  const { bowls, nowS } = problem;
  if (!bowls) return batches;
  const facts = new Set(problem.fixed.map(({ batchId }) => batchId));
  const planned = batches.map((batch) =>
    facts.has(batch.batchId) || !batch.tasks.some(isCleaning)
      ? batch
      : { ...batch, tasks: batch.tasks.filter((task) => !isCleaning(task)) },
  );
  const floor = new Floor({ ...problem, fixed: planned });
  const cleanings = new Map<string, Task>();
  for (const pair of pairsOf([...planned, ...(problem.taken ?? [])])) {
    const { before, beforeEndS, next, nextStartS, nextEndS } = pair;
    const spare = hasSpareBowl(bowls, next.mixerId);
    const dirty = leftInBowl(bowls, before.productCode, next.productCode).length > 0;
    // Hours apart it was washed with everything else anyway.
    if (!dirty || facts.has(next.batchId) || nextStartS - beforeEndS > washedAfterS) continue;
    const byS = spare ? nextEndS : nextStartS;
    for (let startS = Math.max(beforeEndS, nowS); startS + bowls.cleanS <= byS; startS += stepS) {
      const task: Task = {
        id: `${next.batchId}/clean`,
        kind: 'prepare',
        batchId: next.batchId,
        startS,
        endS: startS + bowls.cleanS,
        uses: [
          { resourceId: resourceIds.hands, amount: 1 },
          ...(spare ? [] : [{ resourceId: next.mixerId, amount: 1 }]),
        ],
      };
      if (floor.blocking([task])) continue;
      floor.timeline.add(task);
      cleanings.set(next.batchId, task);
      break;
    }
  }
  return planned.map((batch) => {
    const task = cleanings.get(batch.batchId);
    return task ? { ...batch, tasks: [task, ...batch.tasks] } : batch;
  });
};
