import { t } from '@lingui/core/macro';
import type { Frame } from '@jokul/core';
import { useUnits } from '../lib/units';
import { surfaceTone } from './surface-tone';
import { temperatureColour } from './temperature';

/** How long the rule under the picture is: a round figure in the units of the device. */
export const cutRuleMm = { metric: 20, us: 25.4 } as const;

/** Water below which a bite snaps, and above which it is moist; between, the hatching thins out. */
const snaps = 0.055;

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** The cells and the surface of a piece on both sides of its middle, mm. */
const shapesOf = (frame: Frame, widthMm: number, heightMm: number) => {
  const { radiiMm, heightsMm, temperatureC, moisture, topColour, bottomColour } = frame;
  const n = radiiMm.length;
  // Heights at the ring faces, so that neighbouring columns meet in a slope and not in a step.
  const edge = (i: number) =>
    i === 0
      ? (heightsMm[0] ?? 0)
      : i === n
        ? (heightsMm[n - 1] ?? 0) * 0.35
        : ((heightsMm[i - 1] ?? 0) + (heightsMm[i] ?? 0)) / 2;
  const y = (mm: number) => heightMm - mm;
  const mid = widthMm / 2;
  const cells = [-1, 1].flatMap((side) =>
    radiiMm.flatMap((outer, i) => {
      const inner = i === 0 ? 0 : (radiiMm[i - 1] ?? 0);
      const column = temperatureC[i] ?? [];
      return column.map((t, j) => {
        const at = (r: number, h: number, k: number) =>
          `${(mid + side * r).toFixed(2)},${y((h * k) / column.length).toFixed(2)}`;
        const [h0, h1] = [edge(i), edge(i + 1)];
        return {
          key: `${side}/${i}/${j}`,
          t,
          points: [at(inner, h0, j), at(outer, h1, j), at(outer, h1, j + 1), at(inner, h0, j + 1)].join(' '),
          dry: (moisture[i]?.[j] ?? 1) < snaps,
        };
      });
    }),
  );
  const surface = [-1, 1].flatMap((side) =>
    radiiMm.map((outer, i) => {
      const inner = i === 0 ? 0 : (radiiMm[i - 1] ?? 0);
      return {
        key: `${side}/${i}`,
        x1: mid + side * inner,
        x2: mid + side * outer,
        y1: y(edge(i)),
        y2: y(edge(i + 1)),
        top: topColour[i] ?? 0,
        bottom: bottomColour[i] ?? 0,
      };
    }),
  );
  return { cells, surface, y };
};

/**
 * A piece cut through the middle, to scale: colour for temperature, hatching where it snaps, the tone of the surface as
 * a line around it. The left half mirrors the right.
 */
export const CutPicture = ({
  frame,
  widthMm,
  heightMm,
}: {
  frame: Frame;
  widthMm: number;
  heightMm: number;
}) => {
  const { size, temperature, units } = useUnits();
  const ruleMm = cutRuleMm[units];
  const { radiiMm, heightsMm, temperatureC, moisture } = frame;
  const { cells, surface, y } = shapesOf(frame, widthMm, heightMm);
  const hottest = Math.max(...temperatureC.map((column) => Math.max(...column)));
  const label = t`Cut at ${Math.round(frame.timeS / 60)} minutes: ${size(2 * (radiiMm.at(-1) ?? 0))} wide, ${size(heightsMm[0] ?? 0)} high, centre ${temperature(Math.min(...(temperatureC[0] ?? [0])))}, hottest ${temperature(hottest)}, water of the middle ${(100 * mean(moisture[0] ?? [0])).toFixed(1)} %`;
  return (
    <svg viewBox={`-3 -6 ${widthMm + 6} ${heightMm + 14}`} className="w-full" role="img" aria-label={label}>
      <defs>
        <pattern
          id="cut-dry"
          width="1.6"
          height="1.6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" x2="0" y1="0" y2="1.6" stroke="#000" strokeOpacity="0.55" strokeWidth="0.45" />
        </pattern>
      </defs>
      {cells.map(({ key, t, points, dry }) => (
        <g key={key}>
          <polygon
            points={points}
            fill={temperatureColour(t)}
            stroke={temperatureColour(t)}
            strokeWidth={0.15}
          />
          {dry && <polygon points={points} fill="url(#cut-dry)" />}
        </g>
      ))}
      {surface.map(({ key, x1, x2, y1, y2, top, bottom }) => (
        <g key={key} strokeWidth={1.5} strokeLinecap="round">
          <line x1={x1} x2={x2} y1={y1 - 0.6} y2={y2 - 0.6} stroke={surfaceTone(top)} />
          <line x1={x1} x2={x2} y1={y(0) + 0.8} y2={y(0) + 0.8} stroke={surfaceTone(bottom)} />
        </g>
      ))}
      {frame.phase !== 'rack' && (
        <rect
          x={0}
          y={y(0) + 1.8}
          width={widthMm}
          height={1.4}
          fill={temperatureColour(Math.min(120, frame.trayC))}
          stroke="var(--line-strong)"
          strokeWidth={0.2}
        />
      )}
      <g stroke="var(--ink-soft)" strokeWidth={0.3}>
        <line x1={0} x2={ruleMm} y1={y(0) + 6} y2={y(0) + 6} />
        <line x1={0} x2={0} y1={y(0) + 5} y2={y(0) + 7} />
        <line x1={ruleMm} x2={ruleMm} y1={y(0) + 5} y2={y(0) + 7} />
      </g>
    </svg>
  );
};
