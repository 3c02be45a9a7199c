import type { PlanBatch, PlanProduct } from './problem.js';

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

/**
 * Deals a product's pieces out to the trays of its batches, the earliest ready-by first. Pieces beyond the demands
 * (test pieces, rounding) go with the last ones.
 * @param covered pieces that batches which have begun deliver already, for the earliest ready-bys
 */
export const sharesOf = (product: PlanProduct, covered = 0): readonly BatchShareOfDay[] => {
  const demands = [...product.demands].sort((a, b) => a.readyByS - b.readyByS);
  const until: { pieces: number; dueS: number }[] = [];
  let sum = 0;
  for (const demand of demands) {
    sum += demand.pieces;
    until.push({ pieces: sum, dueS: demand.readyByS });
  }
  const dueOf = (piece: number) => (until.find((u) => piece < u.pieces) ?? until.at(-1))?.dueS ?? 0;
  let dealt = covered;
  return product.batches.map((batch) => {
    const trays: TrayShare[] = [];
    // Full trays but for the last, so that each tray bakes alike.
    for (let left = batch.pieces; left > 0; left -= product.perTray) {
      const pieces = Math.min(left, product.perTray);
      trays.push({ pieces, dueS: dueOf(dealt) });
      dealt += pieces;
    }
    return { product, batch, trays, dueS: trays[0]?.dueS ?? 0 };
  });
};
