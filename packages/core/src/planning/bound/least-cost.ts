import { usualWeights } from '../problem/costs.js';
import { heatUpS, type PlanProblem, type PlanProduct } from '../problem/problem.js';
import { afterPullS } from '../problem/tasks.js';
import { ovenWindows } from './oven-windows.js';

/** Pieces that have yet to be baked of a product, and how many of them need new dough. */
interface Wanted {
  readonly bake: number;
  readonly mix: number;
}

const wantedOf = (problem: PlanProblem, product: PlanProduct): Wanted => {
  const ordered = product.demands.reduce((sum, { pieces }) => sum + pieces, 0);
  const begun = problem.fixed
    .filter(({ productCode }) => productCode === product.code)
    .reduce((sum, { pieces }) => sum + pieces, 0);
  const stock = product.batches.reduce((sum, { stock: is, pieces }) => sum + (is ? pieces : 0), 0);
  const bake = Math.max(0, ordered - begun);
  return { bake, mix: Math.max(0, bake - stock) };
};

/** The least that `trays` trays cost in loads of one product, minutes, for every number up to the last. */
const leastOfLoads = (problem: PlanProblem, product: PlanProduct, trays: number): Float64Array => {
  const { ovenMinute } = problem.weights ?? usualWeights;
  // A load is filled and emptied, and its chamber is hot for that, too.
  const gap = (problem.loadGapS / 60) * (1 + ovenMinute);
  const kinds = product.bakes.flatMap(({ ovenId, pullS }) => {
    const oven = problem.ovens.find(({ id }) => id === ovenId);
    return oven && oven.places > 0
      ? [
          {
            places: oven.places,
            minutes: gap + (ovenMinute * pullS) / 60,
          },
        ]
      : [];
  });
  const least = new Float64Array(trays + 1).fill(Number.POSITIVE_INFINITY);
  least[0] = 0;
  for (let n = 1; n <= trays; n++)
    for (const { places, minutes } of kinds)
      least[n] = Math.min(least[n] as number, (least[Math.max(0, n - places)] as number) + minutes);
  return least;
};

/**
 * A product's least cost by the number of its pieces, minutes per piece at the cheapest number, and for all of them.
 * Batches are as large as its largest, loads as full as can be, ovens at their temperature already.
 */
const leastOf = (problem: PlanProblem, product: PlanProduct) => {
  const { bake, mix } = wantedOf(problem, product);
  const largest = Math.max(1, ...product.batches.filter((b) => !b.stock).map(({ pieces }) => pieces));
  const weights = problem.weights ?? usualWeights;
  const loads = leastOfLoads(problem, product, Math.ceil(bake / product.perTray));
  /** In loads as full as can be, whenever they are due. */
  const loading = (pieces: number) => loads[Math.ceil(pieces / product.perTray)] as number;
  const work = (pieces: number) => {
    const fresh = Math.max(0, pieces - (bake - mix));
    const batches = Math.ceil(fresh / largest);
    return (
      (batches * (product.mixS + product.portionSetUpS) +
        fresh * product.portionSPerPiece +
        pieces * weights.packPieceS) /
      60
    );
  };
  const minutes = (pieces: number) => work(pieces) + loading(pieces);
  let perPiece = bake > 0 ? minutes(bake) / bake : 0;
  for (let pieces = 1; pieces < bake; pieces++) perPiece = Math.min(perPiece, minutes(pieces) / pieces);
  return { product, pieces: bake, work: work(bake), loading, perPiece };
};

type Least = ReturnType<typeof leastOf>;

/**
 * How far apart ready-bys lie that one load may be for, s: a load counts as due with the first of them, so that pieces which
 * ride along wait for nothing until then.
 */
const spreadOf = ({ batches, demands }: PlanProduct): number =>
  Math.max(
    0,
    ...batches.map(({ serves }) => {
      const dues = (serves ? serves.flatMap((i) => demands[i] ?? []) : demands).map(
        ({ readyByS }) => readyByS,
      );
      return dues.length === 0 ? 0 : Math.max(...dues) - Math.min(...dues);
    }),
  );

/** What it takes to heat the chamber that takes least, for one of some products, beyond the time between two loads, min. */
const heatFor = (problem: PlanProblem, products: readonly PlanProduct[], restedS: number): number =>
  Math.min(
    ...products.flatMap(({ bakes }) =>
      bakes.flatMap(({ ovenId, setC }) => {
        const oven = problem.ovens.find(({ id }) => id === ovenId);
        return oven ? [Math.max(0, Math.min(restedS, heatUpS(oven, setC)) - problem.loadGapS) / 60] : [];
      }),
    ),
  );

