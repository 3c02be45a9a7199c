import type { RibbonSegment } from '@jokul/core';

/** A place on the day's chart with the lanes that its segments need. */
export interface PlaceRow {
  readonly placeId: string;
  readonly name: string;
  readonly lanes: number;
  /** Lane of each segment, by its key. */
  readonly laneOf: ReadonlyMap<string, number>;
}

export const segmentKey = (s: RibbonSegment) =>
  `${s.batchId}/${s.loadId ?? ''}/${s.kind}/${s.placeId}/${s.startS}`;

/** Gives each segment the first lane that is free for its whole time, so that none covers another. */
export const rowsOf = (
  places: readonly { id: string; name: string }[],
  segments: readonly RibbonSegment[],
): readonly PlaceRow[] =>
  places
    .map(({ id, name }) => {
      const own = segments
        .filter((s) => s.placeId === id)
        .sort((a, b) => a.startS - b.startS || a.endS - b.endS);
      const freeAt: number[] = [];
      const laneOf = new Map<string, number>();
      for (const s of own) {
        const free = freeAt.findIndex((at) => at <= s.startS);
        const lane = free === -1 ? freeAt.length : free;
        freeAt[lane] = s.endS;
        laneOf.set(segmentKey(s), lane);
      }
      return { placeId: id, name, lanes: Math.max(1, freeAt.length), laneOf };
    })
    .filter((row) => row.laneOf.size > 0);

/** Pairs of segments between which a batch moves: the end of one and the start of the next in another place. */
export const flowsOf = (
  segments: readonly RibbonSegment[],
): readonly (readonly [RibbonSegment, RibbonSegment])[] => {
  const flows: [RibbonSegment, RibbonSegment][] = [];
  for (const batchId of new Set(segments.map((s) => s.batchId))) {
    const own = segments.filter((s) => s.batchId === batchId);
    const before = own
      .filter((s) => s.loadId === undefined)
      .sort((a, b) => a.startS - b.startS || a.endS - b.endS);
    for (let i = 1; i < before.length; i++)
      flows.push([before[i - 1] as RibbonSegment, before[i] as RibbonSegment]);
    for (const oven of own.filter((s) => s.kind === 'oven')) {
      // The dough comes from where it lay last before it was loaded.
      const from = before.findLast((s) => s.startS < oven.startS);
      if (from) flows.push([from, oven]);
      const rack = own.find((s) => s.kind === 'rack' && s.loadId === oven.loadId);
      if (rack) flows.push([oven, rack]);
    }
  }
  return flows;
};
