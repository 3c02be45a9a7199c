import { t } from '@lingui/core/macro';
import { useQueries, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { coldAlarm, followed, inTheCold, placeAirNow, sayDuration, type Readiness } from '@jokul/core';
import { useJournal } from '../journal/store';
import { useColdAlarm } from '../line/cold-alarm';
import { useLots } from '../line/lots';
import { nowMs, useNow } from '../lib/clock';
import { useBakery, useDay, useDayDate, useProbes, useRetime } from '../lib/queries';
import { needleReadings } from '../rest/needles';
import { questionOf } from '../rest/question';
import { asShown, needleQuery } from '../rest/use-needles';
import { Button, buttonClass } from '../ui/button';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { airBackMs } from '../line/way-now';
import { core } from '../workers/core';

const recentMs = 3 * 3600e3;

/** When each dough in a place that is off is cold, by what was set and by what was measured. */
const useReadiness = (
  affected: ReturnType<typeof inTheCold>,
  long: ReturnType<typeof useProbes>,
  now: number,
): readonly Readiness[] => {
  const queries = useQueryClient();
  const { equipment, rules } = useBakery().data ?? {};
  const floor = useJournal((s) => s.floor);
  const lots = useLots();
  const readingsOf = (placeId: string) =>
    long.data?.places.find((place) => place.placeId === placeId)?.readings ?? [];
  const slot = Math.floor(now / 120_000);
  // Only the doughs of a place that drifts are computed anew, every two minutes, off the main thread.
  const needleCount = [...floor.lots.values()].reduce(
    (sum, { stays }) => sum + stays.reduce((cores, stay) => cores + stay.cores.length, 0),
    0,
  );
  return useQueries({
    queries: affected.map((item) => {
      const formula = lots?.formulaOf(item.batchId);
      const place = equipment?.places.find(({ id }) => id === item.placeId);
      return {
        queryKey: ['readiness', item.batchId, item.inMs, slot, long.data?.version, needleCount],
        enabled: long.data !== undefined,
        queryFn: async (): Promise<Readiness> => {
          if (!formula || !place || !rules) return { batchId: item.batchId, bySetMs: null, measuredMs: null };
          const needles = needleReadings(
            place,
            floor,
            lots?.formulaOf ?? (() => undefined),
            rules,
            readingsOf(place.id),
            now,
          );
          const answer = needles.length > 0 ? await queries.fetchQuery(needleQuery(needles)) : null;
          const bySet = questionOf(item, formula, asShown(place, answer), rules);
          const { question, beginsMs } = followed(bySet, item.inMs, readingsOf(place.id), now);
          const { setS, measuredS } = await core().readiness(bySet, question);
          return {
            batchId: item.batchId,
            bySetMs: setS === null ? null : item.inMs + setS * 1000,
            measuredMs: measuredS === null ? null : beginsMs + measuredS * 1000,
          };
        },
        staleTime: 110_000,
        placeholderData: (before: Readiness | undefined) => before,
      };
    }),
    combine: (results) => results.flatMap(({ data }) => (data ? [data] : [])),
  });
};

/** The worst of what is off, and what can be done about it. */
const ColdAlarmBox = ({ alarm }: { readonly alarm: NonNullable<ReturnType<typeof coldAlarm>> }) => {
  const retime = useRetime(useDayDate() ?? '');
  const { search } = useLocation();
  const [first] = alarm.waits;
  return (
    <div className="no-print px-4 pt-3">
      <Alarm
        action={
          <>
            {first && (
              <Button
                look="hand"
                size="small"
                disabled={retime.isPending}
                onClick={() =>
                  retime.mutate({ notBefore: alarm.waits.map(({ batchId, atS }) => ({ batchId, atS })) })
                }
              >
                {retime.isPending ? t`Timing …` : t`Delay the loads`}
              </Button>
            )}
            <Link
              to={`/rest${search}${search ? '&' : '?'}at=places`}
              className={buttonClass('plain', 'small')}
            >{t`To the cold`}</Link>
          </>
        }
      >
        <strong className="font-semibold">{alarm.title}.</strong> <Said>{alarm.message}</Said>
        {first && (
          <>
            {' '}
            {t`Not cold in time: ${alarm.waits
              .map(({ batchId, byS }) => t`${batchId} waits ${sayDuration(Math.ceil(byS / 60) * 60)}`)
              .join(', ')}.`}
          </>
        )}
      </Alarm>
    </div>
  );
};

/** Looks at the air of the cold places; one alarm, the worst, with what it does to the doughs and the loads. */
export const ColdWatch = () => {
  const bakery = useBakery();
  const day = useDay();
  const now = useNow(20_000);
  const floor = useJournal((s) => s.floor);
  const recent = useProbes(now - recentMs);
  const { equipment, rules } = bakery.data ?? {};
  const airs = (equipment?.places ?? []).map((place) =>
    placeAirNow(
      place,
      recent.data?.places.find(({ placeId }) => placeId === place.id)?.readings ?? [],
      now,
      rules?.probeSilentS,
    ),
  );
  const cold = inTheCold(floor);
  const off = airs
    .filter(({ drifting, lastOffMs }) => drifting || lastOffMs !== null)
    .map(({ place }) => place.id);
  // The long way back is asked for only when something is off.
  const long = useProbes(now - airBackMs, off.length > 0);
  const ready = useReadiness(
    cold.filter((item) => off.includes(item.placeId)),
    long,
    now,
  );
  // Before the first answer of the probes nothing is known of them, good or bad.
  const batches = day.data?.plan?.plan.batches ?? [];
  const alarm = rules && recent.data ? coldAlarm(airs, cold, ready, batches, rules, now) : null;
  const alarms = alarm !== null;
  useEffect(() => useColdAlarm.setState({ sinceMs: alarms ? nowMs() : null }), [alarms]);
  if (!alarm) return null;
  return <ColdAlarmBox alarm={alarm} />;
};
