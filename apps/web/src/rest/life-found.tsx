import { t } from '@lingui/core/macro';
import { handStates, type Life, type Place } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { LazyChart } from '../viz/lazy-chart';

/** What happens to a dough on the way, and when. */
export const LifeMarks = ({ data }: { readonly data: Life }) => {
  const { temperature, duration } = useUnits();
  return (
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
  );
};

interface LifeChartProps {
  readonly data: Life;
  /** The place of each step. */
  readonly places: readonly (Place | undefined)[];
  readonly readyC: number;
}

/** Core and surface over the whole way. */
export const LifeChart = ({ data, places, readyC }: LifeChartProps) => {
  const { temperature } = useUnits();
  const totalH = (data.curve.timesS.at(-1) ?? 3600) / 3600;
  return (
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
        text: places[i + 1]?.name ?? '',
      }))}
      levels={[
        { y: readyC, text: t`cold enough` },
        { y: handStates.tooSoftC, text: t`too soft` },
      ]}
    />
  );
};
