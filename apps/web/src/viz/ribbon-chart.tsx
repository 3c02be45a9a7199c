import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { RibbonSegment } from '@jokul/core';
import { flowsOf, rowsOf, segmentKey } from './ribbons';
import { useDragLoad } from './use-drag-load';
import { inkOn, temperatureColour, temperatureStops } from './temperature';

interface RibbonChartProps {
  readonly segments: readonly RibbonSegment[];
  readonly places: readonly { id: string; name: string }[];
  readonly fromS: number;
  readonly toS: number;
  readonly nowS: number;
  readonly width: number;
  readonly chosen: string | null;
  readonly onChoose: (batchId: string | null) => void;
  /** A load was pulled along its oven, or into another one. */
  readonly onDrop?: (loadId: string, ovenId: string, startS: number) => void;
  readonly sayTime: (atS: number) => string;
  /** Width that a time label needs, px. */
  readonly tickRoom: number;
  readonly sayTemperature: (temperatureC: number) => string;
}

const kindNames: Readonly<Record<RibbonSegment['kind'], string>> = {
  mixer: t`mixer`,
  bench: t`bench`,
  cold: t`cold`,
  oven: t`oven`,
  rack: t`rack`,
};

const left = 122;
/** Room beside the time axis, px. */
const right = 26;
export const ribbonInset = { left, right };
const lane = 19;
const gap = 9;
/** More lines on a pixel of width than this tangle. */
const crowdedPerPx = 0.045;
const top = 26;

/** Steps of the time axis, s: the first that leaves enough room between two marks. */
const ticks = [60, 120, 300, 600, 900, 1800, 3600, 7200, 10_800, 14_400, 21_600, 43_200];

/** Where what lies in the chart, px. */
interface Frame {
  readonly x: (atS: number) => number;
  /** Not held inside the chart: where a ribbon that began before it would begin. */
  readonly unclipped: (atS: number) => number;
  readonly rowTop: ReadonlyMap<string, number>;
  readonly height: number;
  /** The middle of a ribbon's lane; null where its place has no row. */
  readonly middle: (segment: RibbonSegment) => number | null;
}

const frameOf = (rows: ReturnType<typeof rowsOf>, fromS: number, toS: number, width: number): Frame => {
  const unclipped = (atS: number) => left + ((atS - fromS) / (toS - fromS)) * (width - left - right);
  const rowTop = new Map<string, number>();
  let y = top;
  for (const row of rows) {
    rowTop.set(row.placeId, y);
    y += row.lanes * lane + gap;
  }
  return {
    x: (atS) => unclipped(Math.min(toS, Math.max(fromS, atS))),
    unclipped,
    rowTop,
    height: y + 4,
    middle: (segment) => {
      const row = rows.find(({ placeId }) => placeId === segment.placeId);
      return row
        ? (rowTop.get(segment.placeId) ?? 0) + (row.laneOf.get(segmentKey(segment)) ?? 0) * lane + lane / 2
        : null;
    },
  };
};

const Gradients = ({
  id,
  segments,
  frame: { unclipped },
}: {
  readonly id: string;
  readonly segments: readonly RibbonSegment[];
  readonly frame: Frame;
}) => (
  <defs>
    {segments.map((s) => {
      const span = s.endS - s.startS || 1;
      return (
        <linearGradient
          key={segmentKey(s)}
          id={`${id}-${segmentKey(s)}`}
          gradientUnits="userSpaceOnUse"
          x1={unclipped(s.startS)}
          x2={unclipped(s.endS)}
          y1={0}
          y2={0}
        >
          {s.samples.map((sample) => (
            <stop
              key={sample.atS}
              offset={(sample.atS - s.startS) / span}
              stopColor={temperatureColour(sample.temperatureC)}
            />
          ))}
        </linearGradient>
      );
    })}
  </defs>
);

interface AxisProps extends Pick<
  RibbonChartProps,
  'fromS' | 'toS' | 'nowS' | 'width' | 'sayTime' | 'tickRoom'
> {
  readonly frame: Frame;
}

/** The marks of the hours. */
const TimeAxis = ({
  frame: { x, height },
  fromS,
  toS,
  width,
  sayTime,
  tickRoom,
}: Omit<AxisProps, 'nowS'>) => {
  const step = ticks.find((t) => (t / (toS - fromS)) * (width - left) > tickRoom) ?? 43_200;
  const marks = Array.from(
    { length: Math.ceil((toS - fromS) / step) + 1 },
    (_, i) => Math.ceil(fromS / step) * step + i * step,
  ).filter((t) => t <= toS);
  return marks.map((t) => (
    <g key={t}>
      <line x1={x(t)} x2={x(t)} y1={top - 6} y2={height} stroke="var(--line)" />
      <text x={x(t)} y={14} fontSize={12} textAnchor="middle" fill="var(--ink-soft)" className="figures">
        {sayTime(t)}
      </text>
    </g>
  ));
};

