import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { readTyped, showTyped, typedUnit } from '@jokul/core';
import { saidFigure, useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { Field, SelectField } from '../../ui/field';
import { figureOf, nameOf, type Detail, type Kind, type Thing } from './kinds';

type Given = Readonly<Record<string, string>>;
type Units = 'metric' | 'us';

const shown = (
  { key, ask, usual }: Detail,
  thing: Readonly<Record<string, unknown>>,
  units: Units,
): string => {
  const value = thing[key] ?? (key === 'name' ? thing.id : usual);
  if (ask.as === 'words') return Array.isArray(value) ? value.join(', ') : '';
  if ('min' in ask && typeof value === 'number') {
    const { kind, factor } = figureOf(ask);
    return showTyped(value * factor, kind, units);
  }
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
    ? String(value)
    : '';
};

/** The limits as the field shows its figures. */
const limits = (ask: Extract<Detail['ask'], { min: number }>, units: Units): string => {
  const { kind, factor } = figureOf(ask);
  const unit = ask.as === 'percent' ? '%' : ask.as === 'minutes' ? 'min' : typedUnit(kind, units);
  const say = (value: number) => saidFigure(value * factor, kind, units);
  return t`Between ${say(ask.min)} and ${say(ask.max)}${unit ? ` ${unit}` : ''}.`;
};

/** A field read: its value as stored, or why it cannot be. */
const read = (
  { key, ask, optional }: Detail,
  text: string,
  units: Units,
  before: Readonly<Record<string, unknown>>,
): { readonly value?: unknown; readonly error?: string } => {
  if (optional !== undefined && text.trim() === '') return { value: undefined };
  if (ask.as === 'words') {
    const words = text.split(',').map((word) => word.trim());
    return words.length === ask.count && words.every((word) => word.length > 0 && word.length <= 20)
      ? { value: words }
      : { error: t`${ask.count} names with commas between them.` };
  }
  if (ask.as === 'text') {
    const name = text.trim();
    return name.length > 0 && name.length <= 60 ? { value: name } : { error: t`A name has 1 to 60 letters.` };
  }
  // What none of the choices says stays as it was.
  if (ask.as === 'choice') {
    const chosen = ask.choices.find(([value]) => String(value) === text);
    return { value: chosen ? chosen[0] : before[key] };
  }
  // What nobody changed stays to the last digit: an inch is no whole number of millimetres.
  if (text === shown({ key, ask } as Detail, before, units) && typeof before[key] === 'number')
    return { value: before[key] };
  const { kind, factor } = figureOf(ask);
  const typed = readTyped(text, kind, units);
  const value = typed === null ? null : Number((typed / factor).toPrecision(9));
  if (
    value === null ||
    value < ask.min - 1e-9 ||
    value > ask.max + 1e-9 ||
    (ask.as === 'number' && ask.whole && !Number.isInteger(value))
  )
    return {
      error: ask.as === 'number' && ask.whole ? t`A whole number. ${limits(ask, units)}` : limits(ask, units),
    };
  return { value };
};

/** A detail as a choice or a field, in the units of the device. */
const DetailField = ({
  detail: { label, hint, ask, optional },
  value,
  error,
  onChange,
}: {
  readonly detail: Detail;
  readonly value: string;
  readonly error: string | undefined;
  readonly onChange: (event: { target: { value: string } }) => void;
}) => {
  const { units } = useUnits();
  const common = { label, hint, value, onChange };
  if (ask.as === 'choice')
    return (
      <SelectField {...common}>
        {ask.choices.some(([choice]) => String(choice) === value) || (
          <option value={value}>{t`as it is (${value})`}</option>
        )}
        {ask.choices.map(([choice, text]) => (
          <option key={String(choice)} value={String(choice)}>
            {text}
          </option>
        ))}
      </SelectField>
    );
  const isWords = ask.as === 'text' || ask.as === 'words';
  // Labels name percents and minutes themselves.
  const unit = 'min' in ask ? typedUnit(figureOf(ask).kind, units) : '';
  return (
    <Field
      {...common}
      label={unit ? `${label}, ${unit}` : label}
      inputMode={isWords ? 'text' : 'decimal'}
      placeholder={optional}
      error={error}
      maxLength={60}
    />
  );
};

interface DetailsProps {
  readonly of: readonly { readonly detail: Detail; readonly error?: string }[];
  readonly given: Given;
  /** Whether it was tried to save: then what is wrong is said. */
  readonly tried: boolean;
  readonly onSet: (key: string) => (event: { target: { value: string } }) => void;
}

const Details = ({ of, given, tried, onSet }: DetailsProps) => (
  <div className="grid grid-cols-2 gap-x-4 gap-y-3">
    {of.map(({ detail, error }) => (
      <DetailField
        key={detail.key}
        detail={detail}
        value={given[detail.key] ?? ''}
        error={tried ? error : undefined}
        onChange={onSet(detail.key)}
      />
    ))}
  </div>
);

/** What may be left open, out of the way of who only wants to begin; opened where something of it is known or wrong. */
const Finer = (props: DetailsProps) => {
  const { of, given, tried } = props;
  const known = of.some(({ detail }) => (given[detail.key] ?? '').trim() !== '');
  const [open, setOpen] = useState(known);
  if (of.length === 0) return null;
  return (
    <details
      className="mt-4 border-t pt-2"
      open={open || (tried && of.some(({ error }) => error !== undefined))}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="cursor-pointer font-semibold">
        {t`Finer figures`}{' '}
        <span className="text-[13px] font-normal text-ink-soft">{t`the usual ones where you leave them open`}</span>
      </summary>
      <div className="mt-2">
        <Details {...props} />
      </div>
    </details>
  );
};

/** One thing of the equipment, to be filled in and checked before it is taken over. */
export const ThingForm = ({
  kind,
  thing,
  touches,
  onTake,
  onClose,
}: {
  readonly kind: Kind;
  /** Null for a new one. */
  readonly thing: Thing | null;
  /** What a change of it touches, said before it is taken. */
  readonly touches: string | null;
  /** Answers with null when it is saved, else with why not: then the form stays, with what was typed. */
  readonly onTake: (values: Readonly<Record<string, unknown>>) => Promise<string | null>;
  readonly onClose: () => void;
}) => {
  const { units } = useUnits();
  const from = thing ?? kind.example;
  const [given, setGiven] = useState<Given>(() =>
    Object.fromEntries(kind.details.map((detail) => [detail.key, shown(detail, from, units)])),
  );
  const [tried, setTried] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [saving, setSaving] = useState(false);
  const results = kind.details.map((detail) => ({
    detail,
    ...read(detail, given[detail.key] ?? '', units, from),
  }));
  const bad = results.some(({ error }) => error !== undefined);
  const set = (key: string) => (event: { target: { value: string } }) => {
    setRefused(null);
    setGiven((before) => ({ ...before, [key]: event.target.value }));
  };
  const asked = { given, tried, onSet: set };
  return (
    <Dialog
      open
      onClose={onClose}
      title={thing ? t`Change ${nameOf(thing)}` : t`A new ${kind.one}`}
      lead={touches ?? undefined}
    >
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          setTried(true);
          // The same press twice is one.
          if (bad || saving) return;
          setSaving(true);
          const values = Object.fromEntries(results.map(({ detail, value }) => [detail.key, value]));
          void onTake(values)
            .then((problem) => (problem ? setRefused(problem) : onClose()))
            .finally(() => setSaving(false));
        }}
      >
        <Details of={results.filter(({ detail }) => detail.optional === undefined)} {...asked} />
        <Finer of={results.filter(({ detail }) => detail.optional !== undefined)} {...asked} />
        {refused && (
          <p role="alert" className="mt-3 font-medium text-hand">
            {refused}
          </p>
        )}
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={onClose}>{t`Cancel`}</Button>
          <Button type="submit" look="primary" disabled={saving}>
            {thing ? t`Save` : t`Add the ${kind.one}`}
          </Button>
        </div>
      </form>
    </Dialog>
  );
};
