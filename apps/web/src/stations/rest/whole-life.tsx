import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import {
  doughForms,
  handStates,
  type DoughForm,
  type Formula,
  type HouseRules,
  type LifeQuestion,
  type Place,
} from '@jokul/core';
import { useNow, useWallClock } from '../../lib/clock';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { LazyChart } from '../../viz/lazy-chart';
import { core } from '../../workers/core';
import { ColdQuestions } from './cold-questions';
import { Said } from '../../ui/said';

interface WholeLifeProps {
  readonly formula: Formula;
  readonly places: readonly Place[];
  readonly rules: HouseRules;
  readonly startC: number;
  readonly massG: number;
  readonly wantedMs: number | null;
  readonly pieces: number;
}

interface StepText {
  readonly key: number;
  readonly placeId: string;
  readonly cover: 'open' | 'covered';
  readonly hours: string;
}

const formNames: Readonly<Record<DoughForm, string>> = {
  pieces: t`pieces on trays`,
  tub: t`tub`,
  log: t`log`,
  bag: t`bag of pieces`,
};

/** The steps that the formula's own rest rule asks for. */
const ruleSteps = (formula: Formula, places: readonly Place[]): readonly StepText[] => {
  const { rest } = formula;
  const idOf = (kind: Place['kind']) => places.find((p) => p.kind === kind)?.id ?? places[0]?.id ?? '';
  const cover = rest.form === 'pieces' || rest.form === 'none' ? 'open' : 'covered';
  const steps: StepText[] = [
    { key: 0, placeId: idOf('bench'), cover: 'open', hours: '0.25' },
    {
      key: 1,
      placeId: idOf(rest.placeKind),
      cover,
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

const hoursOf = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= 0.02 && value <= 240 ? value : null;
};

/** A dough from place to place in one run: bench, walk-in, freezer and back, with what happens to it on the way. */
export const WholeLife = ({ formula, places, rules, startC, massG, wantedMs, pieces }: WholeLifeProps) => {
  const { temperature, duration, label, figure, typed, range } = useUnits();
  const wall = useWallClock();
  const now = useNow(60_000);
  const [form, setForm] = useState<DoughForm>(formula.rest.form === 'none' ? 'pieces' : formula.rest.form);
  const [start, setStart] = useState(figure(startC, 'temperature'));
  const [steps, setSteps] = useState(() => ruleSteps(formula, places));
  const change = (key: number, to: Partial<StepText>) =>
    setSteps(steps.map((step) => (step.key === key ? { ...step, ...to } : step)));
  const startValue = typed(start, 'temperature');
  const wrongStart = !Number.isFinite(startValue) || startValue < -25 || startValue > 40;
  const wrong = wrongStart || steps.length === 0 || steps.some(({ hours }) => hoursOf(hours) === null);
  const question: LifeQuestion | null = wrong
    ? null
    : {
        formula,
        form,
        massG: Math.min(8000, Math.max(500, massG)),
        startC: startValue,
        readyC: rules.readyCoreC,
        steps: steps.flatMap(({ placeId, cover, hours }) => {
          const place = places.find(({ id }) => id === placeId);
          return place ? [{ place, cover, durationS: (hoursOf(hours) ?? 1) * 3600 }] : [];
        }),
      };
  const life = useQuery({
    queryKey: ['life', formula.code, formula.version, question],
    queryFn: () => core().life(question as LifeQuestion),
    enabled: question !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    placeholderData: (before) => before,
  });
  const { data } = life;
  const totalH = (data?.curve.timesS.at(-1) ?? 3600) / 3600;
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
      <ol className="max-w-3xl space-y-1.5" aria-label={t`Steps`}>
        {steps.map((step, i) => (
          <li
            key={step.key}
            className="grid grid-cols-[1.5rem_1fr_1fr_6rem_0.75rem_2rem] items-start gap-2 max-sm:grid-cols-2 max-sm:border-t max-sm:pt-2"
          >
            <span className="figures pt-2 text-ink-soft max-sm:hidden">{i + 1}</span>
            <SelectField
              label={t`Place of step ${i + 1}`}
              hideLabel
              value={step.placeId}
              onChange={(event) => change(step.key, { placeId: event.target.value })}
            >
              {places.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}, {temperature(p.airC)}
                </option>
              ))}
            </SelectField>
            <SelectField
              label={t`Cover of step ${i + 1}`}
              hideLabel
              value={step.cover}
              onChange={(event) => change(step.key, { cover: event.target.value as 'open' | 'covered' })}
            >
              <option value="open">{t`open`}</option>
              <option value="covered">{t`covered`}</option>
            </SelectField>
            <Field
              label={t`Hours of step ${i + 1}`}
              hideLabel
              inputMode="decimal"
              className="figures text-right"
              value={step.hours}
              error={hoursOf(step.hours) === null ? t`0.02 to 240 h` : undefined}
              onChange={(event) => change(step.key, { hours: event.target.value })}
            />
            <span className="pt-2 text-ink-soft max-sm:hidden" aria-hidden>
              h
            </span>
            <button
              type="button"
              className="mt-1 grid size-7 place-items-center pointer-coarse:mt-0 pointer-coarse:size-11 rounded text-ink-soft hover:bg-ground disabled:opacity-40"
              aria-label={t`Remove step ${i + 1} `}
              disabled={steps.length === 1}
              onClick={() => setSteps(steps.filter(({ key }) => key !== step.key))}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      <Button
        size="small"
        className="mt-2"
        icon={<Plus size={14} aria-hidden />}
        disabled={steps.length >= 8}
        onClick={() =>
          setSteps([
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
      {life.isError ? (
        <p role="alert" className="mt-3 font-medium text-hand">
          {life.error.message}
        </p>
      ) : (
        data && (
          <div className={life.isPlaceholderData ? 'opacity-60' : ''}>
            <table className="mt-4 w-full max-w-3xl" aria-label={t`What happens on the way`}>
              <tbody>
                {data.marks.map(({ id, name, atS, by }) => (
                  <tr key={id} className="border-t">
                    <td className="py-1 pr-3 font-medium first-letter:uppercase">{name}</td>
                    <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                      {atS === null
                        ? t`not on this route`
                        : atS === 0
                          ? t`from the start`
                          : t`after ${duration(atS)}`}
                    </td>
                    <td className="py-1 text-[13px] text-ink-faint">
                      <Said>{by}</Said>
                    </td>
                  </tr>
                ))}
                <tr className="border-t">
                  <td className="py-1 pr-3 font-medium">{t`At the end`}</td>
                  <td className="figures py-1 pr-3 text-right whitespace-nowrap">
                    {t`core ${temperature(data.end.coreC, 1)}, surface ${temperature(data.end.surfaceC, 1)}`}
                  </td>
                  <td className="py-1 text-[13px] text-ink-faint">
                    {t`${(100 * data.end.solidFat).toFixed(0)} % of the milk fat solid in the core`}
                  </td>
                </tr>
              </tbody>
            </table>
            <LazyChart
              label={t`Core and surface from place to place`}
              height={290}
              leastSpan={10}
              formatX={(hours) => `${Number(hours.toFixed(2))} h`}
              formatY={(t) => temperature(t)}
              xTitle={t`hours`}
              xStep={totalH > 36 ? 12 : totalH > 12 ? 6 : totalH > 4 ? 1 : 0.5}
              curves={[
                {
                  name: t`core`,
                  points: data.curve.timesS.map((t, i) => [t / 3600, data.curve.coreC[i] ?? 0]),
                },
                {
                  name: t`surface`,
                  dash: 5,
                  colour: 'var(--ink-faint)',
                  points: data.curve.timesS.map((t, i) => [t / 3600, data.curve.surfaceC[i] ?? 0]),
                },
              ]}
              marks={data.beginsS.slice(1).map((s, i) => ({
                x: s / 3600,
                text: places.find(({ id }) => id === steps[i + 1]?.placeId)?.name ?? '',
              }))}
              levels={[
                { y: rules.readyCoreC, text: t`cold enough` },
                { y: handStates.tooSoftC, text: t`too soft` },
              ]}
            />
          </div>
        )
      )}
      <ColdQuestions
        formula={formula}
        form={form}
        massG={Math.min(8000, Math.max(500, massG))}
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
