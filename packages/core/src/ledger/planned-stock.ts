import type { BatchPlan } from '../planning/index.js';
import { emptyLot, type FloorState, type LotState } from './state.js';

/** Out so long before it is planned, it was taken out for this plan, s. */
const earlyS = 6 * 3600;

/** Whether dough left its place, or came into another one, since a moment. */
const movedSince = ({ stays }: LotState, sinceMs: number): boolean =>
  stays.some(
    ({ atMs, out, taken }) =>
      atMs >= sinceMs || (out?.atMs ?? 0) >= sinceMs || taken.some((part) => part.atMs >= sinceMs),
  );

/** A part is a lot of its own as soon as something was done with it. */
const isThere = ({ begun, stays }: LotState): boolean => begun !== null || stays.length > 0;

/** Whether dough from the cold was taken out for the batch that a plan makes of it. */
export const isTakenOut = (batch: BatchPlan, lot: LotState): boolean => {
  const { stock, tasks } = batch;
  if (!stock) return false;
  if (stock.from !== undefined) return isThere(lot);
  const temper = tasks.find(({ kind }) => kind === 'temper');
  const sinceS = Math.max(stock.sinceS ?? 0, temper ? temper.startS - earlyS : 0);
  return movedSince(lot, sinceS * 1000);
};

/**
 * Whether somebody works on a batch that is made of dough from the cold: it was taken out, portioned or loaded since it was
 * planned. That it was mixed and laid there is no work for this plan.
 */
export const isStockBegun = (batch: BatchPlan, floor: Pick<FloorState, 'lots'>): boolean => {
  const lot = floor.lots.get(batch.batchId) ?? emptyLot(batch.batchId);
  const sinceMs = (batch.stock?.sinceS ?? 0) * 1000;
  const loads = new Set(batch.loads.map(({ id }) => id));
  return (
    (batch.stock?.from !== undefined ? isThere(lot) : movedSince(lot, sinceMs)) ||
    (lot.portioned?.atMs ?? -1) >= sinceMs ||
    [...lot.trays.values()].some(({ loadId }) => loads.has(loadId))
  );
};
