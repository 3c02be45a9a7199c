import { t } from '@lingui/core/macro';
import { Printer } from 'lucide-react';
import { Link, useLocation, useParams } from 'react-router';
import { NotOnDay } from '../line/not-on-day';
import { productIs, wallClock } from '@jokul/core';
import { useNames } from '../line/actions';
import { DayPicker } from '../line/day-picker';
import { useWallClock } from '../lib/clock';
import { useBakery, useDay, useDayDate, useToday } from '../lib/queries';
import { Button, buttonClass } from '../ui/button';
import { QueueItem } from '../ui/queue-item';
import { Station } from '../line/station';
import { Empty, Failed, Loading } from '../ui/states';
import { lotsOf, useFloorOf } from './floor-of-day';
import { LogWhy } from './log-why';
import { LotLines } from './lot-lines';
import { LotStory } from './lot-story';

export const LogPage = () => {
  const { data } = useBakery();
  const day = useDay();
  const date = useDayDate() ?? '';
  const today = useToday();
  const { batchId } = useParams();
  const { search } = useLocation();
  const names = useNames();
  const wall = useWallClock();
  const { floor, error } = useFloorOf(date || '2026-01-01', today ?? '', data?.rules.timeZone ?? 'UTC');
  if (error) return <Failed error={error} />;
  if (!data || !floor || !date) return <Loading what={t`the log`} />;
  const planned = new Set((day.data?.plan?.plan.batches ?? []).map((batch) => batch.batchId));
  const lots = lotsOf(floor, date, planned, (atMs) => wallClock(atMs / 1000, data.rules.timeZone).date);
  if (batchId !== undefined && lots.length > 0 && !lots.includes(batchId))
    return <NotOnDay id={batchId} path="/log" />;
  const current = batchId ?? lots[0];
  const traysOf = (lot: string) =>
    [...floor.trays.values()]
      .filter((tray) => tray.batchId === lot)
      .sort((a, b) => (a.trayId < b.trayId ? -1 : 1));
  const allTrays = lots.flatMap(traysOf);
  const lives = lots.map((lot) => ({ lot, batch: floor.lots.get(lot), trays: traysOf(lot) }));
  const pieces = (day.data?.plan?.plan.batches ?? []).reduce((n, batch) => n + batch.pieces, 0);
  return (
    <Station
      title={t`Log of ${wall.day(date)}`}
      question={t`What happened, was it right, what do we change next time?`}
      queueTitle={t`Lots`}
      queue={lives.map(({ lot, batch, trays }) => (
        <QueueItem
          key={lot}
          to={`/log/${lot}${search}`}
          active={lot === current}
          title={names.product(productIs(lot, batch))}
          side={trays.length > 0 ? `${trays.filter((tray) => tray.racked).length}/${trays.length}` : ''}
          detail={`${lot}${batch?.mixed && batch.mixed.missing.length > 0 ? t`, something missing` : ''}`}
        />
      ))}
      actions={
        <>
          <DayPicker date={date} path="/log" />
          <Link to={`/log/learned${search}`} className={buttonClass()}>{t`What your bakes show`}</Link>
          <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
        </>
      }
      why={<LogWhy lots={lots.length} trays={allTrays} plannedPieces={pieces} notices={floor.notices} />}
    >
      {lots.length === 0 ? (
        <Empty
          title={t`Nothing was written down for this day`}
        >{t`Lots appear here as soon as one is weighed, mixed or loaded.`}</Empty>
      ) : (
        <>
          <LotLines lives={lives} current={current ?? ''} search={search} />
          {current && (
            <section className="mt-5">
              <h2 className="mb-1 text-lg font-semibold">
                {names.product(productIs(current, floor.lots.get(current)))}{' '}
                <span className="figures text-[15px] font-normal text-ink-soft">{current}</span>
              </h2>
              <LotStory
                key={current}
                lot={current}
                batch={floor.lots.get(current)}
                trays={traysOf(current)}
              />
            </section>
          )}
        </>
      )}
    </Station>
  );
};
