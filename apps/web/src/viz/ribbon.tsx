import { t } from '@lingui/core/macro';
import type { RibbonSegment } from '@jokul/core';
import type { Frame } from './ribbon-frame';
import { segmentKey, type flowsOf } from './ribbons';
import { inkOn, temperatureColour } from './temperature';
import type { useDragLoad } from './use-drag-load';

const kindNames: Readonly<Record<RibbonSegment['kind'], string>> = {
  mixer: t`mixer`,
  bench: t`bench`,
  cold: t`cold`,
  oven: t`oven`,
  rack: t`rack`,
};

/** What is not of the batch that is looked at steps back. */
const dimmed = (batchId: string, chosen: string | null) => (chosen !== null && chosen !== batchId ? 0.22 : 1);

/** The colours along each ribbon. */
export const Gradients = ({
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

interface FlowProps {
  readonly flow: ReturnType<typeof flowsOf>[number];
  readonly frame: Frame;
  readonly crowded: boolean;
  readonly chosen: string | null;
}

/** A line from where a batch was to where it goes on. */
export const Flow = ({ flow: [a, b], frame: { x, middle }, crowded, chosen }: FlowProps) => {
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

interface RibbonProps {
  readonly fromS: number;
  readonly toS: number;
  readonly chosen: string | null;
  readonly onChoose: (batchId: string | null) => void;
  readonly onDrop: ((loadId: string, ovenId: string, startS: number) => void) | undefined;
  readonly sayTime: (atS: number) => string;
  readonly sayTemperature: (temperatureC: number) => string;
  readonly id: string;
  readonly segment: RibbonSegment;
  readonly frame: Frame;
  readonly drag: ReturnType<typeof useDragLoad>;
}

/** A batch in one place, coloured by its temperature. */
export const Ribbon = ({
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
