import { whyClosed } from '../../bakery/index.js';
import { wallClock } from '../../quantity/index.js';
import { stillWanted } from './covered.js';
import type { HorizonInput, HorizonOrder } from './horizon-input.js';
import { overdueOrders, type Overdue } from './overdue.js';

/** A morning's orders are of one dough; those of the next morning are of another. */
const togetherS = 14 * 3600;

/** Orders of a product that share their dough. */
export interface Cluster {
  /** Places in the list of the product's orders, the earliest first. */
  readonly serves: readonly number[];
  /** The first ready-by. */
  readonly dueS: number;
  /** Pieces that no dough covers which has begun. */
  readonly pieces: number;
  /** By when they are wanted, the earliest first. */
  readonly wants: readonly Pick<HorizonOrder, 'pieces' | 'readyByS'>[];
}

const sharing = (
  orders: readonly HorizonOrder[],
  { byDay, rules }: Pick<HorizonInput, 'byDay' | 'rules'>,
): readonly (readonly number[])[] => {
  const groups: number[][] = [];
  const dayOf = ({ readyByS }: HorizonOrder) => wallClock(readyByS, rules.timeZone).date;
  orders.forEach((order, i) => {
    const last = groups.at(-1);
    const first = last ? orders[last[0] as number] : undefined;
    const joins =
      first && (byDay ? dayOf(first) === dayOf(order) : order.readyByS - first.readyByS <= togetherS);
    if (last && joins) last.push(i);
    else groups.push([i]);
  });
  return groups;
};

export const clustersOf = (
  input: Pick<HorizonInput, 'byDay' | 'rules' | 'fixed'>,
  code: string,
  orders: readonly HorizonOrder[],
): readonly Cluster[] => {
  const begun = input.fixed.filter(({ productCode }) => productCode === code);
  return sharing(orders, input).map((serves) => {
    const own = serves.flatMap((i) => orders[i] ?? []);
    const wants = stillWanted(begun, own, orders);
    return {
      serves,
      dueS: own[0]?.readyByS ?? 0,
      pieces: wants.reduce((sum, { pieces }) => sum + pieces, 0),
      wants,
    };
  });
};

export const openOrders = (
  { orders, equipment, rules }: Pick<HorizonInput, 'orders' | 'equipment' | 'rules'>,
  code: string,
) =>
  orders
    .filter((order) => order.productCode === code)
    .filter(
      ({ readyByS }) => whyClosed(equipment.calendar, wallClock(readyByS, rules.timeZone).date) === null,
    )
    .sort((a, b) => a.readyByS - b.readyByS);

/** A product's orders as far as they can be planned, and those whose ready-by is past with nothing begun for them. */
export const reckonedWith = (
  input: Pick<HorizonInput, 'orders' | 'equipment' | 'rules' | 'fixed' | 'nowS'>,
  code: string,
): { readonly orders: readonly HorizonOrder[]; readonly overdue: readonly Overdue<HorizonOrder>[] } => {
  const open = openOrders(input, code);
  const begun = input.fixed.filter((batch) => batch.productCode === code);
  const overdue = overdueOrders(open, begun, input.nowS).filter(({ missing }) => missing > 0);
  const missingOf = new Map(overdue.map(({ order, missing }) => [order, missing]));
  return {
    orders: open
      .map((order) => ({ ...order, pieces: order.pieces - (missingOf.get(order) ?? 0) }))
      .filter(({ pieces }) => pieces > 0),
    overdue,
  };
};