/**
 * The least that loads and heating cost when each stretch of attended ovens is looked at by itself: what is due in it is
 * baked in it, in loads as full as can be in a chamber that is heated anew, or in one before, and then waits. A load that
 * takes in pieces of a later one costs nothing more for them, so that it is never too much.
 */
const leastByWindow = (problem: PlanProblem, own: readonly Least[]): number => {
  const { ovenMinute, staleHour, freshS } = problem.weights ?? usualWeights;
  return ovenWindows(problem.ovenHours).reduce((sum, { fromS }, w, windows) => {
    const nextS = windows[w + 1]?.fromS ?? Number.POSITIVE_INFINITY;
    const before = windows[w - 1];
    const due = own.flatMap(({ product, loading }) => {
      const demands = product.demands.filter(({ readyByS }) => readyByS >= fromS && readyByS < nextS);
      const pieces = demands.reduce((n, demand) => n + demand.pieces, 0);
      if (pieces === 0) return [];
      const firstS = Math.min(...demands.map(({ readyByS }) => readyByS));
      const afterS = afterPullS(product, 1);
      // Baked in the stretch before it waits at least so long; there may be none.
      const waitsS = before
        ? firstS - spreadOf(product) - before.toS - afterS - freshS
        : Number.POSITIVE_INFINITY;
      const stale = before ? (staleHour * Math.max(0, waitsS)) / 3600 : Number.POSITIVE_INFINITY;
      let least = pieces * stale;
      for (let here = pieces; here > 0; here -= 1)
        least = Math.min(least, loading(here) + (pieces - here) * (here === pieces ? 0 : stale));
      return [{ product, least, elsewhere: pieces * stale }];
    });
    if (due.length === 0) return sum;
    const heat = heatFor(
      problem,
      due.map(({ product }) => product),
      before ? fromS - before.toS : Number.POSITIVE_INFINITY,
    );
    const here = due.reduce((n, { least }) => n + least, ovenMinute * heat);
    return (
      sum +
      Math.min(
        here,
        due.reduce((n, { elsewhere }) => n + elsewhere, 0),
      )
    );
  }, 0);
};

/**
 * No plan that leaves `undone` ordered pieces or fewer costs less than this, minutes: work at mixer and bench in the largest
 * batches, loads as full as their ovens, one chamber heated in each stretch of attended ovens, no change of temperature, and
 * nothing that waits unless it is cheaper to. What has begun costs its loads.
 */
export const leastCost = (problem: PlanProblem, undone: number): number => {
  const weights = problem.weights ?? usualWeights;
  const bakeable = new Set(problem.ovens.filter(({ places }) => places > 0).map(({ id }) => id));
  const products = problem.products.filter(({ bakes }) => bakes.some(({ ovenId }) => bakeable.has(ovenId)));
  const own = products.map((product) => leastOf(problem, product));
  const begun = problem.fixed.reduce((sum, batch) => {
    if (!problem.products.some(({ code }) => code === batch.productCode)) return sum;
    return batch.loads.reduce((n, { pullS, trays }) => {
      const pieces = trays.reduce((all, tray) => all + tray.pieces, 0);
      return n + (problem.loadGapS + weights.packPieceS * pieces + weights.ovenMinute * pullS) / 60;
    }, sum);
  }, 0);
  if (undone <= 0) {
    const wanted = own.filter(({ pieces }) => pieces > 0);
    // Several products: one of them comes first, whichever heats least.
    const heat =
      wanted.length > 0 && problem.fixed.length === 0
        ? heatFor(
            problem,
            wanted.map(({ product }) => product),
            Number.POSITIVE_INFINITY,
          )
        : 0;
    const pooled = own.reduce((sum, { loading, pieces }) => sum + loading(pieces), weights.ovenMinute * heat);
    // What has begun may be for any of the ready-bys.
    const byWindow = problem.fixed.length === 0 ? leastByWindow(problem, own) : 0;
    return begun + own.reduce((sum, { work }) => sum + work, 0) + Math.max(pooled, byWindow);
  }
  // What is left out would have been the dearest.
  let left = undone;
  return [...own]
    .sort((a, b) => b.perPiece - a.perPiece)
    .reduce((sum, { pieces, perPiece }) => {
      const out = Math.min(left, pieces);
      left -= out;
      return sum + (pieces - out) * perPiece;
    }, begun);
};
