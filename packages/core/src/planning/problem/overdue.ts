import { coveredPieces } from './covered.js';
import type { BatchPlan } from './plan.js';

interface Due {
  readonly readyByS: number;
  readonly pieces: number;
}

/** What of an order can still be reckoned with when its ready-by is past. */
export interface Overdue<Order> {
  readonly order: Order;
  /** Pieces for which nothing has begun: no plan makes them ready in time any more. */
  readonly missing: number;
}

/**
 * Orders whose ready-by is past, with the pieces that no dough covers which has begun; those of one ready-by share what has
 * begun for it, the first first. What has begun for them stays theirs, however late it comes.
 * @param orders of one product, the earliest first
 * @param begun batches of that product that have begun
 */
export const overdueOrders = <Order extends Due>(
  orders: readonly Order[],
  begun: readonly BatchPlan[],
  nowS: number,
): readonly Overdue<Order>[] => {
  const past = orders.filter(({ readyByS }) => readyByS <= nowS);
  const left = new Map<number, number>();
  return past.map((order) => {
    const { readyByS, pieces } = order;
    const there = left.get(readyByS) ?? coveredPieces(begun, [order], orders);
    const covered = Math.min(there, pieces);
    left.set(readyByS, there - covered);
    return { order, missing: pieces - covered };
  });
};
