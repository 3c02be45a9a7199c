import { useQuery } from '@tanstack/react-query';
import type { Formula, LotState, Place } from '@jokul/core';
import type { ProbesView } from '@jokul/contracts';
import { useNow } from '../lib/clock';
import { useBakery, useProbes } from '../lib/queries';
import { core } from '../workers/core';
import { airBackMs, slotMs, wayKey, wayNow } from './way-now';

/** How warm a lot's dough is now, computed along the way that it came. */
export interface DoughNow {
  /** Mean of the whole, °C: what it goes on from in the next place. */
  readonly meanC: number;
  /** Whether the air was assumed somewhere, since no probe told it. */
  readonly assumed: boolean;
}

interface DoughOf {
  readonly lot: LotState;
  readonly formula: Formula;
}

const ask = async (
  { lot, formula }: DoughOf,
  places: readonly Place[],
  probes: ProbesView | undefined,
  nowMs: number,
): Promise<DoughNow | null> => {
  const way = wayNow(lot, places, probes, nowMs);
  if (!way) return null;
  const { meanC } = await core().along(formula, way.startC, way.way);
  return { meanC: Math.round(meanC * 10) / 10, assumed: way.assumed };
};

/**
 * How warm a lot is by now: it goes on from there wherever it is put next, never from what it was when it was mixed.
 * @param of null for what is not to be asked about
 * @returns null where nobody wrote down where it began, or it cannot be computed; undefined while it is being found
 */
export const useDoughNow = (of: DoughOf | null): DoughNow | null | undefined => {
  const { data: bakery } = useBakery();
  const now = useNow(10_000);
  const { data: probes, failureCount } = useProbes(now - airBackMs, of !== null);
  // Without the server the air is assumed: nobody waits for a probe with a tub in their hands.
  const isTold = probes !== undefined || failureCount > 0;
  const { data, isError } = useQuery({
    queryKey: ['dough-now', of && wayKey(of.lot), Math.floor(now / slotMs), probes?.version],
    queryFn: () => (of && bakery ? ask(of, bakery.equipment.places, probes, now) : null),
    enabled: of !== null && bakery !== undefined && isTold,
    staleTime: slotMs,
    gcTime: 3 * slotMs,
    retry: false,
  });
  return of === null || isError ? null : data;
};
