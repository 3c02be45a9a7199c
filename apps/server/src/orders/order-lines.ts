import type { OrderView, StandingOrderView } from '@jokul/contracts';
import type { OrderLineEntity } from '../database/entities.js';

/** A row as a line of the bake list. */
export const view = (
  { id, customer, productCode, pieces, readyBy, version, standingId }: OrderLineEntity,
  standing: readonly StandingOrderView[] = [],
): OrderView => {
  const from = standing.find((order) => order.id === standingId);
  return {
    id,
    customer,
    productCode,
    pieces,
    readyBy,
    version,
    ...(from && { standing: { id: from.id, weekdays: from.weekdays } }),
  };
};

/** The line that a standing order brings on a day, while nobody changed it for that day. */
export const standingLine = (order: StandingOrderView, date: string): OrderView => ({
  id: `${order.id}~${date}`,
  customer: order.customer,
  productCode: order.productCode,
  pieces: order.pieces,
  readyBy: order.readyBy,
  version: 0,
  standing: { id: order.id, weekdays: order.weekdays },
});

/** Which standing order a line is of, and of which day; null for a line of its own. */
export const ofStanding = (id: string) => {
  const [standingId, date] = id.split('~');
  return standingId && date ? { standingId, date } : null;
};

/** A line that no standing order brings. */
export const ordinary = { standingId: null, skipped: false } as const;

/** As they are due; at one time by who and what. */
export const byTime = (a: OrderView, b: OrderView) =>
  a.readyBy.localeCompare(b.readyBy) ||
  a.customer.localeCompare(b.customer) ||
  a.productCode.localeCompare(b.productCode);

/** The same for two lines that are one: who, what and when. */
export const sameLine = (a: Pick<OrderView, 'customer' | 'productCode' | 'readyBy'>) =>
  JSON.stringify([a.customer.toLowerCase(), a.productCode, a.readyBy]);
