import { say } from '../../shown/index.js';
import { usualWeights } from '../problem/costs.js';
import { type Load } from '../problem/plan.js';
import type { BatchPlan } from '../problem/plan.js';
import { betweenLoadsS, heatUpS, type PlanOven, type PlanProblem } from '../problem/problem.js';
import { portionS } from '../problem/tasks.js';

/** What a plan costs, in minutes of one person, and of what that is made up. */
export interface PlanCost {
  readonly minutes: number;
  readonly terms: readonly {
    readonly name: string;
    readonly minutes: number;
    /** What it is, for whoever says it otherwise; not in plans of before it was said. */
    readonly of?: 'hands' | 'oven-hands' | 'heat' | 'age';
  }[];
}

/** Minutes that a chamber is hot for its loads: heating up, loads and what lies between; cooled down where that is less. */
const hotMinutes = (oven: PlanOven, loads: readonly Load[], loadGapS: number): number => {
  let hot = 0;
  let before: Load | null = null;
  for (const load of [...loads].sort((a, b) => a.startS - b.startS)) {
    const fromCold = heatUpS(oven, load.setC) / 60;
    const stays = before ? (load.startS - before.startS - before.pullS) / 60 : Number.POSITIVE_INFINITY;
    const least = before ? betweenLoadsS(oven, before.setC, load.setC, loadGapS) / 60 : 0;
    hot += load.pullS / 60 + Math.max(least, Math.min(stays, fromCold));
    before = load;
  }
  return hot;
};

/**
 * The cost of a plan: work at mixer, bench, oven and packing, minutes that chambers are hot, and pieces that wait longer
 * than they stay fresh. What was done before now is not counted.
 */
export const costOf = (problem: PlanProblem, batches: readonly BatchPlan[]): PlanCost => {
  const { ovenMinute, packPieceS, staleHour, freshS } = problem.weights ?? usualWeights;
  const products = new Map(problem.products.map((product) => [product.code, product]));
  const begun = new Set(problem.fixed.map(({ batchId }) => batchId));
  const byOven = new Map<string, Load[]>();
  let mixing = 0;
  let loading = 0;
  let stale = 0;
  for (const batch of batches) {
    const product = products.get(batch.productCode);
    if (!product) continue;
    const mixes = batch.tasks.some((task) => task.kind === 'mix');
    const portions = batch.tasks.some((task) => task.kind === 'portion');
    if (!begun.has(batch.batchId)) {
      if (mixes) mixing += product.mixS / 60;
      if (portions) mixing += portionS(product, { pieces: batch.pieces }) / 60;
    }
    for (const load of batch.loads) {
      byOven.set(load.ovenId, [...(byOven.get(load.ovenId) ?? []), load]);
      const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
      // Filled and emptied as a whole, packed piece by piece.
      loading += (problem.loadGapS + packPieceS * pieces) / 60;
      stale += (pieces * Math.max(0, load.dueS - load.readyS - freshS)) / 3600;
    }
  }
  const hot = problem.ovens.reduce(
    (sum, oven) => sum + hotMinutes(oven, byOven.get(oven.id) ?? [], problem.loadGapS),
    0,
  );
  const terms = [
    { of: 'hands' as const, name: say`mixing and portioning`, minutes: mixing },
    { of: 'oven-hands' as const, name: say`loading, pulling and packing`, minutes: loading },
    { of: 'heat' as const, name: say`hot ovens`, minutes: ovenMinute * hot },
    { of: 'age' as const, name: say`pieces past their freshest`, minutes: staleHour * stale },
  ];
  return { minutes: terms.reduce((sum, { minutes }) => sum + minutes, 0), terms };
};
