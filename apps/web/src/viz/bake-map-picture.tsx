import { t } from '@lingui/core/macro';
import {
  isTooDark,
  sayDuration,
  type BakeState,
  type Doneness,
  type ForgivingPoint,
  type MapGrid,
  type MapRow,
  type OwnLimits,
} from '@jokul/core';
import { useUnits } from '../lib/units';
import { stateNames } from '../words/names-of-codes';

/** Regions are told by tone and hatching, not by colour. */
const fills: Readonly<Record<BakeState, string>> = {
  under: 'url(#map-under)',
  'soft-centre': 'var(--surface)',
  chewy: 'url(#map-chewy)',
  'crisp-edge': 'url(#map-edge)',
  'crisp-through': 'url(#map-through)',
};
const words: Readonly<Record<BakeState, string>> = {
  under: t`under`,
  'soft-centre': t`soft centre`,
  chewy: t`chewy`,
  'crisp-edge': t`crisp edge`,
  'crisp-through': t`crisp through`,
};

interface BakeMapPictureProps {
  readonly grid: MapGrid;
  readonly rows: readonly (MapRow | null)[];
  readonly now: { readonly setC: number; readonly pullS: number };
  readonly best: ForgivingPoint | null;
  readonly target: Doneness;
  readonly limits: OwnLimits | undefined;
}

const width = 620;
const height = 330;
const left = 52;
const bottom = 34;

const Hatchings = () => (
  <defs>
    <pattern id="map-under" width={9} height={9} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width={9} height={9} fill="var(--surface)" />
      <rect width={4} height={9} fill="var(--line)" />
    </pattern>
    <pattern id="map-chewy" width={7} height={7} patternUnits="userSpaceOnUse">
      <rect width={7} height={7} fill="var(--raised)" />
      <line x1={0} x2={7} y1={3.5} y2={3.5} stroke="var(--line-strong)" />
    </pattern>
    <pattern id="map-edge" width={6} height={6} patternUnits="userSpaceOnUse">
      <rect width={6} height={6} fill="var(--surface)" />
      <line x1={3} x2={3} y1={0} y2={6} stroke="var(--line-strong)" />
    </pattern>
    <pattern id="map-through" width={4} height={4} patternUnits="userSpaceOnUse">
      <rect width={4} height={4} fill="var(--surface)" />
      <line x1={2} x2={2} y1={0} y2={4} stroke="var(--ink-faint)" />
    </pattern>
  </defs>
);

/** Where temperatures and times lie, px. */
const scaleOf = ({ temperaturesC, pullsS }: MapGrid) => {
  const [t0, t1] = [temperaturesC[0] ?? 0, temperaturesC.at(-1) ?? 1];
  const [s0, s1] = [pullsS[0] ?? 0, pullsS.at(-1) ?? 1];
  const cellW = (width - left) / pullsS.length;
  const cellH = (height - bottom) / temperaturesC.length;
  const x = (pullS: number) => left + cellW / 2 + ((pullS - s0) / (s1 - s0)) * (width - left - cellW);
  const y = (setC: number) =>
    height - bottom - cellH / 2 - ((setC - t0) / (t1 - t0)) * (height - bottom - cellH);
  return { t0, t1, s0, s1, cellW, cellH, x, y };
};
type Scale = ReturnType<typeof scaleOf>;