const NowLine = ({ frame: { x, height }, nowS }: Pick<AxisProps, 'frame' | 'nowS'>) => (
  <g>
    <line x1={x(nowS)} x2={x(nowS)} y1={top - 8} y2={height} stroke="var(--ink)" strokeWidth={1.5} />
    <circle cx={x(nowS)} cy={top - 8} r={3.5} fill="var(--ink)" />
  </g>
);

interface FlowProps {
  readonly flow: ReturnType<typeof flowsOf>[number];
  readonly frame: Frame;
  readonly crowded: boolean;
  readonly chosen: string | null;
}

/** A line from where a batch was to where it goes on. */
const Flow = ({ flow: [a, b], frame: { x, middle }, crowded, chosen }: FlowProps) => {
  const [ya, yb] = [middle(a), middle(b)];
  if (ya === null || yb === null || ya === yb) return null;
  const own = chosen === a.batchId;
  if (crowded && chosen !== null && !own) return null;
  const at = a.kind === 'cold' && b.kind === 'oven' ? Math.min(a.endS, b.startS) : a.endS;
  const [x0, x1] = [x(at), x(b.startS)];
  const colour = temperatureColour(b.samples[0]?.temperatureC ?? 20);
  return (
    <path
      d={`M${x0} ${ya} C${x0 + 8} ${ya} ${x1 - 8} ${yb} ${x1} ${yb}`}
      fill="none"
      stroke={colour}
      strokeWidth={own ? 4 : crowded ? 1 : 1.5}
      opacity={(own ? 0.9 : crowded ? 0.22 : 0.5) * dimmed(a.batchId, chosen)}
    />
  );
};

interface RibbonProps extends Pick<
  RibbonChartProps,
  'fromS' | 'toS' | 'chosen' | 'onChoose' | 'onDrop' | 'sayTime' | 'sayTemperature'
> {
  readonly id: string;
  readonly segment: RibbonSegment;
  readonly frame: Frame;
  readonly drag: ReturnType<typeof useDragLoad>;
}

/** A batch in one place, coloured by its temperature. */
const Ribbon = ({
  id,
  segment: s,
  frame: { x, middle },
  drag,
  fromS,
  toS,
  chosen,
  onChoose,
  onDrop,
  sayTime,
  sayTemperature,
}: RibbonProps) => {
  const yMid = middle(s);
  if (yMid === null) return null;
  const [x0, x1] = [x(s.startS), x(s.endS)];
  const lastC = s.samples.at(-1)?.temperatureC ?? 20;
  const label = `${s.productCode}${x1 - x0 > 96 ? ` ${sayTemperature(lastC)}` : ''}`;
  // The label stands near the visible start: its ink follows the colour there.
  const labelAtS = Math.max(s.startS, fromS) + (Math.min(toS, s.endS) - Math.max(s.startS, fromS)) * 0.25;
  const under = s.samples.find((sample) => sample.atS >= labelAtS)?.temperatureC ?? lastC;
  return (
    // oxlint-disable-next-line jsx-a11y/click-events-have-key-events -- the list on the left chooses by keyboard
    <g
      opacity={dimmed(s.batchId, chosen)}
      onClick={() => !drag.justDropped() && onChoose(chosen === s.batchId ? null : s.batchId)}
      {...(s.kind === 'oven' && s.loadId !== undefined && drag.of(s.loadId, s.placeId, s.startS))}
      transform={
        drag.moved && drag.moved.loadId === s.loadId && s.kind === 'oven'
          ? `translate(${drag.moved.dx} ${drag.moved.dy})`
          : undefined
      }
      style={{ cursor: s.kind === 'oven' && onDrop ? 'grab' : 'pointer', touchAction: 'pan-y' }}
    >
      <title>{t`${s.batchId}, ${kindNames[s.kind]}: ${sayTime(s.startS)} to ${sayTime(s.endS)}, ends at ${sayTemperature(lastC)}`}</title>
      <rect
        x={x0}
        y={yMid - 7.5}
        width={Math.max(2, x1 - x0 - 1)}
        height={15}
        rx={3}
        fill={`url(#${id}-${segmentKey(s)})`}
        stroke={chosen === s.batchId ? 'var(--ink)' : 'none'}
      />
      {x1 - x0 > 26 && (
        <text
          x={x0 + 4}
          y={yMid + 4}
          fontSize={11.5}
          fill={inkOn(temperatureColour(under))}
          className="figures"
          pointerEvents="none"
        >
          {label}
        </text>
      )}
    </g>
  );
};

