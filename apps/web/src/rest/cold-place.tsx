import { plural, t } from '@lingui/core/macro';
import { inTheCold, placeAirNow, shelfCounts, type Place } from '@jokul/core';
import { useLots } from '../line/lots';
import { useJournal } from '../journal/store';
import { useBakery, useProbes } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { LazyChart } from '../viz/lazy-chart';
import { TemperatureChip } from '../viz/temperature-chip';
import { sayCooling } from './needle-core';
import { TryAFault } from './try-a-fault';
import { useNeedles } from './use-needles';

const shelfNames = { trays: t`trays`, tubs: t`tubs`, bags: t`bags` } as const;
const probeWords = { reads: '–', silent: t`silent`, implausible: t`cannot be right`, none: '–' } as const;

/** So far back the air of a place is shown. */
export const backMs = 6 * 3600e3;

/** How full the shelves of a place are. */
const Shelves = ({ place }: { readonly place: Place }) => {
  const { data } = useBakery();
  const cold = inTheCold(useJournal((s) => s.floor));
  const lots = useLots();
  if (!data || !lots) return null;
  return (
    <ul className="mt-1 space-y-1">
      {shelfCounts(place.id, cold, lots.formulaOf, data.equipment, data.rules).map(({ shelf, used, all }) => (
        <li key={shelf} className="flex items-center gap-2 text-[13.5px]">
          <span className="w-12 text-ink-soft">{shelfNames[shelf]}</span>
          <span
            className="h-2 flex-1 overflow-hidden rounded bg-line"
            role="img"
            aria-label={t`Places for ${shelfNames[shelf]}: ${used} of ${all} used`}
          >
            <span
              className={`block h-full ${used > all ? 'bg-hand' : 'bg-ink-soft'}`}
              style={{ width: `${Math.min(100, (100 * used) / Math.max(1, all))}%` }}
            />
          </span>
          <span className="figures w-16 text-right">{t`${used} of ${all}`}</span>
        </li>
      ))}
    </ul>
  );
};

interface ColdPlaceProps {
  readonly place: Place;
  readonly probes: ReturnType<typeof useProbes>;
  readonly silentS: number | undefined;
  readonly now: number;
}

/** A place in the cold: what its probe sees, how it cools, and how full it is. */
export const ColdPlace = ({ place, probes, silentS, now }: ColdPlaceProps) => {
  const { temperature } = useUnits();
  const readings = probes.data?.places.find((p) => p.placeId === place.id)?.readings ?? [];
  const air = placeAirNow(place, readings, now, silentS);
  const needle = useNeedles().get(place.id);
  const hours = (atMs: number) => (atMs - (now - backMs)) / 3600e3;
  return (
    <section aria-label={place.name}>
      <h2 className="flex items-baseline justify-between gap-2 text-lg font-semibold">
        {place.name}
        <span className="text-[13.5px] font-normal text-ink-soft">
          {air.probe === 'none'
            ? t`set to ${temperature(place.airC)}, no probe`
            : t`set to ${temperature(place.airC)}, probe`}{' '}
          {air.probe === 'none' ? null : air.airC === null ? (
            <strong className="font-semibold text-hand">{probeWords[air.probe]}</strong>
          ) : (
            <TemperatureChip temperatureC={air.airC} digits={1} />
          )}
        </span>
      </h2>
      <p className="text-[13.5px] text-ink-soft">
        {needle ? (
          <>
            {t`cools`} <Shown figure={needle.shown}>{sayCooling(needle.factor)}</Shown>
            {t`, by ${plural(needle.cores, { one: '# measured core', other: '# measured cores' })}`}
          </>
        ) : (
          t`no core measured in here yet`
        )}
      </p>
      <Shelves place={place} />
      {air.probe === 'none' ? (
        <p className="mt-1 text-[13.5px] text-ink-soft">{t`Its air is taken to be as it is set: read its thermometer, and check doughs with a needle.`}</p>
      ) : (
        <>
          <LazyChart
            label={t`Air of the ${place.name} over six hours`}
            height={150}
            leastSpan={10}
            formatX={(h) => `${(h - 6).toFixed(0)} h`}
            formatY={(t) => temperature(t)}
            xStep={1}
            curves={[
              {
                name: t`air`,
                points: readings
                  .filter(({ atMs }, i) => i % 5 === 0 && atMs >= now - backMs)
                  .map(({ atMs, airC }): [number, number] => [hours(atMs), airC]),
              },
            ]}
            levels={[{ y: place.airC, text: t`set` }]}
          />
          <TryAFault place={place} probes={probes} />
        </>
      )}
    </section>
  );
};
