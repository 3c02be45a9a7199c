import type { BatchPlan, Plan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { servedBy, undonePieces } from '../problem/served.js';
import { solvePlan, type Effort } from './solve.js';
import { surenessOf } from './sure.js';

export interface SafeEffort extends Effort {
  /** Plan so that each ready-by holds on so many of the simulated days, as a share. */
  readonly chance?: number;
}

/** How much earlier than its ready-by everything is done when a plan is to be safe, s. */
const marginsS = [0, 300, 600, 900, 1200, 1800, 2700, 3600];

/** How long safer plans are sought where nothing is said, s. */
const safeSeconds = 6;

/** All that is due is due so much earlier. */
const ahead = (problem: PlanProblem, byS: number): PlanProblem =>
  byS === 0
    ? problem
    : {
        ...problem,
        products: problem.products.map((product) => ({
          ...product,
          demands: product.demands.map((demand) => ({ ...demand, readyByS: demand.readyByS - byS })),
        })),
      };

/** Loads of a plan that was made for earlier ready-bys, with the ready-bys as they are. */
const dueAgain = ({ fixed }: PlanProblem, batches: readonly BatchPlan[], byS: number): readonly BatchPlan[] =>
  batches.map((batch) =>
    // What has begun is as it was.
    byS === 0 || fixed.includes(batch)
      ? batch
      : { ...batch, loads: batch.loads.map((load) => ({ ...load, dueS: load.dueS + byS })) },
  );

/**
 * The plan whose least sure ready-by is sure enough; the surest of those that leave least undone where none is.
 * @throws JokulError of the solver
 */
export const safePlan = (problem: PlanProblem, options: SafeEffort) => {
  let best: { plan: Plan; undone: number; least: number } | null = null;
  const reasons = new Map<string, string>();
  // Several plans share the time of one.
  const effort: SafeEffort =
    options.chance === undefined ? options : { ...options, seconds: (options.seconds ?? safeSeconds) / 4 };
  for (const byS of options.chance === undefined ? [0] : marginsS) {
    let solved;
    try {
      solved = solvePlan(ahead(problem, byS), effort);
    } catch (error) {
      // So much earlier would be before now.
      if (byS === 0) throw error;
      break;
    }
    const batches = dueAgain(problem, solved.batches, byS);
    const undone = undonePieces(problem, batches);
    if (byS === 0) for (const { batchId, reason } of solved.unplaced) reasons.set(batchId, reason);
    const wanted = options.chance;
    const sure = wanted === undefined ? [] : surenessOf(problem, batches, 200);
    const whole = new Set(
      servedBy(problem, batches)
        .filter(({ pieces, ordered }) => pieces >= ordered)
        .map(({ productCode, demand }) => `${productCode}/${demand}`),
    );
    const least = Math.min(
      1,
      ...sure
        .filter(({ productCode, demand }) => whole.has(`${productCode}/${demand}`))
        .map(({ probability }) => probability),
    );
    if (!best || undone < best.undone || (undone === best.undone && least > best.least))
      best = { plan: { ...solved, batches }, undone, least };
    if (wanted === undefined || (undone <= best.undone && least >= wanted)) break;
  }
  return { plan: best?.plan ?? { batches: problem.fixed, unplaced: [], boundS: 0 }, reasons };
};
