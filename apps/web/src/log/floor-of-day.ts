import { useMemo } from 'react';
import { atWallClock, readLotId, reduceLedger, shiftDate, type FloorState } from '@jokul/core';
import { useJournal } from '../journal/store';
import { useJournalBetween } from '../lib/queries';

/** The state of the floor as the lots touched on that day tell it, from their first entry on; live for today. */
export const useFloorOf = (
  date: string,
  today: string,
  timeZone: string,
): { floor: FloorState | null; error: unknown } => {
  const live = useJournal((s) => s.floor);
  const loaded = useJournal((s) => s.loaded);
  const fromMs = atWallClock(date, '00:00', timeZone) * 1000;
  const toMs = atWallClock(shiftDate(date, 1), '00:00', timeZone) * 1000;
  const past = useJournalBetween(fromMs, toMs);
  const session = useJournal((s) => s.session);
  // What was written down or heard since the page was opened belongs to it too: a tray of last week that is measured now.
  const reduced = useMemo(() => {
    if (!past.data) return null;
    const lots = new Set(past.data.entries.map(({ lot }) => lot));
    return reduceLedger([...past.data.entries, ...session.filter(({ lot }) => lots.has(lot))]);
  }, [past.data, session]);
  return date === today
    ? { floor: loaded ? live : null, error: null }
    : { floor: reduced, error: past.error };
};

/**
 * The lots of a day: those that were made for it, and others that were baked on it. Names of an older form carry their
 * day.
 */
export const lotsOf = (
  floor: FloorState,
  date: string,
  planned: ReadonlySet<string>,
  on: (atMs: number) => string,
) => {
  const mark = `-${date.slice(5).replace('-', '')}-`;
  return [...floor.lots.values()]
    .filter(
      ({ lot, begun, trays }) =>
        planned.has(lot) ||
        begun?.day === date ||
        (readLotId(lot) === null && lot.includes(mark)) ||
        [...trays.values()].some(({ loaded }) => on(loaded.atMs) === date),
    )
    .map(({ lot }) => lot)
    .sort();
};
