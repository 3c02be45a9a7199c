import type { WeekWork } from '@jokul/contracts';

export interface DayLane {
  readonly id: string;
  readonly name: string;
  readonly works: readonly WeekWork[];
}

/**
 * What is busy on a day, a lane for each: those that are busy at some time of the week, so that all days have the same.
 * @param places mixers, bench and ovens in their order
 */
export const lanesOf = (
  places: readonly { readonly id: string; readonly name: string }[],
  work: readonly WeekWork[],
  fromS: number,
  toS: number,
): readonly DayLane[] =>
  places
    .filter(({ id }) => work.some(({ placeId }) => placeId === id))
    .map(({ id, name }) => ({
      id,
      name,
      works: work
        .filter(({ placeId, startS, endS }) => placeId === id && endS > fromS && startS < toS)
        .sort((a, b) => a.startS - b.startS),
    }));
