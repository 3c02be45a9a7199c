import { clockAheadS, type RibbonSegment } from '@jokul/core';
import { scaleUtc } from 'd3-scale';
import { segmentKey, type rowsOf } from './ribbons';

export const left = 122;
/** Room beside the time axis, px. */
export const right = 26;
export const ribbonInset = { left, right };
export const lane = 19;
export const gap = 9;
export const top = 26;

/** Where what lies in the chart, px. */
export interface Frame {
  readonly x: (atS: number) => number;
  /** Not held inside the chart: where a ribbon that began before it would begin. */
  readonly unclipped: (atS: number) => number;
  /** Even times of the axis, s, at least `room` px apart. */
  readonly marksS: (room: number) => readonly number[];
  readonly rowTop: ReadonlyMap<string, number>;
  readonly height: number;
  /** The middle of a ribbon's lane; null where its place has no row. */
  readonly middle: (segment: RibbonSegment) => number | null;
}

/**
 * Even times of the bakery's clock between two points in time, s.
 * @param count about how many
 */
export const evenTimes = (fromS: number, toS: number, timeZone: string, count: number): readonly number[] => {
  const aheadS = clockAheadS(fromS, timeZone);
  return scaleUtc([(fromS + aheadS) * 1000, (toS + aheadS) * 1000], [0, 1])
    .ticks(count)
    .flatMap((clock) => {
      const clockS = clock.getTime() / 1000;
      const atS = clockS - clockAheadS(clockS - aheadS, timeZone);
      // No time of the clock where it goes forward over it.
      const isThere = atS + clockAheadS(atS, timeZone) === clockS;
      return isThere && atS >= fromS && atS <= toS ? [atS] : [];
    });
};

export const frameOf = (
  rows: ReturnType<typeof rowsOf>,
  { fromS, toS, timeZone }: { readonly fromS: number; readonly toS: number; readonly timeZone: string },
  width: number,
): Frame => {
  const scale = scaleUtc([fromS * 1000, toS * 1000], [left, width - right]);
  const unclipped = (atS: number) => scale(atS * 1000);
  const rowTop = new Map<string, number>();
  let y = top;
  for (const row of rows) {
    rowTop.set(row.placeId, y);
    y += row.lanes * lane + gap;
  }
  return {
    x: (atS) => unclipped(Math.min(toS, Math.max(fromS, atS))),
    unclipped,
    // d3 takes the step nearest to what is asked: a half more room keeps the nearest one wide enough.
    marksS: (room) => evenTimes(fromS, toS, timeZone, (width - left - right) / (1.5 * room)),
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
