import { t } from '@lingui/core/macro';
import type { ControlChart } from '@jokul/core';
import { useUnits } from '../lib/units';

/** The weighed pieces in their order, with the spread of the hand and the target. */
export const ControlChartPicture = ({
  chart,
  targetG,
  toleranceG,
}: {
  chart: ControlChart;
  targetG: number;
  toleranceG: number;
}) => {
  const { mass } = useUnits();
  const { values, upper, lower, centre, beyond } = chart;
  const top = Math.max(upper, targetG + toleranceG, ...values);
  const bottom = Math.min(lower, targetG - toleranceG, ...values);
  const y = (massG: number) => 12 + ((top - massG) / (top - bottom || 1)) * 116;
  const x = (i: number) => 20 + (i / Math.max(1, values.length - 1)) * 460;
  const line = (massG: number, label: string, dash?: string) => (
    <g key={label}>
      <line x1={20} x2={480} y1={y(massG)} y2={y(massG)} stroke="var(--line-strong)" strokeDasharray={dash} />
      <text x={486} y={y(massG) + 4} fontSize="11.5" fill="var(--ink-soft)">
        {label}
      </text>
    </g>
  );
  return (
    <svg
      viewBox="0 0 600 140"
      className="w-full max-w-2xl"
      role="img"
      aria-label={t`Pieces in the order weighed. ${chart.sentence}`}
    >
      {line(targetG, t`target ${mass(targetG)}`)}
      {line(upper, `+3 s, ${mass(upper)}`, '5 4')}
      {line(lower, `−3 s, ${mass(lower)}`, '5 4')}
      <line x1={20} x2={480} y1={y(centre)} y2={y(centre)} stroke="var(--ink-soft)" />
      <polyline
        points={values.map((value, i) => `${x(i)},${y(value)}`).join(' ')}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {values.map((value, i) => (
        <circle
          key={`${i}-${value}`}
          cx={x(i)}
          cy={y(value)}
          r={4.5}
          fill={beyond.includes(i) ? 'var(--hand)' : 'var(--ink)'}
        />
      ))}
    </svg>
  );
};
