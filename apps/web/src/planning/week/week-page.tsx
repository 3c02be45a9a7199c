import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { shiftDate, wallClock } from '@jokul/core';
import type { BakeryView, WeekView } from '@jokul/contracts';
import { useNow } from '../../lib/clock';
import { usePreferences } from '../../lib/preferences';
import { useBakery, useDayDate, useToday, useWeek } from '../../lib/queries';
import { useWidth } from '../../lib/use-width';
import { useSlip } from '../../line/use-slip';
import { weekFrom } from '../../lib/weekdays';
import { Button } from '../../ui/button';
import { Failed, Loading } from '../../ui/states';
import { DayRow } from './day-row';
import { HourMarks } from './hour-marks';
import { useSay } from './use-say';

/** The hours over the strips. */
const Head = ({ width }: { width: number }) => (
  <div className="grid grid-cols-[190px_minmax(0,1fr)] gap-3 pb-1 max-sm:hidden">
    <span />
    <HourMarks width={width} />
  </div>
);

const WeekRows = ({ week, bakery }: { week: WeekView; bakery: BakeryView }) => {
  const now = useNow(20_000);
  const [ref, room] = useWidth();
  const width = Math.max(240, room < 640 ? room - 24 : room - 214);
  const today = wallClock(now / 1000, bakery.rules.timeZone).date;
  const slip = useSlip();
  return (
    <div ref={ref}>
      {week.work.length > 0 && <Head width={width} />}
      <ol aria-label={t`Days of the week`} className="border-b">
        {week.days.map((day) => (
          <DayRow
            key={day.date}
            day={day}
            week={week}
            bakery={bakery}
            nowS={now / 1000}
            width={width}
            isToday={day.date === today}
            late={slip?.date === day.date ? slip.late.length : 0}
          />
        ))}
      </ol>
      <p className="mt-2 text-[13px] text-ink-faint">{t`Filled: in the oven. Open: mixed, or portioned. Dough is mixed before the day that it is baked for; each stands where the work falls. Press a day to see its doughs and temperatures.`}</p>
    </div>
  );
};

/** Seven days: what is ordered, whether it fits, and when mixers, bench and ovens are busy. */
export const WeekPage = () => {
  const { data } = useBakery();
  const [, setSearch] = useSearchParams();
  const today = useToday() ?? '';
  const say = useSay();
  const weekStart = usePreferences((own) => own.weekStart);
  const date = useDayDate();
  const from = date ? weekFrom(date, weekStart) : '';
  const isNow = today !== '' && from === weekFrom(today, weekStart);
  const week = useWeek(from);
  const show = (day: string) => setSearch((s) => ({ ...Object.fromEntries(s), day }));
  if (!data || week.isPending) return <Loading what={t`the week`} />;
  if (week.isLoadingError) return <Failed error={week.error} onRetry={() => void week.refetch()} />;
  return (
    <div className="relative h-full overflow-y-auto px-5 py-4 max-sm:px-3 print:h-auto">
      <header className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[22px] font-semibold">{t`Week`}</h1>
          <p className="text-ink-soft">{t`What is ordered, whether it fits, and when mixers, bench and ovens are busy.`}</p>
        </div>
        <div className="no-print flex items-center gap-1" role="group" aria-label={t`Which week`}>
          <Button
            aria-label={t`A week earlier`}
            className="!px-2"
            icon={<ChevronLeft size={16} />}
            onClick={() => show(shiftDate(from, -7))}
          />
          <Button onClick={() => show(today)} disabled={isNow}>
            {!isNow ? t`From ${say.day(from)}: to today` : weekStart === 'day' ? t`From today` : t`This week`}
          </Button>
          <Button
            aria-label={t`A week later`}
            className="!px-2"
            icon={<ChevronRight size={16} />}
            onClick={() => show(shiftDate(from, 7))}
          />
        </div>
      </header>
      {week.data.days.every(({ lines, plan }) => lines === 0 && !plan) && week.data.work.length === 0 && (
        <p className="mb-3 rounded-lg border border-dashed border-line-strong p-6 text-center text-ink-soft">
          <Trans>
            Nothing is on the lists of this week. Orders come in under{' '}
            <Link to={`/orders?day=${from}`} className="underline underline-offset-4">
              Orders
            </Link>
            , also as standing ones.
          </Trans>
        </p>
      )}
      <WeekRows week={week.data} bakery={data} />
    </div>
  );
};
