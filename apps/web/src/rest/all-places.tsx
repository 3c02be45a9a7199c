import { t } from '@lingui/core/macro';
import { inOrderOfUse, inTheCold, inUse } from '@jokul/core';
import { useLots } from '../line/lots';
import { useJournal } from '../journal/store';
import { useNow } from '../lib/clock';
import { useBakery, useProbes } from '../lib/queries';
import { backMs, ColdPlace } from './cold-place';
import { UseFirst } from './use-first';

/** Everything in the cold in the order of use, how full the places are, and what their probes see. */
export const AllPlaces = ({ current }: { readonly current: string }) => {
  const { data } = useBakery();
  const floor = useJournal((s) => s.floor);
  const now = useNow(20_000);
  const probes = useProbes(now - backMs);
  const lots = useLots();
  if (!data || !lots) return null;
  const cold = inTheCold(floor);
  // What lies in a place that is out of use must not be forgotten there.
  const holds = (id: string) => cold.some(({ placeId }) => placeId === id);
  return (
    <section aria-label={t`All places`}>
      <UseFirst entries={inOrderOfUse(cold, lots, now)} current={current} now={now} />
      <div className="mt-6 grid grid-cols-2 gap-6 max-[1100px]:grid-cols-1">
        {inUse(data.equipment, holds)
          .places.filter(({ kind }) => kind !== 'bench')
          .map((place) => (
            <ColdPlace
              key={place.id}
              place={place}
              probes={probes}
              silentS={data.rules.probeSilentS}
              now={now}
            />
          ))}
      </div>
    </section>
  );
};
