import { t } from '@lingui/core/macro';
import { CircleCheck, TriangleAlert } from 'lucide-react';
import { placeAirNow } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useJournal } from '../journal/store';
import { useNow, useWallClock } from '../lib/clock';
import { useProbes, useWellbeing } from '../lib/queries';
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

/** Whether all is well with Jokul itself: records, backups, disk, devices, probes. */
export const WellbeingPanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { data, isError } = useWellbeing();
  const kept = useJournal((s) => s.pending.length);
  const silent = useSilentProbes(bakery);
  const unread = bakery.equipment.places
    .filter(({ probe, retired, kind }) => probe === false && !retired && kind !== 'bench')
    .map(({ name }) => name);
  const wall = useWallClock();
  const now = useNow(20_000);
  if (!data)
    return (
      <p role={isError ? 'alert' : 'status'} className={isError ? 'font-medium text-hand' : 'text-ink-soft'}>
        {isError
          ? t`The server does not answer. What is entered is kept on this device meanwhile.`
          : t`Looking …`}
      </p>
    );
  return (
    <>
      <ul className="space-y-2">
        {wellbeingOf(data, kept, silent, unread, wall.ofDay(nightlyAt)).map(({ what, well, say }) => (
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
        ))}
      </ul>
      {data.devices.length > 0 && (
        <>
          <h3 className="mt-3 text-[13px] font-semibold text-ink-soft">{t`Who wrote down what last`}</h3>
          <ul className="text-[13.5px]">
            {data.devices.map(({ device, who, lastMs }) => (
              <li key={device} className="flex justify-between gap-3 border-t py-1 first:border-t-0">
                <span className="min-w-0 truncate">{device}</span>
                <span className="shrink-0 text-ink-soft">
                  {who}, {wall.near(lastMs, now)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
};
