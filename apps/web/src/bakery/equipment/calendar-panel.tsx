import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { isCalendarDate } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../ui/button';
import { WeekdayChoice } from '../../ui/weekday-choice';
import { AwayRows, type AwayRow } from './away-rows';
import { ClosedDays, type ClosedDay } from './closed-days';
import { useChangeEquipment } from './use-equipment';

const saidWhole = ({ date, hands, why }: AwayRow) =>
  isCalendarDate(date) && /^[1-9]\d?$/.test(hands.trim()) && why.trim() !== '';

/** Days on which nobody works, of the week and single ones; and days on which a shift has fewer hands. */
export const CalendarPanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { closedWeekdays = [], closedDays = [], away = [] } = bakery.equipment.calendar ?? {};
  const { shifts } = bakery.equipment;
  const { change, busy } = useChangeEquipment(bakery);
  const [weekdays, setWeekdays] = useState<readonly number[]>(closedWeekdays);
  const [days, setDays] = useState<readonly ClosedDay[]>(closedDays);
  const [off, setOff] = useState<readonly AwayRow[]>(
    away.map((own) => ({ ...own, hands: String(own.hands) })),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const save = () => {
    const wrong = days.find(({ date, why }) => !isCalendarDate(date) || why.trim() === '');
    if (wrong) return setProblem(t`Each closed day needs its date, and why the bakery is closed.`);
    if (!off.every(saidWhole)) return setProblem(t`Who is away needs the day, how many hands, and why.`);
    setProblem(null);
    const calendar = {
      closedWeekdays: weekdays,
      closedDays: days
        .map(({ date, why }) => ({ date, why: why.trim() }))
        .sort((a, b) => a.date.localeCompare(b.date)),
      ...((off.length > 0 || away.length > 0) && {
        away: off
          .map((own) => ({ ...own, hands: Number(own.hands), why: own.why.trim() }))
          .sort((a, b) => a.date.localeCompare(b.date)),
      }),
    };
    void change({ ...bakery.equipment, calendar }, t`The calendar is saved.`).then(setProblem);
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <WeekdayChoice legend={t`Closed every`} chosen={weekdays} onChoose={setWeekdays} />
      <ClosedDays days={days} onChange={setDays} />
      <p className="mt-2 text-[12.5px] text-ink-faint">{t`Standing orders rest on a closed day, nobody is planned to work, and no oven is on. A night shift that began the evening before goes on.`}</p>
      <AwayRows off={off} shifts={shifts} today={bakery.today} onChange={setOff} />
      <p className="mt-2 text-[12.5px] text-ink-faint">{t`The shift that begins on that day has so many hands fewer to mix and portion; with none left it does not take place.`}</p>
      {problem && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {problem}
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button type="submit" look="primary" disabled={busy}>{t`Save the calendar`}</Button>
      </div>
    </form>
  );
};
