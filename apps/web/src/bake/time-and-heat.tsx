import { Trans } from '@lingui/react/macro';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { isTooDark, type Doneness, type Formula } from '@jokul/core';
import { typedNumber, useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';
import { Shown } from '../ui/shown';
import { core } from '../workers/core';
import { BakeMap } from './bake-map';
import type { Conditions } from './use-conditions';
import { stateNames } from '../words/names-of-codes';

const targets: readonly Doneness[] = ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'];

/** Given the time: which oven does it take? */
const TemperatureFor = ({ formula, base, pullS }: { formula: Formula; base: Conditions; pullS: number }) => {
  const [minutes, setMinutes] = useState((pullS / 60).toFixed(1));
  const [target, setTarget] = useState<Doneness>(formula.bake.target);
  const { temperature, size } = useUnits();
  const value = typedNumber(minutes);
  const wrong = !Number.isFinite(value) || value < 3 || value > 60;
  const answer = useQuery({
    queryKey: ['temperature-for', formula.code, formula.version, base, value, target],
    queryFn: () => core().temperature(formula, base, value * 60, target),
    enabled: !wrong,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const { data } = answer;
  return (
    <section aria-label={t`Time given`} className="flex flex-wrap items-start gap-3">
      <div className="w-32">
        <Field
          label={t`In the oven, min`}
          inputMode="decimal"
          className="figures text-right"
          value={minutes}
          error={wrong ? t`3 to 60` : undefined}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </div>
      <SelectField
        label={t`To become`}
        value={target}
        onChange={(event) => setTarget(event.target.value as Doneness)}
      >
        {targets.map((name) => (
          <option key={name} value={name}>
            {stateNames[name]}
          </option>
        ))}
      </SelectField>
      <p className="min-w-0 flex-1 pt-6" role="status">
        {wrong ? (
          ''
        ) : answer.isError ? (
          answer.error.message
        ) : !data ? (
          t`Computing …`
        ) : data.set ? (
          <>
            <Trans>
              takes an oven at <Shown figure={data.set}>{temperature(data.set.value)}</Shown>; then the rim is
              at {data.reading.colour.edge.toFixed(0)}, the underside at{' '}
              {data.reading.colour.bottom.toFixed(0)}, {size(data.reading.diameterMm)} across.
              {isTooDark(target, data.reading.colour.edge, data.reading.colour.bottom, base.limits) &&
                t` That is too dark: give it more time and less heat.`}
              <span className="block text-[12.5px] text-ink-faint">
                A forecast. Far from the oven that you know, try a few pieces first.
              </span>
            </Trans>
          </>
        ) : data.reason === 'too-short' ? (
          t`is too short at any oven temperature up to ${temperature(250)}. Give it more time, or make the piece smaller.`
        ) : (
          t`is so long that it is overdone even at ${temperature(125)}. Give it less time.`
        )}
      </p>
    </section>
  );
};

/** Time and temperature, either or both free. */
export const TimeAndHeat = (props: { formula: Formula; base: Conditions; pullS: number }) => (
  <>
    <h2 className="mb-2 text-[12.5px] font-semibold text-ink-soft">{t`Given the time`}</h2>
    <TemperatureFor {...props} />
    <BakeMap {...props} />
  </>
);
