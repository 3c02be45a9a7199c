import { t } from '@lingui/core/macro';
import { useUnits } from '../lib/units';

interface SamplePictureProps {
  readonly samplesG: readonly number[];
  readonly targetG: number;
  readonly toleranceG: number;
}

/** The weighed pieces on a line around the target: light to the left, heavy to the right. */
export const SamplePicture = ({ samplesG, targetG, toleranceG }: SamplePictureProps) => {
  const { mass, grams } = useUnits();
  const reach = Math.max(2 * toleranceG, ...samplesG.map((x) => Math.abs(x - targetG) * 1.1));
  const x = (massG: number) => 300 + ((massG - targetG) / reach) * 270;
  return (
    <svg
      viewBox="0 0 600 92"
      className="w-full max-w-2xl"
      role="img"
      aria-label={t`${samplesG.length} weighed pieces around ${grams(targetG, 1)}`}
    >
      <rect
        x={x(targetG - toleranceG)}
        y={14}
        width={x(targetG + toleranceG) - x(targetG - toleranceG)}
        height={44}
        fill="var(--surface)"
        stroke="var(--line-strong)"
        strokeDasharray="4 3"
      />
      <line x1={20} x2={580} y1={36} y2={36} stroke="var(--line-strong)" />
      <line x1={300} x2={300} y1={8} y2={64} stroke="var(--ink)" strokeWidth={2} />
      {samplesG.map((massG, i) => {
        const outside = Math.abs(massG - targetG) > toleranceG;
        return (
          <circle
            key={`${i}-${massG}`}
            cx={x(massG)}
            cy={36 + ((i % 3) - 1) * 9}
            r={7}
            fill={outside ? 'var(--hand)' : 'var(--ink-soft)'}
            stroke="var(--raised)"
            strokeWidth={1.5}
          />
        );
      })}
      <g fill="var(--ink-soft)" fontSize="13" textAnchor="middle">
        <text x={x(targetG - toleranceG)} y={80}>
          {t`light below ${mass(targetG - toleranceG)}`}
        </text>
        <text x={300} y={80}>
          {mass(targetG)}
        </text>
        <text x={x(targetG + toleranceG)} y={80}>
          {t`heavy above ${mass(targetG + toleranceG)}`}
        </text>
      </g>
    </svg>
  );
};
