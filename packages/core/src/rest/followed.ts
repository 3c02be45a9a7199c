import type { MeasuredAir, Place, RestQuestion } from '../thermal/index.js';
import { believed } from './place-air-now.js';
import type { AirReading } from './simulated-probe.js';

const binMs = 600e3;
/** Without a reading for so long the air is no longer known. */
const staleMs = 15 * 60_000;

const meanOf = (readings: readonly AirReading[]) =>
  readings.reduce((sum, { airC }) => sum + airC, 0) / readings.length;

/**
 * The air since a moment, for a curve: means of whole ten minutes, then the newest reading to a whole degree, which
 * stands for what comes. So it holds still while the air does.
 */
export const measuredSince = (
  readings: readonly AirReading[],
  inMs: number,
  nowMs: number,
): readonly MeasuredAir[] => {
  const bins = new Map<number, AirReading[]>();
  for (const reading of readings) {
    if (reading.atMs < inMs || reading.atMs > nowMs) continue;
    const bin = Math.floor((reading.atMs - inMs) / binMs);
    if (inMs + (bin + 1) * binMs > nowMs) continue;
    bins.set(bin, [...(bins.get(bin) ?? []), reading]);
  }
  const means = [...bins]
    .sort(([a], [b]) => a - b)
    .map(([bin, own]) => ({ afterS: (bin * binMs) / 1000, airC: meanOf(own) }));
  const newest = readings.findLast(({ atMs }) => atMs >= inMs && atMs <= nowMs);
  if (!newest) return means;
  const afterS = (Math.floor((nowMs - inMs) / binMs) * binMs) / 1000;
  return [...means, { afterS, airC: Math.round(newest.airC) }];
};

/** After so long a dough is as warm as its air: what was before no longer matters, s. */
const evenS = { pieces: 24 * 3600, bag: 36 * 3600, tub: 72 * 3600, log: 36 * 3600 } as const;
const aheadS = 4 * 3600;

/** What to ask of a dough that lies in a place, by the air that its probe saw. */
export interface Followed {
  readonly question: RestQuestion;
  /** When the curve begins: as it went in, or later, from when on it was as warm as its air. */
  readonly beginsMs: number;
  /** Where no probe told the air up to now: since when, and what was taken for it. */
  readonly assumed: { readonly sinceMs: number; readonly airC: number } | null;
}

/**
 * The air since a moment by what can be believed of its probe. From where that ends, the warmer of the last reading and
 * the setting is taken: a place that nobody watches is not taken to be in order.
 */
export const airSince = (
  place: Place,
  readings: readonly AirReading[],
  fromMs: number,
  nowMs: number,
): { readonly measured: readonly MeasuredAir[]; readonly assumed: Followed['assumed'] } => {
  const seen = believed(place, readings);
  const newest = seen.findLast(({ atMs }) => atMs <= nowMs);
  if (newest && newest.atMs >= nowMs - staleMs)
    return { measured: measuredSince(seen, fromMs, nowMs), assumed: null };
  const airC = Math.max(place.airC, Math.round(newest?.airC ?? place.airC));
  const sinceMs = Math.max(fromMs, newest?.atMs ?? fromMs);
  const told = measuredSince(seen, fromMs, sinceMs).slice(0, -1);
  const afterS = (Math.floor((sinceMs - fromMs) / binMs) * binMs) / 1000;
  return { measured: [...told, { afterS, airC }], assumed: { sinceMs, airC } };
};

/**
 * The question with the measured air, long enough to reach now and some hours on. Dough that lies there so long that it
 * is even with its air is followed from some time ago, from the air of that time.
 */
export const followed = (
  question: RestQuestion,
  inMs: number,
  readings: readonly AirReading[],
  nowMs: number,
): Followed => {
  const even = evenS[question.form] * 1000;
  const old = nowMs - inMs > even + 6 * 3600e3;
  const beginsMs = old ? Math.floor((nowMs - even) / 3600e3) * 3600e3 : inMs;
  const { measured, assumed } = airSince(question.place, readings, beginsMs, nowMs);
  const ageS = (nowMs - beginsMs) / 1000;
  return {
    beginsMs,
    assumed,
    question: {
      ...question,
      startC: old ? (measured[0]?.airC ?? question.place.airC) : question.startC,
      durationS: Math.max(question.durationS, Math.ceil((ageS + aheadS) / 3600) * 3600),
      ...(measured.length > 0 && { measured }),
    },
  };
};
