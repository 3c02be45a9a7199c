import { t } from '@lingui/core/macro';
import { useQueries, type UseQueryResult } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import {
  adjustmentOf,
  differenceInWords,
  outcomeOf,
  setTemperature,
  typedUnit,
  type BakeResult,
  type Doneness,
  type Figure,
  type Formula,
  type Outcome,
  type Oven,
  inUse,
} from '@jokul/core';
import { useBakery } from '../../lib/queries';
import { sayTemperature, typedFigure, useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Shown } from '../../ui/shown';
import { LazyChart } from '../../viz/lazy-chart';
import { core } from '../../workers/core';
import { OwnWhatIf } from './own-what-if';
import type { Conditions, Variant } from './use-conditions';
import { stateNames } from '../../words/names-of-codes';

const most = 3;

/** The changes that bakers ask about, each against the load as it is planned. */
const usualVariants = (formula: Formula, base: Conditions, units: 'metric' | 'us'): readonly Variant[] => {
  const { massG } = formula.piece;
  const ten = `${typedFigure(10, 'difference', units)} ${typedUnit('difference', units)}`;
  return [
    { name: t`warm dough, ${sayTemperature(18, units)}`, on: { ...base, start: 18 } },
    { name: t`frozen, ${sayTemperature(-18, units).replace('-', '−')}`, on: { ...base, start: -18 } },
    { name: t`a quarter bigger`, on: { ...base, massG: Math.min(200, Math.round(massG * 1.25)) } },
    { name: t`dark tray`, on: { ...base, tray: 'dark-steel' } },
    { name: t`without parchment`, on: { ...base, liner: 'bare' } },
    {
      name: base.fan ? t`still oven` : t`fan oven`,
      on: { ...base, fan: !base.fan, setC: setTemperature(formula, !base.fan) },
    },
    { name: t`${ten} hotter`, on: { ...base, setC: base.setC + 10 } },
    { name: t`${ten} cooler`, on: { ...base, setC: base.setC - 10 } },
  ];
};

/** The same load in the other ovens of the bakery, each as it is known. */
const otherOvens = (
  formula: Formula,
  { start, tray, liner, centreC }: Conditions,
  oven: Oven,
  bakery: ReturnType<typeof useBakery>['data'],
): readonly Variant[] =>
  (bakery ? inUse(bakery.equipment).ovens : [])
    .filter(({ id }) => id !== oven.id)
    .map(({ id, name, fan }) => ({
      name: t`in ${name}`,
      on: {
        start,
        tray,
        liner,
        centreC,
        fan,
        setC: setTemperature(formula, fan),
        ...(bakery?.learned && { adjust: adjustmentOf(bakery.learned, { ovenId: id, code: formula.code }) }),
      },
    }));

const shown = (figure: Figure | undefined, say: (value: number) => string): ReactNode =>
  figure ? <Shown figure={figure}>{say(figure.value)}</Shown> : '–';

const dashes = [0, 7, 3, 12];
const colours = ['var(--ink)', 'var(--ink-soft)', 'var(--ink-faint)', 'var(--ink-soft)'];

const charts = {
  centreC: { name: t`Centre`, as: 'temperature' },
  diameterMm: { name: t`Diameter`, as: 'size' },
  heightMm: { name: t`Height`, as: 'size' },
  lossShare: { name: t`Loss`, as: 'percent' },
} as const;
type ChartKey = keyof typeof charts;

interface WhatIfsProps {
  readonly formula: Formula;
  readonly base: Conditions;
  readonly oven: Oven;
}

interface SideBySideProps {
  readonly variants: readonly Variant[];
  readonly results: readonly Pick<UseQueryResult<BakeResult>, 'data' | 'error' | 'isError'>[];
}

