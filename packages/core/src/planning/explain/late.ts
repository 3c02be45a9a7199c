import type { BatchPlan } from '../problem/plan.js';

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

/** What a product's loads have packed, the first ready first; it is dealt out. */
interface Packed {
  readonly readyS: number;
  pieces: number;
}

/** Takes pieces that are ready by a moment, in the order in which they are given. */
const take = (packed: readonly Packed[], wanted: number, untilS: number) => {
  let taken = 0;
  let readyS: number | null = null;
  for (const load of packed) {
    const own = load.readyS <= untilS ? Math.min(load.pieces, wanted - taken) : 0;
    if (own === 0) continue;
    load.pieces -= own;
    taken += own;
    readyS = load.readyS;
  }
  return { taken, readyS };
};

/**
 * Orders that are late by a plan, the earliest ready-by first. What is in time for somebody goes there, the earliest
 * ready-by first, so that as few pieces as possible are late, and of that what is packed last, so that who is late has the
 * rest as soon as can be.
 */
export const lateOrders = (
  orders: readonly DueOrder[],
  batches: readonly BatchPlan[],
): readonly LateOrder[] => {
  const packed = new Map<string, Packed[]>();
  const loads = batches.flatMap(({ productCode, loads: own }) => own.map((load) => ({ productCode, load })));
  for (const { productCode, load } of loads.sort((a, b) => a.load.readyS - b.load.readyS)) {
    const pieces = load.trays.reduce((sum, tray) => sum + tray.pieces, 0);
    packed.set(productCode, [...(packed.get(productCode) ?? []), { readyS: load.readyS, pieces }]);
  }
  return [...orders]
    .sort((a, b) => a.readyByS - b.readyByS)
    .map((order) => {
      const { productCode, pieces, readyByS } = order;
      const lastFirst = (packed.get(productCode) ?? []).toReversed();
      return { order, latePieces: pieces - take(lastFirst, pieces, readyByS + aboutS).taken };
    })
    .flatMap(({ order, latePieces }): LateOrder[] => {
      if (latePieces === 0) return [];
      const { taken, readyS } = take(
        packed.get(order.productCode) ?? [],
        latePieces,
        Number.POSITIVE_INFINITY,
      );
      return [{ order, latePieces, readyS: taken < latePieces ? null : readyS }];
    });
};
