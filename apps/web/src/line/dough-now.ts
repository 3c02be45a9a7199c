import { useQuery } from '@tanstack/react-query';
import { lotWay, type Formula, type LotState, type Place } from '@jokul/core';
import type { ProbesView } from '@jokul/contracts';
import { useNow } from '../lib/clock';
import { useBakery, useProbes } from '../lib/queries';
import { core } from '../workers/core';

/** As far back as a dough remembers its air. */
const backMs = 80 * 3600e3;
/** Asked anew this often: out of the cold a dough goes on warming. */
const slotMs = 120_000;

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
  probes: ProbesView,
  nowMs: number,
): Promise<DoughNow | null> => {
  const readings = (id: string) => probes.places.find(({ placeId }) => placeId === id)?.readings ?? [];
  const way = lotWay(lot, places, readings, nowMs);
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
  const probes = useProbes(now - backMs, of !== null).data;
  const { data, isError } = useQuery({
    queryKey: ['dough-now', of?.lot, Math.floor(now / slotMs), probes?.version],
    queryFn: () => (of && bakery && probes ? ask(of, bakery.equipment.places, probes, now) : null),
    enabled: of !== null && bakery !== undefined && probes !== undefined,
    staleTime: slotMs,
    gcTime: 3 * slotMs,
    retry: false,
  });
  return of === null || isError ? null : data;
};
