import { plural, t } from '@lingui/core/macro';
import { useUnits } from '../lib/units';
import { patternWords } from './pattern-words';
import type { Layout, Margins } from '@jokul/core';
import { temperatureColour } from './temperature';

interface TrayPictureProps {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly layout: Layout;
  readonly diameterMm: number;
  readonly rawDiameterMm: number;
  /** How far pieces keep from each side, mm; 0 where there is no rail. */
  readonly margins: Margins;
  readonly pieces: number;
  readonly startC: number;
}

/** A tray to scale: the raw pieces where they are set down, and the ring that each will spread to. */
export const TrayPicture = ({
  lengthMm,
  widthMm,
  layout,
  diameterMm,
  rawDiameterMm,
  margins,
  pieces,
  startC,
}: TrayPictureProps) => {
  const { size } = useUnits();
  return (
    <svg
      viewBox={`-4 -4 ${lengthMm + 8} ${widthMm + 28}`}
      className="w-full"
      role="img"
      aria-label={t`Tray ${size(lengthMm)} by ${size(widthMm)} with ${plural(Math.min(pieces, layout.count), { one: '# piece', other: '# pieces' })}, ${patternWords[layout.pattern]}, ${size(diameterMm)} after the spread`}
    >
      <rect
        width={lengthMm}
        height={widthMm}
        rx={14}
        fill="var(--raised)"
        stroke="var(--line-strong)"
        strokeWidth={3}
      />
      <rect
        x={margins.left}
        y={margins.back}
        width={lengthMm - margins.left - margins.right}
        height={widthMm - margins.back - margins.front}
        fill="none"
        stroke="var(--line)"
        strokeDasharray="6 6"
        strokeWidth={1.5}
      />
      {layout.centresMm.slice(0, pieces).map(([x, y]) => (
        <g key={`${x}-${y}`}>
          <circle cx={x} cy={y} r={diameterMm / 2} fill="none" stroke="var(--ink-soft)" strokeWidth={1.6} />
          <circle
            cx={x}
            cy={y}
            r={rawDiameterMm / 2}
            fill={temperatureColour(startC)}
            stroke="var(--line-strong)"
            strokeWidth={1}
          />
        </g>
      ))}
      <g stroke="var(--ink-soft)" strokeWidth={1.5}>
        <line x1={0} x2={100} y1={widthMm + 14} y2={widthMm + 14} />
        <line x1={0} x2={0} y1={widthMm + 8} y2={widthMm + 20} />
        <line x1={100} x2={100} y1={widthMm + 8} y2={widthMm + 20} />
      </g>
    </svg>
  );
};
