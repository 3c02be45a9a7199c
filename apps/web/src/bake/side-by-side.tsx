import { t } from '@lingui/core/macro';
import type { UseQueryResult } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import {
  differenceInWords,
  outcomeOf,
  type BakeResult,
  type Doneness,
  type Figure,
  type Outcome,
} from '@jokul/core';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Shown } from '../ui/shown';
import { LazyChart } from '../viz/lazy-chart';
import { stateNames } from '../words/names-of-codes';
import type { Variant } from './use-conditions';

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

interface SideBySideProps {
  readonly variants: readonly Variant[];
  readonly results: readonly Pick<UseQueryResult<BakeResult>, 'data' | 'error' | 'isError'>[];
}

/** What each of the bakes comes to, in figures and in words. */
export const Outcomes = ({
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
export const Curves = ({ variants, results }: SideBySideProps) => {
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
