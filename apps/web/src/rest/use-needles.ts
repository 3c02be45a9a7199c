import { useQueries } from '@tanstack/react-query';
import type { NeedleAnswer, NeedleReading, Place } from '@jokul/core';
import { useLots } from '../line/lots';
import { useJournal } from '../journal/store';
import { useBakery, useProbes } from '../lib/queries';
import { useNow } from '../lib/clock';
import { airBackMs } from '../line/way-now';
import { core } from '../workers/core';
import { needleReadings } from './needles';

/** The answer of one place, kept by what was measured: the pages and the watch ask for the same one. */
export const needleQuery = (readings: readonly NeedleReading[]) => ({
  queryKey: ['needle', readings],
  queryFn: () => core().needle(readings),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What measured cores say of each cold place; a place without one is not in it. */
export const useNeedles = (): ReadonlyMap<string, NeedleAnswer> => {
  const { data } = useBakery();
  const floor = useJournal((s) => s.floor);
  const lots = useLots();
  const now = useNow(60_000);
  const probes = useProbes(now - airBackMs);
  const places = data?.equipment.places ?? [];
  return useQueries({
    queries: places.map((place) => {
      const air = probes.data?.places.find(({ placeId }) => placeId === place.id)?.readings ?? [];
      const readings = data && lots ? needleReadings(place, floor, lots.formulaOf, data.rules, air, now) : [];
      return {
        ...needleQuery(readings),
        enabled: readings.length > 0,
        placeholderData: (before: NeedleAnswer | null | undefined) => (readings.length > 0 ? before : null),
      };
    }),
    combine: (results) =>
      new Map(
        results.flatMap(({ data: answer }, i) => {
          const place = places[i];
          return answer && place ? [[place.id, answer] as const] : [];
        }),
      ),
  });
};

/** A place with what its cores have shown of it. */
export const asShown = (place: Place, answer: NeedleAnswer | null | undefined): Place =>
  answer ? { ...place, learned: { factor: answer.factor, sigma: answer.sigma, cores: answer.cores } } : place;
