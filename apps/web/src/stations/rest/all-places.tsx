import { plural, t } from '@lingui/core/macro';
import { Link, useLocation } from 'react-router';
import {
  faultKinds,
  inTheCold,
  olderThan,
  placeAirNow,
  sayDuration,
  shelfCounts,
  inOrderOfUse,
  type PlaceFault,
  inUse,
} from '@jokul/core';
import { useNames } from '../../line/actions';
import { useLots } from '../../line/lots';
import { useJournal } from '../../journal/store';
import { nowMs, useNow, useWallClock } from '../../lib/clock';
import { useBakery, usePlayFaults, useProbes } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Shown } from '../../ui/shown';
import { TemperatureChip } from '../../viz/temperature-chip';
import { useNeedles } from './use-needles';
import { sayCooling } from './needle-core';
import { LazyChart } from '../../viz/lazy-chart';
import { restFormNames } from '../../words/names-of-codes';

const shelfNames = { trays: t`trays`, tubs: t`tubs`, bags: t`bags` } as const;
const faultNames = {
  'door-open': t`the door stands open`,
  'machine-off': t`the machine is off`,
  'probe-silent': t`the probe is silent`,
  'probe-wrong': t`the probe reads wrong`,
} as const;
const faultButtons = {
  'door-open': t`door open`,
  'machine-off': t`machine off`,
  'probe-silent': t`probe silent`,
  'probe-wrong': t`probe wrong`,
} as const;
const probeWords = { reads: '–', silent: t`silent`, implausible: t`cannot be right` } as const;
const backMs = 6 * 3600e3;

