import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import type { Shift } from '@jokul/core';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';

export interface AwayRow {
  readonly date: string;
  readonly shift: string;
  readonly hands: string;
  readonly why: string;
}

interface AwayFieldsProps {
  readonly own: AwayRow;
  readonly number: number;
  readonly shifts: readonly Shift[];
  readonly onChange: (part: Partial<AwayRow>) => void;
  readonly onRemove: () => void;
}

const AwayFields = ({ own, number, shifts, onChange, onRemove }: AwayFieldsProps) => (
  <li className="grid grid-cols-[9.5rem_minmax(0,1fr)_2rem] items-end gap-2 border-t pt-2 first:border-t-0 first:pt-0">
    <Field
      label={t`Day ${number} somebody is away`}
      hideLabel
      type="date"
      value={own.date}
      onChange={(event) => onChange({ date: event.target.value })}
    />
    <SelectField
      label={t`Shift on day ${number}`}
      hideLabel
      value={own.shift}
      onChange={(event) => onChange({ shift: event.target.value })}
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
      onClick={onRemove}
    />
    <Field
      label={t`Hands away on day ${number}`}
      hideLabel
      inputMode="numeric"
      className="figures text-right"
      value={own.hands}
      onChange={(event) => onChange({ hands: event.target.value })}
    />
    <Field
      label={t`Why on day ${number}`}
      hideLabel
      placeholder={t`Why`}
      maxLength={80}
      value={own.why}
      onChange={(event) => onChange({ why: event.target.value })}
    />
  </li>
);

interface AwayRowsProps {
  readonly off: readonly AwayRow[];
  readonly shifts: readonly Shift[];
  readonly today: string;
  readonly onChange: (off: readonly AwayRow[]) => void;
}

/** Days on which a shift has fewer hands. */
export const AwayRows = ({ off, shifts, today, onChange }: AwayRowsProps) => (
  <fieldset className="mt-3">
    <legend className="mb-1 text-[13px] text-ink-soft">{t`Away once`}</legend>
    <ul className="space-y-2">
      {off.map((own, i) => (
        <AwayFields
          // oxlint-disable-next-line react/no-array-index-key -- a row has no other name while it is typed
          key={i}
          own={own}
          number={i + 1}
          shifts={shifts}
          onChange={(part) => onChange(off.map((row, j) => (j === i ? { ...row, ...part } : row)))}
          onRemove={() => onChange(off.filter((_, j) => j !== i))}
        />
      ))}
    </ul>
    <Button
      size="small"
      className="mt-1"
      icon={<Plus size={14} aria-hidden />}
      onClick={() => onChange([...off, { date: today, shift: shifts[0]?.name ?? '', hands: '1', why: '' }])}
    >{t`Add who is away`}</Button>
  </fieldset>
);
