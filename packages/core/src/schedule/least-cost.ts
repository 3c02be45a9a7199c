import { heatUpS, usualWeights, type PlanProblem, type PlanProduct } from './problem.js';

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
  const trays = Math.ceil(bake / product.perTray);
  const weights = problem.weights ?? usualWeights;
  const loads = leastOfLoads(problem, product, trays);
  const minutes = (pieces: number) => {
    const fresh = Math.max(0, pieces - (bake - mix));
    const batches = Math.ceil(fresh / largest);
    return (
      (batches * (product.mixS + product.portionSetUpS) +
        fresh * product.portionSPerPiece +
        pieces * weights.packPieceS) /
        60 +
      (loads[Math.ceil(pieces / product.perTray)] as number)
    );
  };
  let perPiece = bake > 0 ? minutes(bake) / bake : 0;
  for (let pieces = 1; pieces < bake; pieces++) perPiece = Math.min(perPiece, minutes(pieces) / pieces);
  return { pieces: bake, all: minutes(bake), perPiece };
};

/**
 * No plan that leaves `undone` ordered pieces or fewer costs less than this, minutes: work at mixer and bench in the largest
 * batches, loads as full as their ovens, one chamber heated once, no change of temperature, and nothing that waits. What has begun costs its loads.
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
    const heats = products.flatMap(({ bakes }, i) =>
      (own[i]?.pieces ?? 0) > 0
        ? [
            Math.min(
              ...bakes.map(({ ovenId, setC }) => {
                const oven = problem.ovens.find(({ id }) => id === ovenId);
                return oven ? Math.max(0, heatUpS(oven, setC) - problem.loadGapS) / 60 : 0;
              }),
            ),
          ]
        : [],
    );
    // Several products: one of them comes first, whichever heats least.
    const heat = heats.length > 0 && problem.fixed.length === 0 ? Math.min(...heats) : 0;
    return begun + own.reduce((sum, { all }) => sum + all, 0) + weights.ovenMinute * heat;
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
