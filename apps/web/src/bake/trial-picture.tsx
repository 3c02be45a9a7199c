import { t } from '@lingui/core/macro';
import type { Trial } from './lay-trial';

const fills = ['var(--raised)', 'var(--line)', 'var(--line-strong)'];

/** A tray that is only tried: every piece as baked, the sizes told apart by their tone. */
export const TrialPicture = ({
  lengthMm,
  widthMm,
  trial: { circles, bars, says },
}: {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly trial: Trial;
}) => {
  const radii = [...new Set(circles.map(({ r }) => r))].sort((a, b) => b - a);
  return (
    <svg
      viewBox={`-4 -4 ${lengthMm + 8} ${widthMm + 8}`}
      className="w-full"
      role="img"
      aria-label={t`Tray: ${says}`}
    >
      <rect
        width={lengthMm}
        height={widthMm}
        rx={14}
        fill="var(--surface)"
        stroke="var(--line-strong)"
        strokeWidth={3}
      />
      <g stroke="var(--ink-soft)" strokeWidth={1.6}>
        {circles.map(({ x, y, r }) => (
          <circle key={`${x} ${y}`} cx={x} cy={y} r={r} fill={fills[radii.indexOf(r) % fills.length]} />
        ))}
        {bars.map(({ xMm, yMm, along, lengthMm: l, widthMm: w }) => (
          <rect
            key={`${xMm} ${yMm}`}
            x={xMm - (along ? l : w) / 2}
            y={yMm - (along ? w : l) / 2}
            width={along ? l : w}
            height={along ? w : l}
            fill="var(--raised)"
          />
        ))}
      </g>
    </svg>
  );
};