/** What is not of the batch that is looked at steps back. */
const dimmed = (batchId: string, chosen: string | null) => (chosen !== null && chosen !== batchId ? 0.22 : 1);

const RowNames = ({
  rows,
  rowTop,
  width,
}: {
  readonly rows: ReturnType<typeof rowsOf>;
  readonly rowTop: ReadonlyMap<string, number>;
  readonly width: number;
}) =>
  rows.map((row, i) => {
    const y0 = (rowTop.get(row.placeId) ?? 0) - gap / 2;
    return (
      <g key={row.placeId}>
        {i > 0 && <line x1={0} x2={width} y1={y0} y2={y0} stroke="var(--line)" />}
        <text x={4} y={(rowTop.get(row.placeId) ?? 0) + 13} fontSize={13} fill="var(--ink)">
          {row.name}
        </text>
      </g>
    );
  });

/**
 * The day as thermal ribbons: each batch flows through its places, coloured by the computed temperature of its dough.
 */
export const RibbonChart = ({
  segments,
  places,
  fromS,
  toS,
  nowS,
  width,
  chosen,
  onChoose,
  onDrop,
  sayTime,
  tickRoom,
  sayTemperature,
}: RibbonChartProps) => {
  const id = useId();
  const shown = useMemo(
    () => segments.filter((s) => s.endS > fromS && s.startS < toS),
    [segments, fromS, toS],
  );
  const rows = useMemo(() => rowsOf(places, shown), [places, shown]);
  const flows = useMemo(
    () => flowsOf(segments).filter(([a, b]) => b.startS >= fromS && b.startS <= toS && a.startS <= toS),
    [segments, fromS, toS],
  );
  // Of many lines none can be followed: they are hints then, and those of a chosen batch stand out.
  const crowded = flows.length / Math.max(1, width) > crowdedPerPx;
  const frame = frameOf(rows, fromS, toS, width);
  const { rowTop, height } = frame;
  const drag = useDragLoad({
    perS: (width - left - right) / (toS - fromS),
    // Only ovens take loads; they are the places that a load of some batch is in.
    placeAt: (atY) =>
      rows.find(
        ({ placeId, lanes }) =>
          shown.some((s) => s.kind === 'oven' && s.placeId === placeId) &&
          atY >= (rowTop.get(placeId) ?? 0) - gap / 2 &&
          atY < (rowTop.get(placeId) ?? 0) + lanes * lane + gap / 2,
      )?.placeId ?? null,
    onDrop,
  });
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={t`The day: each batch through its places, coloured by dough temperature`}
      className="block select-none"
    >
      <Gradients id={id} segments={shown} frame={frame} />
      <TimeAxis frame={frame} fromS={fromS} toS={toS} width={width} sayTime={sayTime} tickRoom={tickRoom} />
      <RowNames rows={rows} rowTop={rowTop} width={width} />
      {flows.map((flow) => (
        <Flow
          key={flow.map(segmentKey).join('>')}
          flow={flow}
          frame={frame}
          crowded={crowded}
          chosen={chosen}
        />
      ))}
      {shown.map((segment) => (
        <Ribbon
          key={segmentKey(segment)}
          id={id}
          segment={segment}
          frame={frame}
          drag={drag}
          fromS={fromS}
          toS={toS}
          chosen={chosen}
          onChoose={onChoose}
          onDrop={onDrop}
          sayTime={sayTime}
          sayTemperature={sayTemperature}
        />
      ))}
      {nowS > fromS && nowS < toS && <NowLine frame={frame} nowS={nowS} />}
    </svg>
  );
};

/** The one temperature scale, as a key. */
export const TemperatureKey = ({ say }: { say: (temperatureC: number) => string }) => {
  const from = -20;
  const to = 120;
  const gradient = temperatureStops
    .map(([t, colour]) => `${colour} ${((t - from) / (to - from)) * 100}%`)
    .join(', ');
  return (
    <div className="w-72" role="img" aria-label={t`Temperature scale`}>
      <div className="h-2.5 rounded" style={{ background: `linear-gradient(90deg, ${gradient})` }} />
      <div className="figures flex justify-between text-[11.5px] text-ink-soft">
        {[-20, 15, 50, 85, 120].map((t) => (
          <span key={t}>{say(t)}</span>
        ))}
      </div>
    </div>
  );
};
