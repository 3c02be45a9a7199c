import type { Availability } from './problem.js';

/**
 * Smallest number that is there over the whole stretch. Stretches that overlap add up (two shifts at the same time are
 * two people), and one that follows another goes on from it.
 */
export const leastAvailable = (when: readonly Availability[], startS: number, endS: number): number => {
  const near = when.filter(({ fromS, toS }) => fromS < endS && toS > startS);
  const at = (s: number) => {
    let sum = 0;
    for (const { fromS, toS, capacity } of near) if (fromS <= s && s < toS) sum += capacity;
    return sum;
  };
  let least = at(startS);
  for (const { fromS, toS } of near)
    for (const s of [fromS, toS]) if (s > startS && s < endS) least = Math.min(least, at(s));
  return least;
};

/**
 * The first moment from another one on from which somebody is there for so long at one go; Infinity where nobody is.
 * @param heatS an oven that is switched on then is hot so much later, s
 */
export const firstAttendedS = (
  when: readonly Availability[],
  fromS: number,
  forS: number,
  heatS = 0,
): number =>
  [fromS, ...when.map((own) => own.fromS + heatS).sort((a, b) => a - b)].find(
    (startS) => startS >= fromS && leastAvailable(when, startS, startS + forS) > 0,
  ) ?? Number.POSITIVE_INFINITY;
