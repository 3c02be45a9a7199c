import { t } from '@lingui/core/macro';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ConductResult, Figure } from '@jokul/core';
import { useUnits } from '../lib/units';
import { Said } from '../ui/said';
import { Empty } from '../ui/states';
import { LazyChart } from '../viz/lazy-chart';

interface ColdCurveProps {
  readonly curve: UseQueryResult<{ curve: ConductResult; ready: Figure | null }>;
  /** Where now is on it, s; null while it is not in there. */
  readonly nowS: number | null;
  readonly readyC: number | null;
  readonly xTitle: string;
}

const stepH = (lastS: number) => (lastS > 36 * 3600 ? 12 : lastS > 12 * 3600 ? 6 : 1);

/** Core and surface of a dough in its place. */
export const ColdCurve = ({ curve, nowS, readyC, xTitle }: ColdCurveProps) => {
  const { temperature } = useUnits();
  const run = curve.data?.curve;
  if (curve.isError)
    return (
      <Empty title={t`No curve for this`}>
        <Said>{curve.error.message}</Said>
      </Empty>
    );
  if (!run)
    return (
      <div
        className="h-[330px] animate-pulse rounded border bg-surface"
        role="status"
        aria-label={t`Computing the curve`}
      />
    );
  return (
    <LazyChart
      label={t`Temperature of core and surface over time`}
      height={330}
      formatX={(hours) => `${Number(hours.toFixed(2))} h`}
      formatY={(t) => temperature(t)}
      leastSpan={10}
      xTitle={xTitle}
      xStep={stepH(run.timesS.at(-1) ?? 0)}
      curves={[
        { name: t`core`, points: run.timesS.map((t, i) => [t / 3600, run.coreC[i] ?? 0]) },
        {
          name: t`surface`,
          points: run.timesS.map((t, i) => [t / 3600, run.surfaceC[i] ?? 0]),
          dash: 5,
          colour: 'var(--ink-faint)',
        },
      ]}
      marks={nowS === null ? [] : [{ x: nowS / 3600, text: t`now` }]}
      levels={readyC === null ? [] : [{ y: readyC, text: t`ready` }]}
    />
  );
};
