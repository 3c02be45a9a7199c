import { useMemo } from 'react';
import { atWallClock, forecastDay, inUse, lateByForecast, lateOrders, type LateOrder } from '@jokul/core';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { useBakery, useDay, useToday } from '../lib/queries';
import { useLots } from './lots';

/** A customer is named when an order comes so much after its ready-by, s. */
const tellFromS = 180;

export interface Slip {
  readonly date: string;
  /** Orders that come later than planned, the earliest ready-by first. */
  readonly late: readonly LateOrder[];
  /** Ovens that are out of use, though loads are planned into them. */
  readonly lostOvens: readonly string[];
}

/**
 * Who will be late on the shown day by what was written down until now; null while all is in time, and for days that are
 * over. A night works on the day after, too.
 */
export const useSlip = (): Slip | null => {
  const { data: bakery } = useBakery();
  const { data: day } = useDay();
  const today = useToday();
  const floor = useJournal((s) => s.floor);
  const loaded = useJournal((s) => s.loaded);
  const lots = useLots();
  const now = useNow(20_000);
  const plan = day?.plan?.plan;
  const known = bakery && day && plan && lots && loaded && today !== undefined && day.date >= today;
  return useMemo(() => {
    if (!known) return null;
    const { equipment, rules } = bakery;
    const going = forecastDay({
      batches: plan.batches,
      floor,
      nowS: Math.round(now / 1000),
      ovens: inUse(equipment).ovens,
      loadGapS: rules.loadGapS,
      restOf: ({ batchId }) => lots.formulaOf(batchId)?.rest,
    });
    const orders = day.orders.map((order) => ({
      ...order,
      readyByS: atWallClock(day.date, order.readyBy, rules.timeZone),
    }));
    // What the plan leaves out is said with the plan.
    const asPlanned = new Map(lateOrders(orders, plan.batches).map((late) => [late.order.id, late]));
    const late = lateByForecast(orders, going).filter(({ order, readyS, latePieces }) => {
      const before = asPlanned.get(order.id);
      const much = readyS === null || readyS > order.readyByS + tellFromS;
      return much && latePieces > (before?.latePieces ?? 0);
    });
    if (late.length === 0) return null;
    const lost = plan.batches.flatMap((batch) => batch.loads).filter(({ id }) => going.homeless.has(id));
    return { date: day.date, late, lostOvens: [...new Set(lost.map(({ ovenId }) => ovenId))] };
  }, [known, bakery, day, plan, lots, floor, now]);
};
