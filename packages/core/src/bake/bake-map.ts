import type { Doneness } from '../formula/index.js';
import type { OwnLimits } from '../limits/index.js';
import { donenessIndex, isTooDark, stateOf, type BakeState } from './doneness.js';
import { checkComposition, judgedBy, type BakeInput } from './input.js';
import { advance, readingIfPulledNow, startRun } from './simulate.js';

/** What a pull at one time at one temperature ends in, after the carryover. */
export interface MapCell {
  readonly pullS: number;
  readonly index: number;
  readonly state: BakeState;
  readonly edgeColour: number;
  readonly bottomColour: number;
  readonly diameterMm: number;
}

/** All pulls at one oven temperature. */
export interface MapRow {
  readonly setC: number;
  readonly cells: readonly MapCell[];
}

/** The grid of a bake map: temperatures from cool to hot, pull times from early to late. */
export interface MapGrid {
  readonly temperaturesC: readonly number[];
  readonly pullsS: readonly number[];
}

/** A grid around the formula's own setting: ± 30 K in 24 steps, from a third of the pull to twice it in 40. */
export const mapGrid = (setC: number, pullS: number, rows = 24, columns = 40): MapGrid => {
  const low = Math.max(120, setC - 30);
  const high = Math.min(260, setC + 30);
  const from = Math.max(120, pullS / 3);
  const to = Math.min(3600, pullS * 1.9);
  const even = (a: number, b: number, n: number) =>
    Array.from({ length: n }, (_, i) => a + ((b - a) * i) / (n - 1));
  return { temperaturesC: even(low, high, rows), pullsS: even(from, to, columns) };
};

/**
 * One temperature of the map: a single bake goes on, and at every pull time a copy of it is pulled and carried over.
 * @param pullsS rising pull times, s
 * @throws JokulError `out-of-range` outside the model's domain
 */
export const bakeMapRow = (input: BakeInput, pullsS: readonly number[]): MapRow => {
  checkComposition(input);
  const run = startRun(input.setup);
  const by = judgedBy(input);
  // Doneness never goes back with a later pull; the index is kept rising against the noise of the grid.
  let last = 0;
  const cells = pullsS.map((pullS): MapCell => {
    advance(run, 'oven', pullS);
    const reading = readingIfPulledNow(run);
    last = Math.max(last, donenessIndex(reading, by));
    return {
      pullS,
      index: last,
      state: stateOf(last),
      edgeColour: reading.colour.edge,
      bottomColour: reading.colour.bottom,
      diameterMm: reading.diameterMm,
    };
  });
  return { setC: input.setup.setC, cells };
};

/** The order in which rows are computed: every sixth first, so that a coarse picture is there soon. */
export const coarseToFine = (rows: number): readonly number[] => {
  const order: number[] = [];
  for (const step of [6, 3, 1]) for (let i = 0; i < rows; i += step) if (!order.includes(i)) order.push(i);
  return order;
};

export interface ForgivingPoint {
  readonly setC: number;
  readonly pullS: number;
  /** How far the pull may be off at this temperature, s. */
  readonly earlierS: number;
  readonly laterS: number;
  /** How far the oven may be off at this pull, K. */
  readonly coolerK: number;
  readonly hotterK: number;
}

/** A kelvin of the oven counts as much as so many seconds of the pull when distances are compared. */
const secondsPerKelvin = 6;

/**
 * The point of the target's region, short of too dark, that lies furthest from its borders: there an oven that is off
 * and a hand that is late do least harm. Null when no pull on the map reaches the target.
 */
export const mostForgiving = (
  rows: readonly MapRow[],
  target: Doneness,
  own?: OwnLimits,
): ForgivingPoint | null => {
  const good = (cell: MapCell) =>
    cell.state === target && !isTooDark(target, cell.edgeColour, cell.bottomColour, own);
  const points = rows.flatMap(({ setC, cells }) => cells.map((cell) => ({ setC, cell, ok: good(cell) })));
  const bad = points.filter(({ ok }) => !ok);
  let best: { setC: number; pullS: number; distance: number } | null = null;
  const lastRow = rows.at(-1)?.setC ?? 0;
  const firstRow = rows[0]?.setC ?? 0;
  for (const { setC, cell, ok } of points) {
    if (!ok) continue;
    // The border of the map counts as a border: what lies beyond is not known.
    let distance = Math.min(setC - firstRow, lastRow - setC) * secondsPerKelvin + 1;
    for (const other of bad)
      distance = Math.min(
        distance,
        Math.hypot((other.setC - setC) * secondsPerKelvin, other.cell.pullS - cell.pullS),
      );
    if (!best || distance > best.distance) best = { setC, pullS: cell.pullS, distance };
  }
  if (!best) return null;
  const { setC, pullS } = best;
  const row = points.filter((point) => point.setC === setC);
  const column = points.filter(({ cell }) => cell.pullS === pullS);
  const run = (list: readonly { ok: boolean }[], from: number, by: 1 | -1) => {
    let i = from;
    while (list[i + by]?.ok) i += by;
    return i;
  };
  const at = row.findIndex(({ cell }) => cell.pullS === pullS);
  const height = column.findIndex((point) => point.setC === setC);
  const secondsTo = (i: number) => Math.abs((row[i]?.cell.pullS ?? pullS) - pullS);
  const kelvinTo = (i: number) => Math.abs((column[i]?.setC ?? setC) - setC);
  return {
    setC,
    pullS,
    earlierS: secondsTo(run(row, at, -1)),
    laterS: secondsTo(run(row, at, 1)),
    coolerK: kelvinTo(run(column, height, -1)),
    hotterK: kelvinTo(run(column, height, 1)),
  };
};