/** Everything in the cold in the order of use, how full the places are, and what their probes see. */
export const AllPlaces = ({ current }: { current: string }) => {
  const { data } = useBakery();
  const floor = useJournal((s) => s.floor);
  const now = useNow(20_000);
  const names = useNames();
  const wall = useWallClock();
  const { temperature } = useUnits();
  const { search } = useLocation();
  const probes = useProbes(now - backMs);
  const play = usePlayFaults();
  const needles = useNeedles();
  const lots = useLots();
  if (!data || !lots) return null;
  const { formulaOf } = lots;
  const cold = inTheCold(floor);
  const entries = inOrderOfUse(cold, lots, now);
  const places = inUse(data.equipment).places.filter(({ kind }) => kind !== 'bench');
  const readingsOf = (id: string) => probes.data?.places.find((p) => p.placeId === id)?.readings ?? [];
  const faults = probes.data?.faults ?? [];
  const running = (id: string) => faults.find(({ placeId, toMs }) => placeId === id && toMs === null);
  const setFault = (placeId: string, kind: PlaceFault['kind'] | null) => {
    if (!probes.data) return;
    const at = Math.round(nowMs());
    const ended = faults.map((f) =>
      f.placeId === placeId && f.toMs === null ? { ...f, toMs: Math.max(f.fromMs + 1, at) } : f,
    );
    play.mutate({
      version: probes.data.version,
      faults: [...ended, ...(kind ? [{ placeId, kind, fromMs: at, toMs: null }] : [])].slice(-20),
    });
  };
  const hours = (atMs: number) => (atMs - (now - backMs)) / 3600e3;
  return (
    <section aria-label={t`All places`}>
      <h2 className="mb-1 text-lg font-semibold">{t`Use first`}</h2>
      {entries.length === 0 ? (
        <p className="text-ink-soft">{t`Nothing lies in the cold.`}</p>
      ) : (
        <table className="w-full" aria-label={t`Use first`}>
          <thead className="text-left text-[12.5px] text-ink-soft">
            <tr>
              <th className="pr-3 pb-1 font-normal">{t`Dough`}</th>
              <th className="pr-3 pb-1 font-normal">{t`Where`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`In since`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`Age`}</th>
              <th className="pr-3 pb-1 text-right font-normal">{t`Good until`}</th>
              <th className="pb-1 text-right font-normal">{t`Left`}</th>
            </tr>
          </thead>
          <tbody>
            {entries.map(({ item, formula, clock, ageS, leftS, goodUntilMs, over, soon }) => {
              const older = olderThan(entries, item.batchId);
              return (
                <tr key={`${item.batchId}-${item.inMs}`} className="border-t align-top">
                  <td className="py-1 pr-3">
                    <Link
                      to={`/rest/${item.batchId}${search}`}
                      aria-current={item.batchId === current ? 'true' : undefined}
                      className={`underline-offset-4 hover:underline ${item.batchId === current ? 'font-semibold' : ''}`}
                    >
                      {formula.name}
                    </Link>
                    <span className="block text-[12.5px] text-ink-faint">
                      {item.batchId}
                      {older && t`; ${older.item.batchId} is older, use it before`}
                    </span>
                  </td>
                  <td className="py-1 pr-3">
                    {names.place(item.placeId)}, {restFormNames[item.form]}
                  </td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                    {wall.near(item.inMs, now)}
                  </td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">{sayDuration(ageS)}</td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                    {wall.near(goodUntilMs, now)}
                  </td>
                  <td
                    className={`figures py-1 text-right whitespace-nowrap ${over || soon ? 'font-semibold text-hand' : ''}`}
                  >
                    {over
                      ? t`past by ${sayDuration(-leftS)}${clock === 'out' ? t` (time out)` : ''}`
                      : sayDuration(leftS)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <div className="mt-6 grid grid-cols-2 gap-6 max-[1100px]:grid-cols-1">
        {places.map((place) => {
          const readings = readingsOf(place.id);
          const air = placeAirNow(place, readings, now, data.rules.probeSilentS);
          const fault = running(place.id);
          const needle = needles.get(place.id);
          return (
            <section key={place.id} aria-label={place.name}>
              <h2 className="flex items-baseline justify-between gap-2 text-lg font-semibold">
                {place.name}
                <span className="text-[13.5px] font-normal text-ink-soft">
                  {t`set to ${temperature(place.airC)}, probe`}{' '}
                  {air.airC === null ? (
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
                    {t`, by ${needle.cores} probe ${plural(needle.cores, { one: 'reading', other: 'readings' })}`}
                  </>
                ) : (
                  t`no probe reading in here yet`
                )}
              </p>
              <ul className="mt-1 space-y-1">
                {shelfCounts(place.id, cold, formulaOf, data.equipment, data.rules).map(
                  ({ shelf, used, all }) => (
                    <li key={shelf} className="flex items-center gap-2 text-[13.5px]">
                      <span className="w-12 text-ink-soft">{shelfNames[shelf]}</span>
                      <span
                        className="h-2 flex-1 overflow-hidden rounded bg-line"
                        role="img"
                        aria-label={t`${used} of ${all} ${shelf} places used`}
                      >
                        <span
                          className={`block h-full ${used > all ? 'bg-hand' : 'bg-ink-soft'}`}
                          style={{ width: `${Math.min(100, (100 * used) / Math.max(1, all))}%` }}
                        />
                      </span>
                      <span className="figures w-16 text-right">{t`${used} of ${all}`}</span>
                    </li>
                  ),
                )}
              </ul>
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
              <div className="mt-1 flex flex-wrap items-center gap-2 text-[13px] text-ink-soft">
                <span>{t`Simulated probe${fault ? `: ${faultNames[fault.kind]}` : t`, try a fault:`}`}</span>
                {fault ? (
                  <Button
                    size="small"
                    disabled={play.isPending}
                    onClick={() => setFault(place.id, null)}
                  >{t`Clear the fault`}</Button>
                ) : (
                  faultKinds.map((kind) => (
                    <Button
                      key={kind}
                      size="small"
                      disabled={play.isPending || !probes.data}
                      onClick={() => setFault(place.id, kind)}
                      aria-label={`${place.name}: ${faultNames[kind]}`}
                    >
                      {faultButtons[kind]}
                    </Button>
                  ))
                )}
              </div>
            </section>
          );
        })}
      </div>
    </section>
  );
};
