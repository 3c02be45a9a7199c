import type { BatchPlan } from './plan.js';
import type { Demand, PlanProblem, PlanProduct } from './problem.js';

/** What a plan has ready for one demand in time. */
export interface Served {
  readonly productCode: string;
  /** The place of the demand in its product's list. */
  readonly demand: number;
  readonly ordered: number;
  readonly pieces: number;
  /** When the last of them is packed, s; null when there are none. */
  readonly readyS: number | null;
}

interface Packed {
  readonly readyS: number;
  pieces: number;
}

const packedOf = (code: string, batches: readonly BatchPlan[]): Packed[] =>
  batches
    .filter((batch) => batch.productCode === code)
    .flatMap((batch) => batch.loads)
    .map((load) => ({
      readyS: load.readyS,
      pieces: load.trays.reduce((sum, tray) => sum + tray.pieces, 0),
    }))
    .sort((a, b) => a.readyS - b.readyS);

/** Takes what a demand wants from what is packed by then, the oldest first. */
const take = (packed: Packed[], { readyByS, pieces }: Demand) => {
  let got = 0;
  let readyS: number | null = null;
  for (const load of packed) {
    if (load.readyS > readyByS || got === pieces) break;
    const taken = Math.min(load.pieces, pieces - got);
    if (taken === 0) continue;
    load.pieces -= taken;
    got += taken;
    readyS = load.readyS;
  }
  return { got, readyS };
};

const servedOfProduct = (product: PlanProduct, batches: readonly BatchPlan[]): readonly Served[] => {
  const packed = packedOf(product.code, batches);
  return product.demands
    .map((demand, i) => ({ demand, i }))
    .sort((a, b) => a.demand.readyByS - b.demand.readyByS)
    .map(({ demand, i }) => {
      const { got, readyS } = take(packed, demand);
      return { productCode: product.code, demand: i, ordered: demand.pieces, pieces: got, readyS };
    });
};

/** Pieces are dealt out as they are packed: the earliest ready-by first, each piece once, none that is late. */
export const servedBy = (
  { products }: Pick<PlanProblem, 'products'>,
  batches: readonly BatchPlan[],
): readonly Served[] => products.flatMap((product) => servedOfProduct(product, batches));

/** Ordered pieces that are not ready in time, each by what it counts. */
export const undonePieces = (problem: Pick<PlanProblem, 'products'>, batches: readonly BatchPlan[]): number =>
  problem.products.reduce(
    (sum, product) =>
      sum +
      servedOfProduct(product, batches).reduce(
        (n, { demand, ordered, pieces }) => n + (ordered - pieces) * (product.demands[demand]?.weight ?? 1),
        0,
      ),
    0,
  );

/** Ordered pieces that are not ready in time, counted. */
export const missingPieces = (
  problem: Pick<PlanProblem, 'products'>,
  batches: readonly BatchPlan[],
): number => servedBy(problem, batches).reduce((sum, { ordered, pieces }) => sum + ordered - pieces, 0);
