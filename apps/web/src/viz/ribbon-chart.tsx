import { t } from '@lingui/core/macro';
import { useId, useMemo } from 'react';
import type { RibbonSegment } from '@jokul/core';
import { Flow, Gradients, Ribbon } from './ribbon';
import { NowLine, RowNames, TimeAxis } from './ribbon-axis';
import { frameOf, gap, lane, left, right } from './ribbon-frame';
import { flowsOf, rowsOf, segmentKey } from './ribbons';
import { useDragLoad } from './use-drag-load';

interface RibbonChartProps {
  readonly segments: readonly RibbonSegment[];
  readonly places: readonly { id: string; name: string }[];
  readonly fromS: number;
  readonly toS: number;
  /** Of the bakery. */
  readonly timeZone: string;
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

/** More lines on a pixel of width than this tangle: none can be followed, and they are hints then. */
const crowdedPerPx = 0.045;

/**
 * The day as thermal ribbons: each batch flows through its places, coloured by the computed temperature of its dough.
 */
export const RibbonChart = ({
  segments,
  places,
  fromS,
  toS,
  timeZone,
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
  const crowded = flows.length / Math.max(1, width) > crowdedPerPx;
  const frame = frameOf(rows, { fromS, toS, timeZone }, width);
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
      <TimeAxis frame={frame} sayTime={sayTime} tickRoom={tickRoom} />
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
