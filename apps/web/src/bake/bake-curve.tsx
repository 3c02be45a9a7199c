import { t } from '@lingui/core/macro';
import type { BakeResult } from '@jokul/core';
import { useUnits } from '../lib/units';
import { LazyChart } from '../viz/lazy-chart';

/** Centre, rim and underside through oven, tray and rack. */
export const BakeCurve = ({ bake, against }: { bake: BakeResult; against?: BakeResult }) => {
  const { temperature } = useUnits();
  const points = (values: readonly number[], times: readonly number[]) =>
    times.map((t, i): [number, number] => [t / 60, values[i] ?? 0]);
  const { curves, pull } = bake;
  return (
    <LazyChart
      label={t`Temperatures of centre, rim and underside over the bake`}
      height={285}
      formatX={(minutes) => minutes.toFixed(0)}
      formatY={(t) => temperature(t)}
      xTitle={t`minutes after loading`}
      xStep={5}
      curves={[
        { name: t`centre`, points: points(curves.centreC, curves.timesS) },
        { name: t`rim`, points: points(curves.edgeC, curves.timesS), dash: 6, colour: 'var(--ink-soft)' },
        {
          name: t`underside`,
          points: points(curves.bottomC, curves.timesS),
          dash: 2,
          colour: 'var(--ink-faint)',
        },
        ...(against
          ? [
              {
                name: t`centre, what if`,
                points: points(against.curves.centreC, against.curves.timesS),
                dash: 9,
              },
            ]
          : []),
      ]}
      marks={pull ? [{ x: pull.value / 60, text: t`pull` }] : []}
    />
  );
};
