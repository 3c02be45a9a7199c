import type { RibbonSegment } from '@jokul/core';
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

export const frameOf = (
  rows: ReturnType<typeof rowsOf>,
  fromS: number,
  toS: number,
  width: number,
): Frame => {
  // In UTC, not in the zone of the device: the marks fall on even hours wherever the bakery is whole hours from it.
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
    marksS: (room) => scale.ticks((width - left - right) / (1.5 * room)).map((at) => at.getTime() / 1000),
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
