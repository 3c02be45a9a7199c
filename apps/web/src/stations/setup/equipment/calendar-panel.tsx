import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { isCalendarDate } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { Button } from '../../../ui/button';
import { Field } from '../../../ui/field';
import { WeekdayChoice } from '../../../ui/weekday-choice';
import { useChangeEquipment } from './use-equipment';

/** Days on which nobody works: of the week, and single ones. */
export const CalendarPanel = ({ bakery }: { readonly bakery: BakeryView }) => {
  const { closedWeekdays = [], closedDays = [] } = bakery.equipment.calendar ?? {};
  const { change, busy } = useChangeEquipment(bakery);
  const [weekdays, setWeekdays] = useState<readonly number[]>(closedWeekdays);
  const [days, setDays] = useState<readonly { readonly date: string; readonly why: string }[]>(closedDays);
  const [problem, setProblem] = useState<string | null>(null);
  const set = (i: number, part: { date?: string; why?: string }) =>
    setDays((all) => all.map((day, j) => (j === i ? { ...day, ...part } : day)));
  const save = () => {
    const wrong = days.find(({ date, why }) => !isCalendarDate(date) || why.trim() === '');
    if (wrong) return setProblem('Each closed day needs its date, and why the bakery is closed.');
    setProblem(null);
    const calendar = {
      closedWeekdays: weekdays,
      closedDays: days
        .map(({ date, why }) => ({ date, why: why.trim() }))
        .sort((a, b) => a.date.localeCompare(b.date)),
    };
    void change({ ...bakery.equipment, calendar }, 'The calendar is saved.').then(setProblem);
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <WeekdayChoice legend="Closed every" chosen={weekdays} onChoose={setWeekdays} />
      <fieldset className="mt-3">
        <legend className="mb-1 text-[13px] text-ink-soft">Closed once</legend>
        <ul className="space-y-2">
          {days.map((day, i) => (
            // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
            <li key={i} className="grid grid-cols-[9.5rem_minmax(0,1fr)_2rem] items-end gap-2">
              <Field
                label={`Closed day ${i + 1}`}
                hideLabel
                type="date"
                value={day.date}
                onChange={(event) => set(i, { date: event.target.value })}
              />
              <Field
                label={`Why closed day ${i + 1}`}
                hideLabel
                placeholder="Why"
                maxLength={80}
                value={day.why}
                onChange={(event) => set(i, { why: event.target.value })}
              />
              <Button
                size="small"
                look="quiet"
                aria-label={`Open ${day.date || 'this day'} again`}
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
        >
          Add a closed day
        </Button>
      </fieldset>
      <p className="mt-2 text-[12.5px] text-ink-faint">
        Standing orders rest on a closed day, nobody is planned to work, and no oven is on. A night shift that
        began the evening before goes on.
      </p>
      {problem && (
        <p role="alert" className="mt-2 font-medium text-hand">
          {problem}
        </p>
      )}
      <div className="mt-3 flex justify-end">
        <Button type="submit" look="primary" disabled={busy}>
          Save the calendar
        </Button>
      </div>
    </form>
  );
};
