import { wallClock } from '../../quantity/index.js';
import { sayDuration, say } from '../../shown/index.js';
import type { BatchPlan } from '../problem/plan.js';
import type { Availability, PlanProblem } from '../problem/problem.js';
import { resourceIds } from '../problem/problem.js';
import { servedBy, type Served } from '../problem/served.js';
import { soonestTrayS } from '../solve/reach.js';
import { solvePlan } from '../solve/solve.js';

/** A way out that was tried on the whole plan and works. */
export interface WayOut {
  readonly kind: 'fewer' | 'later' | 'earlier-start' | 'more-trays';
  /** A sentence for the baker. */
  readonly say: string;
  /** Pieces, s, s, trays. */
  readonly amount: number;
}

const quarterS = 15 * 60;
const laterS = [15, 30, 45, 60, 90, 120, 180, 240, 360, 480, 720, 1440, 2160, 2880].map((min) => min * 60);
const earlierS = [20, 40, 60, 90, 120].map((min) => min * 60);
const traysMore = [4, 8, 16, 32];

const changeDue = (problem: PlanProblem, { productCode, demand }: Served, byS: number): PlanProblem => ({
  ...problem,
  products: problem.products.map((product) =>
    product.code === productCode
      ? {
          ...product,
          demands: product.demands.map((d, i) => (i === demand ? { ...d, readyByS: d.readyByS + byS } : d)),
        }
      : product,
  ),
});

/** No break is longer than this, s. */
const longestBreakS = 3 * 3600;

/** Shifts that have yet to begin begin so much earlier, but not before now; they keep their breaks. */
const startEarlier = (problem: PlanProblem, byS: number): PlanProblem => {
  const isAfterBreak = (when: readonly Availability[], { fromS }: Availability) =>
    when.some(({ toS }) => toS < fromS && fromS - toS <= longestBreakS);
  const shift = (when: readonly Availability[]) =>
    when.map((a) =>
      a.fromS > problem.nowS && !isAfterBreak(when, a)
        ? { ...a, fromS: Math.max(problem.nowS, a.fromS - byS) }
        : a,
    );
  return {
    ...problem,
    ovenHours: shift(problem.ovenHours),
    resources: problem.resources.map((r) => (r.when ? { ...r, when: shift(r.when) } : r)),
  };
};

const withTrays = (problem: PlanProblem, more: number): PlanProblem => ({
  ...problem,
  resources: problem.resources.map((r) =>
    r.id === resourceIds.trays ? { ...r, capacity: r.capacity + more } : r,
  ),
});

/** A moment by the bakery's clock, with its date when that is another one than now. */
const sayMoment = (atS: number, nowS: number, timeZone: string): string => {
  const { date, time } = wallClock(atS, timeZone);
  return date === wallClock(nowS, timeZone).date ? time : say`${time} on ${date}`;
};

/** The changed plan serves the demand whole, and no other demand worse than before. */
const works = (problem: PlanProblem, wanted: Served, before: readonly Served[], tries: number): boolean => {
  let batches: readonly BatchPlan[];
  try {
    ({ batches } = solvePlan(problem, { tries, seconds: 2 }));
  } catch {
    return false;
  }
  const same = (a: Served, b: Served) => a.productCode === b.productCode && a.demand === b.demand;
  const after = servedBy(problem, batches);
  return before.every((old) => {
    const now = after.find((served) => same(served, old));
    return (now?.pieces ?? 0) >= (same(old, wanted) ? old.ordered : old.pieces);
  });
};

const firstThat = (
  amounts: readonly number[],
  untilMs: number,
  does: (amount: number) => boolean,
): number | undefined => {
  for (const amount of amounts) {
    if (Date.now() > untilMs) return undefined;
    if (does(amount)) return amount;
  }
  return undefined;
};

/** How much later its dough could be ready at the soonest, had it the floor to itself, s: less need not be tried. */
const leastLaterS = (problem: PlanProblem, { productCode, demand }: Served): number => {
  const product = problem.products.find(({ code }) => code === productCode);
  const dueS = product?.demands[demand]?.readyByS ?? 0;
  const own = (product?.batches ?? []).filter(({ serves }) => serves?.includes(demand) ?? true);
  const soonest = own.map((batch) => (product ? soonestTrayS(problem, { product, batch }) : dueS));
  return soonest.length === 0 ? 0 : Math.max(0, Math.min(...soonest) - dueS);
};

/** The first of some later ready-bys that does, then the first quarter of an hour before it that does too, about. */
const firstLater = (leastS: number, untilMs: number, does: (byS: number) => boolean): number | undefined => {
  const tried = laterS.filter((byS) => byS >= leastS);
  const found = firstThat(tried, untilMs, does);
  if (found === undefined) return undefined;
  let tooSoon = Math.floor(Math.max(leastS - 1, laterS.findLast((byS) => byS < found) ?? 0) / quarterS);
  let enough = found / quarterS;
  while (enough - tooSoon > 1 && Date.now() < untilMs) {
    const middle = (tooSoon + enough) >> 1;
    if (does(middle * quarterS)) enough = middle;
    else tooSoon = middle;
  }
  return enough * quarterS;
};

/**
 * Ways out for a demand that is not ready in time, each tried by planning everything again: it is served whole then, and
 * nobody else is served worse. The cheapest first; none where none was found.
 * @param timeZone of the bakery, by whose clock a later ready-by is said
 * @param untilMs no further one is tried after this moment
 */
export const waysOut = (
  problem: PlanProblem,
  served: readonly Served[],
  wanted: Served,
  timeZone: string,
  untilMs: number,
  tries = 12,
): readonly WayOut[] => {
  const ways: WayOut[] = [];
  const dueS = problem.products.find(({ code }) => code === wanted.productCode)?.demands[wanted.demand]
    ?.readyByS;
  if (dueS === undefined) return ways;
  if (wanted.pieces > 0)
    ways.push({
      kind: 'fewer',
      say: say`Take ${wanted.pieces} instead of ${wanted.ordered}: so many are ready in time.`,
      amount: wanted.pieces,
    });
  const early = firstThat(earlierS, untilMs, (s) => works(startEarlier(problem, s), wanted, served, tries));
  if (early !== undefined)
    ways.push({
      kind: 'earlier-start',
      say: say`Begin the shifts ${sayDuration(early)} earlier.`,
      amount: early,
    });
  const later = firstLater(leastLaterS(problem, wanted), untilMs, (s) =>
    works(changeDue(problem, wanted, s), wanted, served, tries),
  );
  if (later !== undefined)
    ways.push({
      kind: 'later',
      say: say`Have it ready at ${sayMoment(dueS + later, problem.nowS, timeZone)}, ${sayDuration(later)} later.`,
      amount: later,
    });
  const trays = firstThat(traysMore, untilMs, (n) => works(withTrays(problem, n), wanted, served, tries));
  if (trays !== undefined)
    ways.push({ kind: 'more-trays', say: say`Find ${trays} more trays.`, amount: trays });
  return ways;
};