/** The names of the regions that are large enough to bear one. */
const Names = ({
  shown,
  temperaturesC,
  scale: { x, y, t0 },
}: {
  readonly shown: readonly (MapRow | null)[];
  readonly temperaturesC: readonly number[];
  readonly scale: Scale;
}) => {
  const labels = (['under', 'soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] as const).flatMap(
    (state) => {
      const cells = shown.flatMap((row, i) =>
        (row?.cells ?? []).filter((c) => c.state === state).map((c) => ({ c, i })),
      );
      if (cells.length < 25) return [];
      const mean = (of: (cell: (typeof cells)[number]) => number) =>
        cells.reduce((sum, cell) => sum + of(cell), 0) / cells.length;
      return [{ state, x: x(mean(({ c }) => c.pullS)), y: y(mean(({ i }) => temperaturesC[i] ?? t0)) }];
    },
  );
  return labels.map(({ state, x: cx, y: cy }) => (
    <text
      key={state}
      x={cx}
      y={cy}
      textAnchor="middle"
      fontSize="13"
      fontWeight={600}
      fill="var(--ink)"
      stroke="var(--surface)"
      strokeWidth={4}
      paintOrder="stroke"
    >
      {words[state]}
    </text>
  ));
};

/** The most forgiving point, with how far one may be off. */
const Forgiving = ({ best, scale: { x, y } }: { readonly best: ForgivingPoint; readonly scale: Scale }) => (
  <g>
    <line
      x1={x(best.pullS - best.earlierS)}
      x2={x(best.pullS + best.laterS)}
      y1={y(best.setC)}
      y2={y(best.setC)}
      stroke="var(--ink)"
      strokeWidth={2}
    />
    <line
      x1={x(best.pullS)}
      x2={x(best.pullS)}
      y1={y(best.setC - best.coolerK)}
      y2={y(best.setC + best.hotterK)}
      stroke="var(--ink)"
      strokeWidth={2}
    />
    <circle
      cx={x(best.pullS)}
      cy={y(best.setC)}
      r={7}
      fill="var(--raised)"
      stroke="var(--ink)"
      strokeWidth={3}
    />
  </g>
);

const Axes = ({
  scale: { x, y, t0, t1, s0, s1 },
  target,
}: {
  readonly scale: Scale;
  readonly target: Doneness;
}) => {
  const { temperature } = useUnits();
  return (
    <g fontSize="12" fill="var(--ink-soft)">
      {[0, 0.25, 0.5, 0.75, 1].map((share) => {
        const setC = t0 + share * (t1 - t0);
        const pullS = s0 + share * (s1 - s0);
        return (
          <g key={share}>
            <text x={left - 6} y={y(setC) + 4} textAnchor="end">
              {temperature(setC)}
            </text>
            <text x={x(pullS)} y={height - bottom + 16} textAnchor={share === 1 ? 'end' : 'middle'}>
              {sayDuration(Math.round(pullS / 60) * 60)}
            </text>
          </g>
        );
      })}
      <text
        x={left}
        y={height - 2}
      >{t`Cross: as planned. Ring: the most forgiving point. Dots: too dark for ${stateNames[target]}.`}</text>
    </g>
  );
};

/** Temperature upward, pull time to the right: what each pull becomes, where it is too dark, and where to be. */
export const BakeMapPicture = ({ grid, rows, now, best, target, limits }: BakeMapPictureProps) => {
  const { temperaturesC } = grid;
  const scale = scaleOf(grid);
  const { t0, cellW, cellH, x, y } = scale;
  // A row that is not there yet shows the nearest one that is.
  const nearest = (i: number) =>
    rows
      .map((row, j) => ({ row, far: Math.abs(i - j) }))
      .filter(({ row }) => row)
      .sort((a, b) => a.far - b.far)[0]?.row ?? null;
  const shown = temperaturesC.map((_, i) => rows[i] ?? nearest(i));
  return (
    <svg
      viewBox={`0 0 ${width + 8} ${height}`}
      className="w-full"
      role="img"
      aria-label={t`Bake map: oven temperature against pull time`}
    >
      <Hatchings />
      {shown.map((row, i) =>
        row?.cells.map((cell, j) => (
          <rect
            key={`${i}-${cell.pullS}`}
            x={left + j * cellW}
            y={height - bottom - (i + 1) * cellH}
            width={cellW + 0.3}
            height={cellH + 0.3}
            fill={fills[cell.state]}
            opacity={rows[i] ? 1 : 0.6}
          />
        )),
      )}
      {shown.map((row, i) =>
        row?.cells
          .filter((cell) => isTooDark(target, cell.edgeColour, cell.bottomColour, limits))
          .map((cell) => (
            <circle
              key={`${i}-${cell.pullS}-dark`}
              cx={x(cell.pullS)}
              cy={y(temperaturesC[i] ?? t0)}
              r={1.5}
              fill="var(--ink)"
            />
          )),
      )}
      <Names shown={shown} temperaturesC={temperaturesC} scale={scale} />
      {best && <Forgiving best={best} scale={scale} />}
      <path
        d={`M${x(now.pullS) - 7} ${y(now.setC)} h14 M${x(now.pullS)} ${y(now.setC) - 7} v14`}
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <Axes scale={scale} target={target} />
    </svg>
  );
};
