import { lotWay, type LotState, type LotWay, type Place } from '@jokul/core';
import type { ProbesView } from '@jokul/contracts';

/** As far back as a dough remembers its air. */
export const airBackMs = 80 * 3600e3;
/** A dough that comes out of the cold goes on warming: its temperature is asked anew this often. */
export const slotMs = 120_000;

/** The way of a lot up to now, by the air that the probes saw; all of it assumed where they cannot be asked. */
export const wayNow = (
  lot: LotState,
  places: readonly Place[],
  probes: ProbesView | undefined,
  nowMs: number,
): LotWay | null =>
  lotWay(lot, places, (id) => probes?.places.find(({ placeId }) => placeId === id)?.readings ?? [], nowMs);

/** What the way of a lot hangs on: it is asked anew when any of it changes. */
export const wayKey = ({ lot, mixed, portioned, measured, stays }: LotState) =>
  [lot, mixed?.atMs, portioned?.atMs, measured.get('dough'), stays] as const;
