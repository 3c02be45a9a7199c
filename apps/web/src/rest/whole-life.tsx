import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  doughForms,
  type DoughForm,
  type Formula,
  type HouseRules,
  type LifeQuestion,
  type Place,
} from '@jokul/core';
import { useNow, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';
import { Field, SelectField } from '../ui/field';
import { Said } from '../ui/said';
import { core } from '../workers/core';
import { ColdQuestions } from './cold-questions';
import { LifeChart, LifeMarks } from './life-found';
import { hoursOf, LifeSteps, ruleSteps, type StepText } from './life-steps';

interface WholeLifeProps {
  readonly formula: Formula;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
  readonly startC: number;
  readonly massG: number;
  readonly wantedMs: number | null;
  readonly pieces: number;
}

const formNames: Readonly<Record<DoughForm, string>> = {
  pieces: t`pieces on trays`,
  tub: t`tub`,
  log: t`log`,
  bag: t`bag of pieces`,
};

/** As much as a tub holds, g. */
const fit = (massG: number) => Math.min(8000, Math.max(500, massG));

const stepsIn = (steps: readonly StepText[], places: readonly Place[]): LifeQuestion['steps'] =>
  steps.flatMap(({ placeId, cover, hours }) => {
    const place = places.find(({ id }) => id === placeId);
    return place ? [{ place, cover, durationS: (hoursOf(hours) ?? 1) * 3600 }] : [];
  });

const useLife = (question: LifeQuestion | null) =>
  useQuery({
    queryKey: ['life', question],
    queryFn: () => core().life(question as LifeQuestion),
    enabled: question !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    placeholderData: (before) => before,
  });

/** A dough from place to place in one run: bench, walk-in, freezer and back, with what happens to it on the way. */
export const WholeLife = ({ formula, places, rules, startC, massG, wantedMs, pieces }: WholeLifeProps) => {
  const { label, figure, typed, range } = useUnits();
  const wall = useWallClock();
  const now = useNow(60_000);
  const [form, setForm] = useState<DoughForm>(formula.rest.form === 'none' ? 'pieces' : formula.rest.form);
  const [start, setStart] = useState(figure(startC, 'temperature'));
  const [steps, setSteps] = useState<readonly StepText[]>(() => ruleSteps(formula, places));
  const startValue = typed(start, 'temperature');
  const wrongStart = !Number.isFinite(startValue) || startValue < -25 || startValue > 40;
  const wrong = wrongStart || steps.length === 0 || steps.some(({ hours }) => hoursOf(hours) === null);
  const question = wrong
    ? null
    : {
        formula,
        form,
        massG: fit(massG),
        startC: startValue,
        readyC: rules.readyCoreC,
        steps: stepsIn(steps, places),
      };
  const life = useLife(question);
  const { data } = life;
  return (
    <section aria-label={t`Its whole life`}>
      <div className="mb-2 flex flex-wrap items-end gap-3">
        <SelectField
          label={t`As`}
          value={form}
          onChange={(event) => setForm(event.target.value as DoughForm)}
        >
          {doughForms.map((name) => (
            <option key={name} value={name}>
              {formNames[name]}
            </option>
          ))}
        </SelectField>
        <div className="w-28">
          <Field
            label={label(t`Dough at the start`, 'temperature')}
            inputMode="decimal"
            className="figures text-right"
            value={start}
            error={wrongStart ? range(-25, 40, 'temperature') : undefined}
            onChange={(event) => setStart(event.target.value)}
          />
        </div>
      </div>
      <LifeSteps steps={steps} places={places} onChange={setSteps} />
      {life.isError ? (
        <p role="alert" className="mt-3 font-medium text-hand">
          <Said>{life.error.message}</Said>
        </p>
      ) : (
        data && (
          <div className={life.isPlaceholderData ? 'opacity-60' : ''}>
            <LifeMarks data={data} />
            <LifeChart
              data={data}
              places={steps.map(({ placeId }) => places.find(({ id }) => id === placeId))}
              readyC={rules.readyCoreC}
            />
          </div>
        )
      )}
      <ColdQuestions
        formula={formula}
        form={form}
        massG={fit(massG)}
        places={places}
        wantedMs={wantedMs}
        say={(ms) => wall.near(ms, now)}
        pieces={pieces}
        readyC={rules.readyCoreC}
      />
      <p className="mt-2 text-[12.5px] text-ink-faint">{t`A forecast: ± 15 % in time until a cooling curve of the place is logged. When dough is workable or too soft is a house estimate by its milk fat. Mounds, pucks and slices are discs of their mass, a bag is a slab.`}</p>
    </section>
  );
};
