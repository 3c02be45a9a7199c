import { gap, top, type Frame } from './ribbon-frame';
import type { rowsOf } from './ribbons';

interface AxisProps {
  readonly frame: Frame;
  readonly sayTime: (atS: number) => string;
  /** Width that a time label needs, px. */
  readonly tickRoom: number;
}

/** The marks of the hours. */
export const TimeAxis = ({ frame: { x, height, marksS }, sayTime, tickRoom }: AxisProps) =>
  marksS(tickRoom).map((t) => (
    <g key={t}>
      <line x1={x(t)} x2={x(t)} y1={top - 6} y2={height} stroke="var(--line)" />
      <text x={x(t)} y={14} fontSize={12} textAnchor="middle" fill="var(--ink-soft)" className="figures">
        {sayTime(t)}
      </text>
    </g>
  ));

export const NowLine = ({
  frame: { x, height },
  nowS,
}: Pick<AxisProps, 'frame'> & { readonly nowS: number }) => (
  <g>
    <line x1={x(nowS)} x2={x(nowS)} y1={top - 8} y2={height} stroke="var(--ink)" strokeWidth={1.5} />
    <circle cx={x(nowS)} cy={top - 8} r={3.5} fill="var(--ink)" />
  </g>
);

/** The names of the places, each beside its lanes. */
export const RowNames = ({
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
