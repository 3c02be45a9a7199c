import { t } from '@lingui/core/macro';
import { CircleCheck, TriangleAlert } from 'lucide-react';
import { placeAirNow } from '@jokul/core';
import type { BakeryView, TabletView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { useNow, useWallClock } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { useLogCheck, useProbes, useWellbeing } from '../lib/queries';
import { Button } from '../ui/button';
import { isTold, stateOf } from './tablet-words';
import { nightlyAt, wellbeingOf } from './wellbeing-words';

/** As far back as probes are asked for. */
const recentMs = 3 * 3600e3;

/** Cold places whose probe cannot be believed just now. */
const useSilentProbes = ({ equipment, rules }: BakeryView): readonly string[] => {
  const now = useNow(20_000);
  const { data } = useProbes(now - recentMs);
  if (!data) return [];
  return equipment.places
    .filter((place) => !place.retired && place.kind !== 'bench')
    .filter((place) => {
      const readings = data.places.find(({ placeId }) => placeId === place.id)?.readings ?? [];
      return placeAirNow(place, readings, now, rules.probeSilentS).probeAlarm;
    })
    .map(({ name }) => name);
};

/** The devices of the bakery: how each is, and what it wrote last. */
const Devices = ({ devices, here }: { readonly devices: readonly TabletView[]; readonly here: string }) => {
  const wall = useWallClock();
  const now = useNow(20_000);
  const told = devices.filter((own) => own.device === here || isTold(own));
  if (told.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 text-[13px] font-semibold text-ink-soft">{t`Devices`}</h3>
      <ul className="text-[13.5px]">
        {told.map((own) => (
          <li key={own.device} className="border-t py-1 first:border-t-0">
            <span className="flex justify-between gap-3">
              <span className="min-w-0 truncate">
                {own.device}
                {own.device === here && ` ${t`(this one)`}`}
              </span>
              <span className="shrink-0 text-ink-soft">{own.device === here ? t`there` : stateOf(own)}</span>
            </span>
            {own.wrote && (
              <span className="block text-ink-faint">
                {t`last written by ${own.wrote.who}, ${wall.near(own.wrote.atMs, now)}`}
              </span>
            )}
          </li>
        ))}
      </ul>
    </>
  );
};

/** Whether all is well with Jokul itself: records, backups, disk, devices, probes. */
export const WellbeingPanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { data, error, refetch } = useWellbeing();
  const check = useLogCheck();
  const device = usePreferences((own) => own.device);
  const kept = useJournal((s) => s.pending.length);
  const silent = useSilentProbes(bakery);
  const unread = bakery.equipment.places
    .filter(({ probe, retired, kind }) => probe === false && !retired && kind !== 'bench')
    .map(({ name }) => name);
  const wall = useWallClock();
  if (!data || error)
    return (
      <p role={error ? 'alert' : 'status'} className={error ? 'font-medium text-hand' : 'text-ink-soft'}>
        {error ? error.message : t`Looking …`}
      </p>
    );
  return (
    <>
      <ul className="space-y-2">
        {wellbeingOf(data, { device, kept }, silent, unread, wall.ofDay(nightlyAt)).map(
          ({ what, well, say }) => (
            <li key={what} className="flex gap-2">
              {well ? (
                <CircleCheck
                  size={17}
                  className="mt-0.5 shrink-0 text-ink-faint"
                  role="img"
                  aria-label={t`well`}
                />
              ) : (
                <TriangleAlert
                  size={17}
                  className="mt-0.5 shrink-0 text-hand"
                  role="img"
                  aria-label={t`to look at`}
                />
              )}
              <span className="min-w-0">
                <span className={`block font-semibold ${well ? '' : 'text-hand'}`}>{what}</span>
                <span className="block text-[13.5px] text-ink-soft">{say}</span>
              </span>
            </li>
          ),
        )}
      </ul>
      <Button
        size="small"
        className="mt-2"
        disabled={check.isFetching}
        onClick={() => void check.refetch().then(() => refetch())}
      >
        {check.isFetching ? t`Reading …` : t`Check the log is unaltered`}
      </Button>
      {check.error && (
        <p role="alert" className="mt-1 text-[13.5px] font-medium text-hand">
          {check.error.message}
        </p>
      )}
      <Devices devices={data.devices} here={device} />
    </>
  );
};
