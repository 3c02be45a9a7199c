import { settle } from './settle.js';
import { fitting, type Centre, type FreeArea } from './row-patterns.js';

/*
 * Packing of equal circles in a rectangle by pushing apart what overlaps: with one piece more than any pattern of rows holds, many settle after all. Always the same answer to the same tray.
 */

/** Beyond so many pieces rows are as good as anything, and pushing takes long. */
const mostPieces = 60;
const rounds = 260;
/** Work for one tray, pairs looked at: keeps it well below 50 ms. */
const mostPairs = 9e5;

/** A small generator of even numbers from 0 to 1, the same every time (Park and Miller, 1988). */
export const evenly = (seed: number) => {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
};

const inside = (value: number, end: number) => Math.min(end, Math.max(0, value));

/** Beginnings: the rows with one more dropped in, and even scatters. */
const beginning = (
  from: readonly Centre[],
  free: FreeArea,
  next: () => number,
  scatter: boolean,
): readonly [Float64Array, Float64Array] => {
  const n = from.length + 1;
  const xs = new Float64Array(n);
  const ys = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const at = scatter ? undefined : from[i];
    const shake = free.pitchMm * 0.15;
    xs[i] = at ? inside(at[0] + (next() - 0.5) * shake, free.widthMm) : next() * free.widthMm;
    ys[i] = at ? inside(at[1] + (next() - 0.5) * shake, free.heightMm) : next() * free.heightMm;
  }
  return [xs, ys];
};

/** The pieces where they settle; null when they do not. */
const settled = (xs: Float64Array, ys: Float64Array, free: FreeArea): readonly Centre[] | null => {
  const all = (value: number) => new Float64Array(xs.length).fill(value);
  const zero = all(0);
  const still = settle(
    {
      xs,
      ys,
      halves: all(free.pitchMm / 2),
      low: [zero, zero],
      high: [all(free.widthMm), all(free.heightMm)],
    },
    rounds,
  );
  return still ? Array.from(xs, (x, i): Centre => [x, ys[i] as number]) : null;
};

/** More never fit than discs of the pitch in the area that half a pitch around it makes (Groemer, 1960). */
export const atMost = ({ widthMm, heightMm, pitchMm }: FreeArea): number => {
  const [w, h] = [widthMm / pitchMm, heightMm / pitchMm];
  return Math.floor((2 / Math.sqrt(3)) * w * h + w + h + 1 + 1e-9);
};

/** The layout with as many more pieces as settle; the same layout when none does. */
export const withMore = (from: readonly Centre[], free: FreeArea): readonly Centre[] => {
  let best = from;
  // One line of pieces cannot hold more than it does.
  if (fitting(free.widthMm, free.pitchMm) < 1 || fitting(free.heightMm, free.pitchMm) < 1) return best;
  const next = evenly(20_261);
  let pairs = 0;
  let tries = 0;
  while (best.length < Math.min(atMost(free), mostPieces) && pairs < mostPairs && tries < 24) {
    const [xs, ys] = beginning(best, free, next, tries % 3 === 2);
    const placed = settled(xs, ys, free);
    pairs += (rounds * best.length * (best.length + 1)) / 2;
    if (placed) {
      best = placed;
      tries = 0;
    } else tries++;
  }
  return best;
};
