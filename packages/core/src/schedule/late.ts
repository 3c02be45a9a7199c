import type { BatchPlan } from './problem.js';

/** What a customer wants at a moment. */
export interface DueOrder {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly readyByS: number;
}

/** An order that is not whole at its ready-by. */
export interface LateOrder {
  readonly order: DueOrder;
  /** Pieces of it that come after the ready-by, or never. */
  readonly latePieces: number;
  /** When the last of them is packed, s; null where some are never. */
  readonly readyS: number | null;
}

/** So little after its ready-by nobody calls late, s. */
const aboutS = 60;

/**
 * Orders that are late by a plan, the earliest ready-by first. Pieces of a product are dealt out as they are packed, the
 * earliest ready-by first, also when they are late.
 */
export const lateOrders = (
  orders: readonly DueOrder[],
  batches: readonly BatchPlan[],
): readonly LateOrder[] => {
  const packed = new Map<string, { readyS: number; pieces: number }[]>();
  const loads = batches.flatMap(({ productCode, loads: own }) => own.map((load) => ({ productCode, load })));
  for (const { productCode, load } of loads.sort((a, b) => a.load.readyS - b.load.readyS)) {
    const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
    packed.set(productCode, [...(packed.get(productCode) ?? []), { readyS: load.readyS, pieces }]);
  }
  return [...orders]
    .sort((a, b) => a.readyByS - b.readyByS)
    .flatMap((order): LateOrder[] => {
      let wanted = order.pieces;
      let late = 0;
      let readyS: number | null = null;
      for (const load of packed.get(order.productCode) ?? []) {
        const taken = Math.min(load.pieces, wanted);
        if (taken === 0) continue;
        load.pieces -= taken;
        wanted -= taken;
        if (load.readyS > order.readyByS + aboutS) late += taken;
        readyS = load.readyS;
      }
      return late + wanted > 0
        ? [{ order, latePieces: late + wanted, readyS: wanted > 0 ? null : readyS }]
        : [];
    });
};