/** What each of the bakes comes to, in figures and in words. */
const Outcomes = ({
  target,
  variants,
  results,
  onRemove,
}: SideBySideProps & { readonly target: Doneness; readonly onRemove: (name: string) => void }) => {
  const { duration, temperature, size } = useUnits();
  const [first] = results;
  const rows: readonly { name: string; of: (bake: BakeResult, outcome: Outcome | null) => ReactNode }[] = [
    {
      name: t`Pull after`,
      of: ({ pull }) =>
        pull ? <Shown figure={pull}>{duration(Math.round(pull.value / 5) * 5)}</Shown> : t`not reached`,
    },
    { name: t`Centre at the pull`, of: (_, out) => shown(out?.centre, temperature) },
    { name: t`Diameter, cold`, of: (_, out) => shown(out?.diameter, (mm) => size(mm)) },
    { name: t`Height, cold`, of: (_, out) => shown(out?.height, (mm) => size(mm, 1)) },
    { name: t`Crisp edge`, of: (_, out) => shown(out?.crispRim, (mm) => size(mm)) },
    { name: t`Bake loss`, of: (_, out) => shown(out?.loss, (share) => `${(100 * share).toFixed(1)} %`) },
    { name: t`Colour of the rim`, of: (_, out) => shown(out?.colourEdge, (score) => score.toFixed(0)) },
    { name: t`Colour below`, of: (_, out) => shown(out?.colourBottom, (score) => score.toFixed(0)) },
  ];
  return (
    <table className="mt-4 w-full" aria-label={t`Bakes side by side`}>
      <thead>
        <tr className="text-left">
          <th className="pr-3 pb-1 text-[12.5px] font-normal text-ink-soft">{t`to ${stateNames[target]}`}</th>
          {variants.map(({ name }, i) => (
            <th key={name} className="pb-1 pl-3 text-right font-semibold">
              {name}
              {i > 0 && (
                <button
                  type="button"
                  className="ml-1 inline-grid size-6 place-items-center rounded align-middle text-ink-soft hover:bg-ground"
                  aria-label={t`Remove ${name}`}
                  onClick={() => onRemove(name)}
                >
                  <X size={14} aria-hidden />
                </button>
              )}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name} className="border-t">
            <td className="py-1 pr-3 text-ink-soft">{row.name}</td>
            {results.map(({ data, isError }, i) => (
              <td key={variants[i]?.name} className="figures py-1 pl-3 text-right">
                {data ? row.of(data, outcomeOf(data)) : isError ? '–' : '…'}
              </td>
            ))}
          </tr>
        ))}
        <tr className="border-t align-top">
          <td className="py-1 pr-3 text-ink-soft">{t`In words`}</td>
          {results.map(({ data, error }, i) => (
            <td key={variants[i]?.name} className="py-1 pl-3 text-right text-[13.5px]">
              {i === 0
                ? ''
                : data && first?.data
                  ? differenceInWords(first.data, data)
                  : error
                    ? error.message
                    : '…'}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
};

/** One figure of the bakes over time. */
const Curves = ({ variants, results }: SideBySideProps) => {
  const { temperature, size } = useUnits();
  const [chart, setChart] = useState<ChartKey>('centreC');
  /** A figure at the side of the chart. */
  const onAxis = {
    temperature,
    size: (mm: number) => size(mm),
    percent: (share: number) => `${share.toFixed(1)} %`,
  };
  const times = chart === 'lossShare' ? 100 : 1;
  return (
    <>
      <div className="mt-4 mb-1 flex flex-wrap gap-1" role="group" aria-label={t`Curve`}>
        {(Object.keys(charts) as ChartKey[]).map((key) => (
          <Button
            key={key}
            size="small"
            look={chart === key ? 'primary' : 'quiet'}
            aria-pressed={chart === key}
            onClick={() => setChart(key)}
          >
            {charts[key].name}
          </Button>
        ))}
      </div>
      <LazyChart
        label={t`${charts[chart].name} of the bakes over time`}
        height={260}
        formatX={(minutes) => minutes.toFixed(0)}
        formatY={(value) => onAxis[charts[chart].as](value)}
        xTitle={t`minutes after loading`}
        xStep={5}
        curves={results.flatMap(({ data }, i) =>
          data
            ? [
                {
                  name: variants[i]?.name ?? '',
                  dash: dashes[i] ?? 0,
                  colour: colours[i] ?? 'var(--ink)',
                  points: data.curves.timesS.map((t, j): [number, number] => [
                    t / 60,
                    times * (data.curves[chart][j] ?? 0),
                  ]),
                },
              ]
            : [],
        )}
      />
    </>
  );
};

/** Two to four bakes side by side: the load as planned, and what would be otherwise. */
export const WhatIfs = ({ formula, base, oven }: WhatIfsProps) => {
  const { data: bakery } = useBakery();
  const { units } = useUnits();
  const usual = [...usualVariants(formula, base, units), ...otherOvens(formula, base, oven, bakery)];
  const [chosen, setChosen] = useState<readonly Variant[]>(() => usual.slice(1, 2));
  const variants: readonly Variant[] = [{ name: t`as planned`, on: base }, ...chosen];
  const results = useQueries({
    queries: variants.map(({ on }) => ({
      queryKey: ['what-if', formula.code, formula.version, on],
      queryFn: () => core().bake(formula, on),
      staleTime: Number.POSITIVE_INFINITY,
      retry: false,
    })),
  });
  const remove = (name: string) => setChosen((old) => old.filter((variant) => variant.name !== name));
  const add = (variant: Variant) =>
    setChosen((old) => [...old.filter(({ name }) => name !== variant.name), variant].slice(-most));
  return (
    <section aria-label={t`What if`}>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label={t`Changes to compare`}>
        {usual.map((variant) => {
          const on = chosen.some(({ name }) => name === variant.name);
          return (
            <Button
              key={variant.name}
              size="small"
              look={on ? 'primary' : 'plain'}
              aria-pressed={on}
              onClick={() => (on ? remove(variant.name) : add(variant))}
            >
              {variant.name}
            </Button>
          );
        })}
      </div>
      <OwnWhatIf base={base} onAdd={add} />
      <Outcomes target={formula.bake.target} variants={variants} results={results} onRemove={remove} />
      <Curves variants={variants} results={results} />
      <p className="text-[12.5px] text-ink-faint">{t`Forecasts. Differences between two of them are surer than either alone.`}</p>
    </section>
  );
};
