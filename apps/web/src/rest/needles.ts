import {
  measuredSince,
  type AirReading,
  type FloorState,
  type Formula,
  type HouseRules,
  type NeedleReading,
  type Place,
} from '@jokul/core';
import { questionOf } from './question';

const backMs = 60 * 86_400_000;
const most = 12;
/** A needle in a dough that just came in says nothing of the place. */
const soonestMs = 120_000;

/**
 * The cores that were measured in a place lately, with what the model is to be asked of each: by the air that the probe
 * saw where that is still known, else by the set one.
 */
export const needleReadings = (
  place: Place,
  floor: FloorState,
  formulaOf: (lot: string) => Formula | undefined,
  rules: HouseRules,
  air: readonly AirReading[],
  nowMs: number,
): readonly NeedleReading[] =>
  [...floor.lots.values()]
    .flatMap(({ lot, stays }) => {
      const formula = formulaOf(lot);
      if (!formula) return [];
      return stays
        .filter(({ placeId }) => placeId === place.id)
        .flatMap((stay) => {
          const cores = stay.cores.filter(
            ({ atMs }) => atMs > nowMs - backMs && atMs >= stay.atMs + soonestMs,
          );
          if (cores.length === 0) return [];
          const known = air[0] !== undefined && air[0].atMs <= stay.atMs;
          const measured = known ? measuredSince(air, stay.atMs, cores.at(-1)?.atMs ?? stay.atMs) : [];
          const question = {
            ...questionOf(stay, formula, place, rules),
            ...(measured.length > 0 && { measured }),
          };
          return cores.map(({ atMs, temperatureC }) => ({
            atMs,
            reading: { question, afterS: Math.round((atMs - stay.atMs) / 1000), coreC: temperatureC },
          }));
        });
    })
    .sort((a, b) => b.atMs - a.atMs)
    .slice(0, most)
    .map(({ reading }) => reading);
