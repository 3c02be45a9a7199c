import { coveredPieces } from '../problem/covered.js';
import type { BatchPlan } from '../problem/plan.js';
import type { PlanBatch, PlanProduct } from '../problem/problem.js';

/** A tray's worth of pieces of one batch, with the earliest ready-by that it serves. */
export interface TrayShare {
  readonly pieces: number;
  readonly dueS: number;
}

/** What one batch has to deliver. */
export interface BatchShareOfDay {
  readonly product: PlanProduct;
  readonly batch: PlanBatch;
  /** Earliest due first. */
  readonly trays: readonly TrayShare[];
  readonly dueS: number;
}

/** Batches that are for the same demands, and those demands, the earliest ready-by first. */
interface Group {
  readonly batches: readonly PlanBatch[];
  readonly demands: PlanProduct['demands'];
}

const groupsOf = ({ batches, demands }: PlanProduct): readonly Group[] => {
  const groups = new Map<string, PlanBatch[]>();
  for (const batch of batches) {
    const key = batch.serves?.join() ?? '';
    groups.set(key, [...(groups.get(key) ?? []), batch]);
  }
  return [...groups.values()]
    .map((own) => {
      const serves = own[0]?.serves;
      const theirs = serves ? demands.filter((_, i) => serves.includes(i)) : demands;
      return { batches: own, demands: [...theirs].sort((a, b) => a.readyByS - b.readyByS) };
    })
    .sort((a, b) => (a.demands[0]?.readyByS ?? 0) - (b.demands[0]?.readyByS ?? 0));
};

/**
 * Deals a product's pieces out to the trays of its batches, the earliest ready-by first. Pieces beyond the demands
 * (test pieces, rounding) go with the last ones.
 * @param fixed batches of the product that have begun: they deliver already, for the earliest ready-bys
 */
export const sharesOf = (
  product: PlanProduct,
  fixed: readonly BatchPlan[] = [],
): readonly BatchShareOfDay[] => {
  const groups = groupsOf(product);
  return groups.flatMap(({ batches, demands }) => {
    const until: { pieces: number; dueS: number }[] = [];
    let sum = 0;
    for (const demand of demands) {
      sum += demand.pieces;
      until.push({ pieces: sum, dueS: demand.readyByS });
    }
    const dueOf = (piece: number) => (until.find((u) => piece < u.pieces) ?? until.at(-1))?.dueS ?? 0;
    let dealt = coveredPieces(fixed, demands, product.demands);
    return batches.map((batch) => {
      const trays: TrayShare[] = [];
      // Full trays but for the last, so that each tray bakes alike.
      for (let rest = batch.pieces; rest > 0; rest -= product.perTray) {
        const pieces = Math.min(rest, product.perTray);
        trays.push({ pieces, dueS: dueOf(dealt) });
        dealt += pieces;
      }
      return { product, batch, trays, dueS: trays[0]?.dueS ?? 0 };
    });
  });
};
