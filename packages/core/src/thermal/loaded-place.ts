import { formatNumber, type Figure, say } from '../shown/index.js';
import { coldFigure } from './cold-figure.js';
import { conduct, type AirModel } from './conduct.js';
import { standing } from './form.js';
import type { LifeQuestion } from './life.js';
import { placeAir, powerOf } from './place-air.js';
import { firstPast, heatTransfer, type Cover, type Place } from './place.js';

export interface LoadedPlace {
  /** When the core is at the target: alone in the place, s, and with everything in at once; null when never. */
  readonly aloneS: number | null;
  readonly together: Figure | null;
  /** The warmest that the air gets, °C. */
  readonly warmestC: number;
}

/**
 * A place that takes much warm dough at once, its door opened now and then: its air warms, and so the dough cools slower.
 * @param bodies how many of the bodies go in at once
 * @param openings door openings an hour, each for half a minute
 */
export const loadedPlace = (
  q: Pick<LifeQuestion, 'formula' | 'form' | 'massG' | 'startC'> & {
    readonly place: Place;
    readonly cover: Cover;
    readonly targetC: number;
    readonly bodies: number;
    readonly openings: number;
  },
): LoadedPlace => {
  const stands = standing(q.formula, q.form, q.massG, q.cover === 'covered');
  const { body, material } = stands;
  const hWPerM2K = heatTransfer(q.place, q.cover, q.form);
  const durationS = q.form === 'tub' ? 48 * 3600 : 12 * 3600;
  const run = (air?: AirModel) =>
    conduct({
      body,
      material,
      startC: q.startC,
      steps: [
        {
          airC: q.place.airC,
          hWPerM2K,
          durationS,
          ...(air && { air }),
        },
      ],
      cells: body.kind === 'block' ? 12 : 20,
    });
  const everyS = q.openings > 0 ? 3600 / q.openings : Number.POSITIVE_INFINITY;
  // A quarter of a block stands for the whole; a slab is counted by the square metre of one face, half its thickness deep.
  const perBody =
    body.kind === 'block'
      ? 4
      : body.kind === 'slab'
        ? q.massG / 1000 / (material.densityKgPerM3 * (body.thicknessMm / 2000))
        : 1;
  const together = run(
    placeAir(q.place, powerOf(q.place), q.place.airC, {
      bodies: q.bodies * perBody,
      doorOpen: (s) => s % everyS < 30 && q.openings > 0,
    }),
  );
  const warmestC = Math.max(...together.airC);
  const togetherS = firstPast(together, 'coreC', q.targetC);
  return {
    aloneS: firstPast(run(), 'coreC', q.targetC),
    together:
      togetherS === null
        ? null
        : coldFigure({
            name: say`Until the core is at ${formatNumber(q.targetC)} °C, everything in at once`,
            seconds: togetherS,
            standing: stands,
            massG: q.form === 'pieces' ? q.formula.piece.massG : q.massG,
            startC: q.startC,
            targetC: q.targetC,
            air: {
              name: say`air in ${q.place.name}, at its warmest`,
              airC: warmestC,
              source: say`energy balance: ${q.bodies} at once, door ${q.openings} times an hour`,
            },
            hWPerM2K,
            learned: q.place.learned,
            note:
              q.place.powerW === undefined
                ? say`The power of the machine is a typical figure.`
                : say`The power of the machine is that of Setup.`,
          }),
    warmestC,
  };
};
