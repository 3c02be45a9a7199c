import { useQueries } from '@tanstack/react-query';
import type { LearnedTransfer, NeedleAnswer, NeedleReading, Place } from '@jokul/core';
import { useJournal } from '../../journal/store';
import { useBakery, useProbes } from '../../lib/queries';
import { useNow } from '../../lib/clock';
import { core } from '../../workers/core';
import { needleReadings } from './needles';

/** As far back as the probes are asked; of cores before, the set air is taken. */
const airMs = 80 * 3600e3;

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
  const now = useNow(60_000);
  const probes = useProbes(now - airMs);
  const places = data?.equipment.places ?? [];
  return useQueries({
    queries: places.map((place) => {
      const air = probes.data?.places.find(({ placeId }) => placeId === place.id)?.readings ?? [];
      const readings = data ? needleReadings(place, floor, data.formulas, data.rules, air, now) : [];
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

/** What goes into a question to the cold model. */
export const learnedOf = (answer: NeedleAnswer | undefined): { learned?: LearnedTransfer } =>
  answer ? { learned: { factor: answer.factor, sigma: answer.sigma, cores: answer.cores } } : {};

/** The place as its cores have shown it, for what is asked of the place alone. */
export const asShown = (place: Place, needles: ReadonlyMap<string, NeedleAnswer>): Place => ({
  ...place,
  hWPerM2K: place.hWPerM2K * (needles.get(place.id)?.factor ?? 1),
});
