import type { BatchPlan, Plan } from '../problem/plan.js';
import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { servedBy, undonePieces } from '../problem/served.js';
import { soonestTrayS } from './reach.js';
import { solvePlan, type Effort } from './solve.js';
import { surenessOf } from './sure.js';

export interface SafeEffort extends Effort {
  /** Plan so that each ready-by holds on so many of the simulated days, as a share. */
  readonly chance?: number;
}

/** How much earlier than its ready-by something is done when a plan is to be safe, s: one step after the other. */
const marginsS = [0, 300, 600, 900, 1200, 1800, 2700, 3600];

/** How long safer plans are sought where nothing is said, s. */
const safeSeconds = 6;

/** A ready-by of a product, by which its margin is known. */
const keyOf = (productCode: string, dueS: number): string => `${productCode}@${dueS}`;

/** So much earlier than its ready-by something of a product is wanted, s. */
type MarginOf = (productCode: string, dueS: number) => number;

/** By when each ready-by of a product is wanted, in their order. */
const tightOf = (product: PlanProduct, marginOf: MarginOf): ReadonlyMap<number, number> => {
  const dues = [...new Set(product.demands.map(({ readyByS }) => readyByS))].sort((a, b) => a - b);
  const tight = new Map<number, number>();
  let lastS = Number.NEGATIVE_INFINITY;
  for (const dueS of dues) {
    // What is due first stays first: pieces are dealt out in that order.
    lastS = Math.max(lastS, dueS - marginOf(product.code, dueS));
    tight.set(dueS, lastS);
  }
  return tight;
};

/** The problem with everything due as much earlier as it should be, and the way back from a plan for it. */
const ahead = (problem: PlanProblem, marginOf: MarginOf) => {
  const tights = new Map(problem.products.map((product) => [product.code, tightOf(product, marginOf)]));
  const moved = (batch: BatchPlan, to: (dueS: number) => number): BatchPlan => ({
    ...batch,
    loads: batch.loads.map((load) => ({ ...load, dueS: to(load.dueS) })),
  });
  const fixed = new Map(
    problem.fixed.map((batch) => {
      const tight = tights.get(batch.productCode);
      return [moved(batch, (dueS) => tight?.get(dueS) ?? dueS), batch] as const;
    }),
  );
  const tightened: PlanProblem = {
    ...problem,
    fixed: [...fixed.keys()],
    products: problem.products.map((product) => ({
      ...product,
      demands: product.demands.map((demand) => ({
        ...demand,
        readyByS: tights.get(product.code)?.get(demand.readyByS) ?? demand.readyByS,
      })),
    })),
  };
  const dueAgain = (batches: readonly BatchPlan[]): readonly BatchPlan[] =>
    batches.map((batch) => {
      const asItWas = fixed.get(batch);
      if (asItWas) return asItWas;
      // Of two that are wanted at one moment the first is the one that counts.
      const back = new Map(
        [...(tights.get(batch.productCode) ?? [])].reverse().map(([due, tight]) => [tight, due]),
      );
      return moved(batch, (dueS) => back.get(dueS) ?? dueS);
    });
  return { tightened, dueAgain };
};

/** How sure each ready-by of a plan is that is whole by it and not past; and which ready-bys are not whole. */
const standingOf = (problem: PlanProblem, batches: readonly BatchPlan[]) => {
  const dueOf = (productCode: string, demand: number) =>
    problem.products.find(({ code }) => code === productCode)?.demands[demand]?.readyByS ?? 0;
  const served = servedBy(problem, batches);
  const lost = new Set<string>();
  for (const { productCode, demand, pieces, ordered } of served)
    if (pieces < ordered) lost.add(keyOf(productCode, dueOf(productCode, demand)));
  const sure = new Map<string, number>();
  for (const { productCode, demand, probability } of surenessOf(problem, batches, 200)) {
    const dueS = dueOf(productCode, demand);
    const key = keyOf(productCode, dueS);
    if (dueS > problem.nowS && !lost.has(key)) sure.set(key, Math.min(probability, sure.get(key) ?? 1));
  }
  return { lost, sure };
};

/** How much earlier a product's dough could be ready than it is due, were it begun now on an empty floor, s. */
const roomOf = (problem: PlanProblem): MarginOf => {
  const soonest = new Map(
    problem.products.map((product) => [
      product.code,
      Math.min(...product.batches.map((batch) => soonestTrayS(problem, { product, batch }))),
    ]),
  );
  return (productCode, dueS) => Math.max(0, dueS - (soonest.get(productCode) ?? dueS));
};

/**
 * The plan of which each ready-by is sure enough; where not all can be, the one that lacks least of it. A ready-by that is not
 * sure is wanted earlier, step by step, as far as that leaves nothing undone; what is sure already stays as late as it was.
 * @throws JokulError of the solver
 */
export const safePlan = (problem: PlanProblem, options: SafeEffort) => {
  const { chance: wanted } = options;
  const reasons = new Map<string, string>();
  // Several plans share the time of one.
  const effort: SafeEffort =
    wanted === undefined ? options : { ...options, seconds: (options.seconds ?? safeSeconds) / 4 };
  const steps = new Map<string, number>();
  const stuck = new Set<string>();
  const room = roomOf(problem);
  const marginOf: MarginOf = (code, dueS) =>
    Math.min(marginsS[steps.get(keyOf(code, dueS)) ?? 0] ?? 0, room(code, dueS));
  let best: { plan: Plan; undone: number; lacks: number } | null = null;
  let asOrdered: { undone: number; unplaced: Plan['unplaced'] } | null = null;
  for (let round = 0; round < (wanted === undefined ? 1 : marginsS.length); round++) {
    const { tightened, dueAgain } = ahead(problem, marginOf);
    const solved = solvePlan(tightened, effort);
    const batches = dueAgain(solved.batches);
    if (round === 0) for (const { batchId, reason } of solved.unplaced) reasons.set(batchId, reason);
    const undone = undonePieces(problem, batches);
    asOrdered ??= { undone, unplaced: solved.unplaced };
    if (wanted === undefined) return { plan: { ...solved, batches }, reasons };
    const { lost, sure } = standingOf(problem, batches);
    const unsure = [...sure].filter(([, probability]) => probability < wanted);
    const lacks = unsure.reduce((sum, [, probability]) => sum + wanted - probability, 0);
    // What is late only for what it was wanted by is not late.
    const unplaced = undone === 0 ? [] : undone === asOrdered.undone ? asOrdered.unplaced : solved.unplaced;
    if (!best || undone < best.undone || (undone === best.undone && lacks < best.lacks - 1e-9))
      best = { plan: { ...solved, batches, unplaced }, undone, lacks };
    // Wanted too early: a step back, and no further.
    const tooEarly = undone > best.undone ? [...lost].filter((key) => (steps.get(key) ?? 0) > 0) : [];
    for (const key of tooEarly) {
      steps.set(key, (steps.get(key) ?? 0) - 1);
      stuck.add(key);
    }
    const earlier = unsure.filter(([key]) => !stuck.has(key) && (steps.get(key) ?? 0) < marginsS.length - 1);
    for (const [key] of earlier) steps.set(key, (steps.get(key) ?? 0) + 1);
    if (tooEarly.length === 0 && earlier.length === 0) break;
  }
  return { plan: best?.plan ?? { batches: problem.fixed, unplaced: [], boundS: 0 }, reasons };
};
