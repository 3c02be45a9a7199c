import type { WeekWork } from '@jokul/contracts';
import { byTheClock } from './by-the-clock';
import type { DayLane } from './lanes';

const laneHeight = 13;
const labelRoom = 30;
/** Room for the names of the lanes, px; none on a phone. */
const namesRoom = 104;
export const namesWidth = (width: number): number => (width < 480 ? 0 : namesRoom);

/** Every third hour has a mark. */
export const thirdHours = [0, 3, 6, 9, 12, 15, 18, 21, 24] as const;

interface DayStripProps {
  /** Midnight to midnight, s; a day of a clock change is an hour shorter or longer. */
  readonly fromS: number;
  readonly toS: number;
  readonly timeZone: string;
  readonly nowS: number;
  readonly lanes: readonly DayLane[];
  readonly width: number;
  readonly says: string;
  readonly sayWork: (work: WeekWork) => string;
}

/** One day from midnight to midnight: when mixers, bench and ovens are busy. Temperatures are on Day. */
export const DayStrip = ({ fromS, toS, timeZone, nowS, lanes, width, says, sayWork }: DayStripProps) => {
  const left = namesWidth(width);
  const onStrip = (share: number) => left + share * (width - left - 1);
  const x = (atS: number) => onStrip(byTheClock(atS, fromS, toS, timeZone));
  // A day on which nothing is busy takes little room.
  const busy = lanes.some(({ works }) => works.length > 0) ? lanes : [];
  const height = Math.max(1, busy.length) * laneHeight + 4;
  return (
    <svg width={width} height={height} role="img" aria-label={says} className="block">
      {thirdHours.map((hour) => (
        <line
          key={hour}
          x1={onStrip(hour / 24)}
          x2={onStrip(hour / 24)}
          y1={0}
          y2={height}
          stroke="var(--line)"
        />
      ))}
      {left > 0 &&
        busy.map(({ id, name }, row) => (
          <text key={id} x={0} y={row * laneHeight + 11} fontSize={11} fill="var(--ink-soft)">
            {name}
          </text>
        ))}
      {busy.map(({ id, works }, row) =>
        works.map((work) => {
          const [x0, x1] = [x(work.startS), x(work.endS)];
          const bakes = work.kind === 'bake';
          return (
            <g key={`${id} ${work.batchId} ${work.loadId ?? work.kind}`}>
              <title>{sayWork(work)}</title>
              <rect
                x={x0}
                y={row * laneHeight + 2}
                width={Math.max(2, x1 - x0 - 1)}
                height={laneHeight - 3}
                rx={2}
                fill={bakes ? 'var(--ink)' : 'var(--surface)'}
                stroke="var(--ink)"
                strokeWidth={bakes ? 0 : 1}
              />
              {x1 - x0 > labelRoom && (
                <text
                  x={x0 + 3}
                  y={row * laneHeight + 10.5}
                  fontSize={9.5}
                  fill={bakes ? 'var(--surface)' : 'var(--ink)'}
                  className="figures"
                  pointerEvents="none"
                >
                  {work.productCode}
                </text>
              )}
            </g>
          );
        }),
      )}
      {nowS > fromS && nowS < toS && (
        <line x1={x(nowS)} x2={x(nowS)} y1={0} y2={height} stroke="var(--hand)" strokeWidth={2} />
      )}
    </svg>
  );
};
