import { t } from '@lingui/core/macro';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import {
  atWallClock,
  productOf,
  readLotId,
  reduceLedger,
  shiftDate,
  wallClock,
  type LotState,
  type FloorState,
  type TrayState,
} from '@jokul/core';
import { useNames } from '../../app/actions';
import { DayPicker } from '../../app/day-picker';
import { sayNotice } from '../../journal/notice-words';
import { record, useJournal } from '../../journal/store';
import { useWallClock } from '../../lib/clock';
import { useBakery, useDay, useDayDate, useJournalBetween, useToday } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button, buttonClass } from '../../ui/button';
import { Field } from '../../ui/field';
import { QueueItem } from '../../ui/queue-item';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Empty, Failed, Loading } from '../../ui/states';
import { ChainCheck } from './chain-check';
import { InspectTray } from './inspect-tray';
import { LotLines } from './lot-lines';
import { TrayTable } from './tray-table';

/** The state of the floor as the lots touched on that day tell it, from their first entry on; live for today. */
const useFloorOf = (
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
const lotsOf = (
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

const LotNote = ({ lot }: { lot: string }) => {
  const [text, setText] = useState('');
  return (
    <form
      className="no-print mt-3 flex max-w-2xl items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!text.trim()) return;
        record('note', lot, { text: text.trim() });
        setText('');
      }}
    >
      <div className="flex-1">
        <Field
          label={t`A note on this lot`}
          value={text}
          maxLength={1000}
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      <Button type="submit" disabled={!text.trim()}>{t`Save note`}</Button>
    </form>
  );
};

const LotStory = ({
  lot,
  batch,
  trays,
}: {
  lot: string;
  batch: LotState | undefined;
  trays: readonly TrayState[];
}) => {
  const wall = useWallClock();
  const { temperature, mass } = useUnits();
  const [measuring, setMeasuring] = useState<TrayState | null>(null);
  const { mixed, portioned, notes = [] } = batch ?? {};
  return (
    <>
      <p className="mb-2 text-ink-soft">
        {mixed &&
          t`Mixed ${wall.date(mixed.atMs)} at ${wall.time(mixed.atMs)} by the ${mixed.who.toLowerCase()}: ${mass(mixed.massG)}, dough ${temperature(mixed.doughC, 1)}. `}
        {portioned && t`Portioned at ${wall.time(portioned.atMs)}: ${portioned.pieces} pieces. `}
      </p>
      {mixed && mixed.missing.length > 0 && (
        <p className="mb-2 font-medium text-hand">
          {t`Without ${mixed.missing.join(', ')}: ${mixed.reason ?? ''}`}
        </p>
      )}
      {trays.length > 0 ? (
        <TrayTable trays={trays} onMeasure={setMeasuring} />
      ) : (
        <p className="py-4 text-ink-soft">{t`No tray of this lot has been loaded.`}</p>
      )}
      {notes.length > 0 && (
        <ul className="mt-3 space-y-1">
          {notes.map((note) => (
            <li key={note.entryId}>
              <span className="figures text-[13px] text-ink-soft">{wall.time(note.atMs)}</span> {note.text}{' '}
              <span className="text-ink-faint">({note.who})</span>
            </li>
          ))}
        </ul>
      )}
      <LotNote lot={lot} />
      {measuring && <InspectTray tray={measuring} onClose={() => setMeasuring(null)} />}
    </>
  );
};

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
  const current = batchId && lots.includes(batchId) ? batchId : lots[0];
  const traysOf = (lot: string) =>
    [...floor.trays.values()]
      .filter((tray) => tray.batchId === lot)
      .sort((a, b) => (a.trayId < b.trayId ? -1 : 1));
  const allTrays = lots.flatMap(traysOf);
  const late = allTrays.filter(
    (tray) => tray.pulled && tray.pulled.atMs - tray.loaded.atMs - tray.pullS * 1000 > 60_000,
  );
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
          title={names.product(productOf(lot))}
          side={trays.length > 0 ? `${trays.filter((tray) => tray.racked).length}/${trays.length}` : ''}
          detail={`${lot}${batch?.mixed && batch.mixed.missing.length > 0 ? t`, something missing` : ''}`}
        />
      ))}
      actions={
        <>
          <DayPicker date={date} />
          <Link to={`/log/learned${search}`} className={buttonClass()}>{t`What your bakes show`}</Link>
          <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
        </>
      }
      why={
        <>
          <WhySection title={t`The day in figures`}>
            <Facts>
              <Fact name={t`Lots`}>{lots.length}</Fact>
              {pieces > 0 && <Fact name={t`Pieces planned`}>{pieces}</Fact>}
              <Fact name={t`Pieces baked`}>
                {allTrays.filter((tray) => tray.pulled).reduce((n, tray) => n + tray.pieces, 0)}
              </Fact>
              <Fact name={t`Trays baked`}>{allTrays.filter((tray) => tray.pulled).length}</Fact>
              <Fact name={t`Pulled more than 1 min late`}>{late.length}</Fact>
              <Fact name={t`Measured trays`}>{allTrays.filter((tray) => tray.inspected).length}</Fact>
            </Facts>
          </WhySection>
          <WhySection title={t`The log`}>
            <ChainCheck />
          </WhySection>
          {floor.notices.length > 0 && (
            <WhySection title={t`To look at`}>
              <ul className="space-y-1 text-[13.5px]">
                {floor.notices.slice(-6).map((notice) => (
                  <li
                    key={`${notice.entryId}/${notice.subject}`}
                    className="border-l-2 border-line-strong pl-2"
                  >
                    {sayNotice(notice, wall, names.place)}
                  </li>
                ))}
              </ul>
            </WhySection>
          )}
          <Cautions
            items={[
              t`Nothing is deleted: a mistake is struck out by a new entry.`,
              t`A log is no clearance: Jokul never declares a product safe.`,
            ]}
          />
        </>
      }
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
                {names.product(productOf(current))}{' '}
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
