import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { isCalendarDate } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../../ui/button';
import { Field, SelectField } from '../../../ui/field';
import { WeekdayChoice } from '../../../ui/weekday-choice';
import { useChangeEquipment } from './use-equipment';

interface AwayRow {
  readonly date: string;
  readonly shift: string;
  readonly hands: string;
  readonly why: string;
}
const saidWhole = ({ date, hands, why }: AwayRow) =>
  isCalendarDate(date) && /^[1-9]\d?$/.test(hands.trim()) && why.trim() !== '';

/** Days on which nobody works, of the week and single ones; and days on which a shift has fewer hands. */
export const CalendarPanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { closedWeekdays = [], closedDays = [], away = [] } = bakery.equipment.calendar ?? {};
  const { shifts } = bakery.equipment;
  const { change, busy } = useChangeEquipment(bakery);
  const [weekdays, setWeekdays] = useState<readonly number[]>(closedWeekdays);
  const [days, setDays] = useState<readonly { readonly date: string; readonly why: string }[]>(closedDays);
  const [off, setOff] = useState<readonly AwayRow[]>(
    away.map((own) => ({ ...own, hands: String(own.hands) })),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const set = (i: number, part: { date?: string; why?: string }) =>
    setDays((all) => all.map((day, j) => (j === i ? { ...day, ...part } : day)));
  const setAway = (i: number, part: Partial<AwayRow>) =>
    setOff((all) => all.map((own, j) => (j === i ? { ...own, ...part } : own)));
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
      <fieldset className="mt-3">
        <legend className="mb-1 text-[13px] text-ink-soft">{t`Closed once`}</legend>
        <ul className="space-y-2">
          {days.map((day, i) => (
            // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
            <li key={i} className="grid grid-cols-[9.5rem_minmax(0,1fr)_2rem] items-end gap-2">
              <Field
                label={t`Closed day ${i + 1}`}
                hideLabel
                type="date"
                value={day.date}
                onChange={(event) => set(i, { date: event.target.value })}
              />
              <Field
                label={t`Why closed day ${i + 1}`}
                hideLabel
                placeholder={t`Why`}
                maxLength={80}
                value={day.why}
                onChange={(event) => set(i, { why: event.target.value })}
              />
              <Button
                size="small"
                look="quiet"
                aria-label={t`Open ${day.date || t`this day`} again`}
                icon={<X size={15} aria-hidden />}
                onClick={() => setDays((all) => all.filter((_, j) => j !== i))}
              />
            </li>
          ))}
        </ul>
        <Button
          size="small"
          className="mt-1"
          icon={<Plus size={14} aria-hidden />}
          onClick={() => setDays((all) => [...all, { date: '', why: '' }])}
        >{t`Add a closed day`}</Button>
      </fieldset>
      <p className="mt-2 text-[12.5px] text-ink-faint">{t`Standing orders rest on a closed day, nobody is planned to work, and no oven is on. A night shift that began the evening before goes on.`}</p>
      <fieldset className="mt-3">
        <legend className="mb-1 text-[13px] text-ink-soft">{t`Away once`}</legend>
        <ul className="space-y-2">
          {off.map((own, i) => (
            // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
            <li
              key={i}
              className="grid grid-cols-[9.5rem_minmax(0,1fr)_2rem] items-end gap-2 border-t pt-2 first:border-t-0 first:pt-0"
            >
              <Field
                label={t`Day ${i + 1} somebody is away`}
                hideLabel
                type="date"
                value={own.date}
                onChange={(event) => setAway(i, { date: event.target.value })}
              />
              <SelectField
                label={t`Shift on day ${i + 1}`}
                hideLabel
                value={own.shift}
                onChange={(event) => setAway(i, { shift: event.target.value })}
              >
                {!shifts.some(({ name }) => name === own.shift) && (
                  <option value={own.shift}>{t`${own.shift} (no such shift any more)`}</option>
                )}
                {shifts.map(({ name }) => (
                  <option key={name} value={name}>
                    {name}
                  </option>
                ))}
              </SelectField>
              <Button
                size="small"
                look="quiet"
                aria-label={t`Back on ${own.date || t`this day`}`}
                icon={<X size={15} aria-hidden />}
                onClick={() => setOff((all) => all.filter((_, j) => j !== i))}
              />
              <Field
                label={t`Hands away on day ${i + 1}`}
                hideLabel
                inputMode="numeric"
                className="figures text-right"
                value={own.hands}
                onChange={(event) => setAway(i, { hands: event.target.value })}
              />
              <Field
                label={t`Why on day ${i + 1}`}
                hideLabel
                placeholder={t`Why`}
                maxLength={80}
                value={own.why}
                onChange={(event) => setAway(i, { why: event.target.value })}
              />
            </li>
          ))}
        </ul>
        <Button
          size="small"
          className="mt-1"
          icon={<Plus size={14} aria-hidden />}
          onClick={() =>
            setOff((all) => [
              ...all,
              { date: bakery.today, shift: shifts[0]?.name ?? '', hands: '1', why: '' },
            ])
          }
        >{t`Add who is away`}</Button>
      </fieldset>
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
