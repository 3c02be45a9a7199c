import type { PlanProblem, PlanProduct } from '../problem/problem.js';
import { afterPullS, portionS } from '../problem/tasks.js';
import type { BatchShareOfDay } from './shares.js';

/* When a batch could be in the oven and packed, had it the line to itself. */

type Dough = Pick<BatchShareOfDay, 'product' | 'batch'>;

/** Portioned pieces of a tub wait in the cold no longer than this for their load, s. A default. */
export const waitMaxS = 3 * 3600;

/** Earliest start of a bake if the batch were begun now. */
export const earliestBakeS = ({ nowS }: Pick<PlanProblem, 'nowS'>, { product, batch }: Dough): number => {
  const { stock } = batch;
  if (!stock) return nowS + product.mixS + portionS(product, batch) + product.rest.minS;
  const usableS = Math.max(nowS + stock.temperS, stock.fromS);
  return stock.form === 'tub' ? usableS + portionS(product, batch) : usableS;
};

/** From the oven until its first tray is packed, which is iced soonest, s. */
export const afterOvenS = ({ product, batch }: Dough): number =>
  afterPullS(product, Math.min(product.perTray, batch.pieces));

/** The shortest of a product's bakes, s; Infinity where no oven bakes it. */
export const quickestS = ({ bakes }: PlanProduct): number => Math.min(...bakes.map(({ pullS }) => pullS));

/** When the first pieces of a batch are packed if it were begun now and had the line to itself; -Infinity without an oven. */
export const soonestReadyS = (problem: Pick<PlanProblem, 'nowS'>, share: Dough): number =>
  share.product.bakes.length === 0
    ? Number.NEGATIVE_INFINITY
    : earliestBakeS(problem, share) + quickestS(share.product) + afterOvenS(share);

/** As `soonestReadyS`, if no more of the batch were made than fills a tray. */
export const soonestTrayS = (problem: Pick<PlanProblem, 'nowS'>, { product, batch }: Dough): number =>
  soonestReadyS(problem, {
    product,
    batch: { ...batch, pieces: Math.min(batch.pieces, product.perTray) },
  });

/** The last moment that dough which exists may go into the oven. */
export const latestBakeS = ({ product, batch }: Dough): number =>
  batch.stock
    ? batch.stock.toS + (batch.stock.form === 'tub' ? portionS(product, batch) + waitMaxS : 0)
    : Number.POSITIVE_INFINITY;
