import { t } from '@lingui/core/macro';
import { Plus, X } from 'lucide-react';
import { coverOf, type Formula, type Place } from '@jokul/core';
import { typedNumber, useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Field, SelectField } from '../ui/field';

export interface StepText {
  readonly key: number;
  readonly placeId: string;
  readonly cover: 'open' | 'covered';
  readonly hours: string;
}

/** The steps that the formula's own rest rule asks for. */
export const ruleSteps = (formula: Formula, places: readonly Place[]): readonly StepText[] => {
  const { rest } = formula;
  const idOf = (kind: Place['kind']) => places.find((p) => p.kind === kind)?.id ?? places[0]?.id ?? '';
  const steps: StepText[] = [
    { key: 0, placeId: idOf('bench'), cover: 'open', hours: '0.25' },
    {
      key: 1,
      placeId: idOf(rest.placeKind),
      cover: coverOf(rest),
      hours: String(Math.min(96, Math.max(0.5, Math.round(rest.bestS / 360) / 10))),
    },
  ];
  if (rest.temperS > 0)
    steps.push({
      key: 2,
      placeId: idOf(rest.form === 'bag' ? 'walk-in' : 'bench'),
      cover: rest.form === 'bag' ? 'covered' : 'open',
      hours: (rest.temperS / 3600).toFixed(2),
    });
  return steps;
};

export const hoursOf = (text: string): number | null => {
  const value = typedNumber(text);
  return Number.isFinite(value) && value >= 0.02 && value <= 240 ? value : null;
};

interface LifeStepProps {
  readonly step: StepText;
  readonly number: number;
  readonly places: readonly Place[];
  readonly onChange: (to: Partial<StepText>) => void;
  /** Undefined for the only one. */
  readonly onRemove: (() => void) | undefined;
}

const LifeStep = ({ step, number, places, onChange, onRemove }: LifeStepProps) => {
  const { temperature } = useUnits();
  return (
    <li className="grid grid-cols-[1.5rem_1fr_1fr_6rem_0.75rem_2rem] items-start gap-2 max-sm:grid-cols-2 max-sm:border-t max-sm:pt-2">
      <span className="figures pt-2 text-ink-soft max-sm:hidden">{number}</span>
      <SelectField
        label={t`Place of step ${number}`}
        hideLabel
        value={step.placeId}
        onChange={(event) => onChange({ placeId: event.target.value })}
      >
        {places.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}, {temperature(p.airC)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label={t`Cover of step ${number}`}
        hideLabel
        value={step.cover}
        onChange={(event) => onChange({ cover: event.target.value as 'open' | 'covered' })}
      >
        <option value="open">{t`open`}</option>
        <option value="covered">{t`covered`}</option>
      </SelectField>
      <Field
        label={t`Hours of step ${number}`}
        hideLabel
        inputMode="decimal"
        className="figures text-right"
        value={step.hours}
        error={hoursOf(step.hours) === null ? t`0.02 to 240 h` : undefined}
        onChange={(event) => onChange({ hours: event.target.value })}
      />
      <span className="pt-2 text-ink-soft max-sm:hidden" aria-hidden>
        h
      </span>
      <button
        type="button"
        className="mt-1 grid size-7 place-items-center pointer-coarse:mt-0 pointer-coarse:size-11 rounded text-ink-soft hover:bg-ground disabled:opacity-40"
        aria-label={t`Remove step ${number}`}
        disabled={!onRemove}
        onClick={onRemove}
      >
        <X size={15} aria-hidden />
      </button>
    </li>
  );
};

interface LifeStepsProps {
  readonly steps: readonly StepText[];
  readonly places: readonly Place[];
  readonly onChange: (steps: readonly StepText[]) => void;
}

/** From place to place: where, covered or not, and for how long. */
export const LifeSteps = ({ steps, places, onChange }: LifeStepsProps) => (
  <>
    <ol className="max-w-3xl space-y-1.5" aria-label={t`Steps`}>
      {steps.map((step, i) => (
        <LifeStep
          key={step.key}
          step={step}
          number={i + 1}
          places={places}
          onChange={(to) => onChange(steps.map((own) => (own.key === step.key ? { ...own, ...to } : own)))}
          onRemove={
            steps.length > 1 ? () => onChange(steps.filter(({ key }) => key !== step.key)) : undefined
          }
        />
      ))}
    </ol>
    <Button
      size="small"
      className="mt-2"
      icon={<Plus size={14} aria-hidden />}
      disabled={steps.length >= 8}
      onClick={() =>
        onChange([
          ...steps,
          {
            key: Math.max(0, ...steps.map(({ key }) => key)) + 1,
            placeId: steps.at(-1)?.placeId ?? places[0]?.id ?? '',
            cover: 'open',
            hours: '1',
          },
        ])
      }
    >{t`Add step`}</Button>
  </>
);
