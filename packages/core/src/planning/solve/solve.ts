import type { Plan } from '../problem/plan.js';
import { checkProblem } from '../problem/problem-check.js';
import type { PlanProblem } from '../problem/problem.js';
import { plainChoices } from './choices.js';
import { withCleanings } from './clean-bowls.js';
import { better, Draft, type Score } from './draft.js';
import { improve, slack, type Effort } from './improve.js';
import { soonestTrayS } from './reach.js';
import { sharesOf, type BatchShareOfDay } from './shares.js';

/** Orders in which batches may be placed at first. */
const orders: readonly ((a: BatchShareOfDay, b: BatchShareOfDay) => number)[] = [
  (a, b) => a.dueS - b.dueS || slack(a.product) - slack(b.product),
  (a, b) => slack(a.product) - slack(b.product) || a.dueS - b.dueS,
  (a, b) => b.dueS - a.dueS || slack(a.product) - slack(b.product),
  (a, b) => a.dueS - b.dueS || b.trays.length - a.trays.length,
];

/**
 * Plans everything backward from the ready-by times: each batch as late as it can go, in several orders, the best of
 * which is then improved by taking batches out and putting them back otherwise. First the fewest pieces that are not
 * ready in time, then the least cost. Batches in `fixed` stay.
 * @throws JokulError `piece-too-large`, `ready-by-past`, `too-much`, `too-far`
 */
export const solvePlan = (problem: PlanProblem, effort: Effort = {}): Plan => {
  const startedMs = Date.now();
  checkProblem(problem);
  const shares = problem.products
    .flatMap((product) =>
      sharesOf(
        product,
        problem.fixed.filter(({ productCode }) => productCode === product.code),
        (batch) => soonestTrayS(problem, { product, batch }),
      ),
    )
    // A batch of nothing is no work.
    .filter(({ trays }) => trays.length > 0);
  let draft: Draft | undefined;
  let score: Score | undefined;
  const hands = problem.products.some(({ after }) => after);
  for (const order of orders)
    for (const fine of hands ? [false, true] : [false]) {
      const next = new Draft(problem, shares);
      next.put([...shares].sort(order), () => ({ ...plainChoices, fine }));
      const own = next.score();
      if (!draft || !score || better(own, score)) [draft, score] = [next, own];
    }
  if (!draft) throw new Error('there is always an order to begin with');
  improve(draft, effort, startedMs);
  const plan = draft.plan();
  return { ...plan, batches: withCleanings(problem, plan.batches) };
};

export { quickTries, type Effort } from './improve.js';
