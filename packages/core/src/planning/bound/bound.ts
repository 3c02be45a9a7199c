import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { afterPullS, portionS } from '../problem/tasks.js';

/** Shortest way of one piece through the line, s. */
const chainS = (product: PlanProduct): number => {
  const batch = product.batches[0];
  if (!batch || product.bakes.length === 0) return 0;
  const quickest = Math.min(...product.bakes.map((bake) => bake.pullS));
  return product.mixS + portionS(product, batch) + product.rest.minS + quickest + afterPullS(product, 1);
};

/**
 * A time below which no plan can be: the larger of the longest chain, and the oven work spread evenly over all places.
 */
export const lowerBoundS = (problem: PlanProblem): number => {
  const places = problem.ovens.reduce((sum, oven) => sum + oven.places, 0);
  const work = problem.products.reduce((sum, product) => {
    const trays = product.batches.reduce((n, batch) => n + Math.ceil(batch.pieces / product.perTray), 0);
    const quickest = product.bakes.length > 0 ? Math.min(...product.bakes.map((bake) => bake.pullS)) : 0;
    return sum + trays * quickest;
  }, 0);
  return Math.max(0, ...problem.products.map(chainS), places > 0 ? work / places : 0);
};
