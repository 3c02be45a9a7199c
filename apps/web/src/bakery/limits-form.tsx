import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { toast } from 'sonner';
import {
  limitKeys,
  usualLimits,
  wrongLimits,
  type LimitKey,
  type LimitPart,
  type OwnLimits,
  type WrongLimit,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useSaveRules } from '../lib/queries';
import { typedNumber } from '../lib/units';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { rulesBodyOf } from './rule-fields';
import { keysOf, limitFields, limitParts, shownLimit, typedLimits } from './limit-fields';

type Typed = Readonly<Record<string, string>>;

/** What the fields set. What nobody changed stays to the last digit; an empty one is the usual. */
const readLimits = (typed: Typed, was: OwnLimits): Readonly<Record<string, number>> =>
  Object.fromEntries(
    limitKeys.flatMap((key) => {
      const text = (typed[key] ?? '').trim();
      if (text === '') return [];
      const old = was[key];
      if (old !== undefined && text === shownLimit(key, old)) return [[key, old]];
      return [[key, Number((typedNumber(text) / (limitFields[key].factor ?? 1)).toPrecision(9))]];
    }),
  );

const why = ({ key, why: what, against }: WrongLimit): string => {
  const { low, high } = usualLimits[key as LimitKey];
  if (what === 'crossed') return t`above “${limitFields[against as LimitKey].label}”`;
  return t`${shownLimit(key as LimitKey, low)} to ${shownLimit(key as LimitKey, high)}`;
};

const Part = ({
  part,
  title,
  lead,
  typed,
  wrong,
  onType,
}: {
  readonly part: LimitPart;
  readonly title: string;
  readonly lead: string;
  readonly typed: Typed;
  readonly wrong: ReadonlyMap<string, string>;
  readonly onType: (key: LimitKey, text: string) => void;
}) => {
  const keys = keysOf(part);
  const own = keys.filter((key) => typed[key]).length;
  return (
    <details className="border-t pt-2" open={keys.some((key) => wrong.has(key)) || undefined}>
      <summary className="cursor-pointer font-semibold">
        {title}{' '}
        <span className="text-[13px] font-normal text-ink-soft">
          {own === 0 ? t`as usual` : t`${own} of your own`}
        </span>
      </summary>
      <p className="mt-1 mb-2 text-[13px] text-ink-soft">{lead}</p>
      <div className="grid grid-cols-4 items-end gap-3 pb-2 max-[1100px]:grid-cols-3 max-sm:grid-cols-2">
        {keys.map((key) => (
          <Field
            key={key}
            label={limitFields[key].label}
            inputMode="decimal"
            className="figures text-right"
            placeholder={shownLimit(key, usualLimits[key].usual)}
            value={typed[key] ?? ''}
            error={wrong.get(key)}
            onChange={(event) => onType(key, event.target.value)}
          />
        ))}
      </div>
    </details>
  );
};

/** Limits and factors of the models, each the usual one where the house sets none. */
export const LimitsForm = ({ bakery }: { readonly bakery: BakeryView }) => {
  const save = useSaveRules();
  const was = bakery.rules.limits ?? {};
  const [typed, setTyped] = useState<Typed>(() => typedLimits(was));
  const [refused, setRefused] = useState<string | null>(null);
  const limits = readLimits(typed, was);
  const wrong = new Map(wrongLimits(limits).map((found) => [found.key, why(found)]));
  const isNew = (key: LimitKey) => limits[key] !== was[key];
  const changed = limitKeys.some(isNew);
  return (
    <form
      noValidate
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        setRefused(null);
        if (wrong.size > 0 || save.isPending) return;
        save.mutate(
          { ...rulesBodyOf(bakery.rules), limits, version: bakery.rulesVersion },
          {
            onSuccess: () =>
              toast(
                keysOf('work').some(isNew)
                  ? t`Limits saved. Plans made before are marked as old.`
                  : t`Limits saved.`,
              ),
            onError: (error) => setRefused(error.message),
          },
        );
      }}
    >
      {limitParts.map((part) => (
        <Part
          key={part.part}
          {...part}
          typed={typed}
          wrong={wrong}
          onType={(key, text) => setTyped((before) => ({ ...before, [key]: text }))}
        />
      ))}
      {refused && (
        <p role="alert" className="font-medium text-hand">
          {refused}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button disabled={!changed} onClick={() => setTyped(typedLimits(was))}>{t`Reset`}</Button>
        <Button type="submit" look="primary" data-changes disabled={!changed || save.isPending}>
          {t`Save the limits`}
        </Button>
      </div>
    </form>
  );
};
