import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { Button } from '../../ui/button';
import { Field } from '../../ui/field';

export interface ClosedDay {
  readonly date: string;
  readonly why: string;
}

interface ClosedDaysProps {
  readonly days: readonly ClosedDay[];
  readonly onChange: (days: readonly ClosedDay[]) => void;
}

/** Single days on which nobody works. */
export const ClosedDays = ({ days, onChange }: ClosedDaysProps) => {
  const set = (i: number, part: Partial<ClosedDay>) =>
    onChange(days.map((day, j) => (j === i ? { ...day, ...part } : day)));
  return (
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
              onClick={() => onChange(days.filter((_, j) => j !== i))}
            />
          </li>
        ))}
      </ul>
      <Button
        size="small"
        className="mt-1"
        icon={<Plus size={14} aria-hidden />}
        onClick={() => onChange([...days, { date: '', why: '' }])}
      >{t`Add a closed day`}</Button>
    </fieldset>
  );
};
