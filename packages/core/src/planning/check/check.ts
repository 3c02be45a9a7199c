import { sayDuration, say } from '../../shown/index.js';
import type { BatchPlan, Plan, Task } from '../problem/plan.js';
import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { checkLoads, checkStock } from './check-loads.js';
import { checkBowls, checkCapacity, checkOvens, checkUnknown } from './check-resources.js';
import type { Violation } from './violation.js';

const checkBatch = (
  problem: PlanProblem,
  product: PlanProduct,
  batch: BatchPlan,
  waitMaxS: number,
): Violation[] => {
  const found: Violation[] = [];
  const broken = (code: Violation['code'], message: string) =>
    found.push({ code, where: batch.batchId, message: `${batch.batchId}: ${message}` });
  const one = (kind: Task['kind']) => batch.tasks.find((task) => task.kind === kind);
  const own = product.batches.find(({ id }) => id === batch.batchId);
  const stock = own?.stock ?? batch.stock;
  if (stock) return checkStock(problem, product, stock, batch, waitMaxS);
  const mix = one('mix');
  const portion = one('portion');
  const begun = problem.fixed.some(({ batchId }) => batchId === batch.batchId);
  if (!mix || !portion) {
    broken('precedence', say`mixing or portioning is missing.`);
    return found;
  }
  // Not baked at all: that its pieces are missing is all there is to say.
  if (batch.loads.length === 0) return checkLoads(product, batch, begun);
  const starts = batch.loads.map((load) => load.startS);
  const [first, last] = [Math.min(...starts), Math.max(...starts)];
  if (batch.tasks.some((task) => task.kind === 'prepare' && task.endS > mix.startS))
    broken('precedence', say`something is made ready for it only after it is mixed.`);
  if (portion.startS < mix.endS) broken('precedence', say`it is portioned before it is mixed.`);
  if (first < portion.endS) broken('precedence', say`it is baked before it is portioned.`);
  const { rest } = product;
  const rested =
    rest.form === 'tub' ? [portion.startS - mix.endS] : [first - portion.endS, last - portion.endS];
  for (const restS of rested) {
    if (restS < rest.minS || restS > rest.maxS) {
      broken(
        'rest-window',
        say`it rests ${sayDuration(restS)}; its window is ${sayDuration(rest.minS)} to ${sayDuration(rest.maxS)}.`,
      );
    }
  }
  if (rest.form === 'tub' && last - portion.endS > waitMaxS)
    broken('rest-window', say`portioned pieces wait too long for the oven.`);
  found.push(...checkLoads(product, batch, begun));
  const mixers = own?.mixerIds ?? (own ? [own.mixerId] : [batch.mixerId]);
  if (!mixers.includes(batch.mixerId)) broken('capacity', say`${batch.mixerId} does not take it.`);
  if (!begun && Math.min(...batch.tasks.map((t) => t.startS)) < problem.nowS) {
    broken('past', say`it would have to begin before now.`);
  }
  return found;
};

/** Cumulative pieces ready must cover cumulative pieces due, at every ready-by. */
const checkReadiness = (product: PlanProduct, batches: readonly BatchPlan[], undone: number): Violation[] => {
  const loads = batches.flatMap((b) => b.loads);
  const total = product.demands.reduce((sum, d) => sum + d.pieces, 0);
  return product.demands.flatMap((demand) => {
    const due = product.demands
      .filter((d) => d.readyByS <= demand.readyByS)
      .reduce((sum, d) => sum + d.pieces, 0);
    const ready = loads
      .filter((load) => load.readyS <= demand.readyByS)
      .reduce((sum, load) => sum + load.trays.reduce((n, tray) => n + tray.pieces, 0), 0);
    // What the plan openly leaves undone is said elsewhere; it is not counted again here.
    const open = undone >= total ? due : undone;
    return ready + open < due
      ? [
          {
            code: 'late' as const,
            where: product.code,
            message: say`${product.name} for ${demand.name}: ${due} pieces are due, ${ready} would be ready.`,
          },
        ]
      : [];
  });
};

/**
 * Every rule that the plan breaks; an empty list proves that it breaks none of: capacities, shifts and oven hours,
 * one load at a time per chamber with its temperature changes, order of work, rest windows, ready-by, piece counts.
 * @param waitMaxS longest wait of portioned tub dough
 */
export const checkPlan = (problem: PlanProblem, plan: Plan, waitMaxS = 3 * 3600): readonly Violation[] => {
  const standing = [...plan.batches, ...(problem.taken ?? [])];
  const tasks = standing.flatMap((batch) => batch.tasks);
  const of = (code: string) => plan.batches.filter((batch) => batch.productCode === code);
  return [
    ...checkUnknown(problem, tasks),
    ...checkCapacity(problem, tasks),
    ...checkOvens(problem, standing),
    ...checkBowls(problem, standing),
    ...problem.products.flatMap((product) => [
      ...of(product.code).flatMap((batch) => checkBatch(problem, product, batch, waitMaxS)),
      ...checkReadiness(
        product,
        of(product.code),
        plan.unplaced.filter((u) => u.productCode === product.code).reduce((sum, u) => sum + u.pieces, 0),
      ),
    ]),
  ];
};
