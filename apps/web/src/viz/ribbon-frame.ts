import type { RibbonSegment } from '@jokul/core';
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
