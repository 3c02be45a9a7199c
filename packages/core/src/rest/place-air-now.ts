import type { Place } from '../thermal/index.js';
import type { AirReading } from './simulated-probe.js';

/** Whether a probe can be believed: it reads, it has said nothing for too long, or what it says cannot be; or there is none. */
export type ProbeState = 'reads' | 'silent' | 'implausible' | 'none';

/** The air of a place as its probe saw it lately. */
export interface PlaceAir {
  readonly place: Place;
  /** Mean of the last minutes, °C; null without a reading that can be believed. */
  readonly airC: number | null;
  readonly probe: ProbeState;
  /** When the probe was last believed; null where it never was within what is known. */
  readonly lastReadMs: number | null;
  /** Whether it was not believed for long enough that somebody must look. */
  readonly probeAlarm: boolean;
  /** K an hour over the last half hour. */
  readonly perHourK: number;
  readonly drifting: boolean;
  /** Since when it is off. */
  readonly sinceMs: number | null;
  /** When it was last off, as far as the readings go back: dough stays warm longer than air. */
  readonly lastOffMs: number | null;
}

const lastMs = 6 * 60_000;
const staleMs = 15 * 60_000;
const trendMs = 30 * 60_000;
/** Off by more than this it is no defrost, K. */
export const driftK = 2.5;
/** A probe that says nothing for so long raises the alarm, s, unless the house says otherwise. */
export const usualProbeSilentS = 15 * 60;
/** No room that is worked in or cooled for dough is beyond these, °C: the probe is. */
const plausibleC = { 'walk-in': [-25, 45], freezer: [-50, 45], bench: [-5, 55] } as const;
/** Air changes by at most so much between two readings a minute apart; a broken lead jumps further, K. */
const leapK = 15;
/** No air holds a tenth of a degree for so long: the compressor's cycle moves it. */
const stuckMs = 3 * 3600e3;

const meanOf = (readings: readonly AirReading[]) =>
  readings.reduce((sum, r) => sum + r.airC, 0) / readings.length;

/** Readings that can be believed: inside what a place can be, and no leap away from the one before. */
export const believed = (
  place: Pick<Place, 'kind'>,
  readings: readonly AirReading[],
): readonly AirReading[] => {
  const [least, most] = plausibleC[place.kind];
  const kept: AirReading[] = [];
  for (const reading of readings) {
    const before = kept.at(-1);
    const minutes = before ? Math.max(1, (reading.atMs - before.atMs) / 60_000) : 0;
    // After a gap the air may be anywhere within what is possible.
    const leaps =
      before !== undefined && minutes < 30 && Math.abs(reading.airC - before.airC) > leapK * minutes;
    if (Number.isFinite(reading.airC) && reading.airC >= least && reading.airC <= most && !leaps)
      kept.push(reading);
  }
  return kept;
};

/** Whether the last hours are one and the same figure. */
const isStuck = (place: Pick<Place, 'kind'>, seen: readonly AirReading[], nowMs: number): boolean => {
  if (place.kind === 'bench') return false;
  const lately = seen.filter(({ atMs }) => atMs > nowMs - stuckMs);
  const [first] = lately;
  return (
    first !== undefined &&
    lately.length >= 60 &&
    first.atMs < nowMs - stuckMs + 5 * 60_000 &&
    lately.every(({ airC }) => airC === first.airC)
  );
};

/** Without a probe the air is taken to be as it is set. */
const unseen = {
  airC: null,
  probe: 'none',
  lastReadMs: null,
  probeAlarm: false,
  perHourK: 0,
  drifting: false,
  sinceMs: null,
  lastOffMs: null,
} as const;

/**
 * The air of a place now, and whether its probe can be believed. It drifts when the mean of six minutes is more than
 * 2.5 K above its setting. No reading is not good news: after `silentS` it is an alarm of its own.
 * @param silentS house rule
 */
export const placeAirNow = (
  place: Place,
  readings: readonly AirReading[],
  nowMs: number,
  silentS = usualProbeSilentS,
): PlaceAir => {
  if (place.probe === false) return { place, ...unseen };
  const all = readings.filter(({ atMs }) => atMs <= nowMs);
  const good = believed(place, all);
  const stuck = isStuck(place, good, nowMs);
  const seen = stuck ? [] : good;
  const newest = seen.at(-1);
  const saysMs = all.at(-1)?.atMs;
  const fresh = newest !== undefined && newest.atMs >= nowMs - lastMs;
  const probe: ProbeState = fresh
    ? 'reads'
    : saysMs !== undefined && saysMs >= nowMs - lastMs
      ? 'implausible'
      : 'silent';
  const lastReadMs = newest?.atMs ?? null;
  const probeAlarm =
    place.kind !== 'bench' && probe !== 'reads' && (stuck || nowMs - (lastReadMs ?? 0) >= silentS * 1000);
  const lately = seen.filter(({ atMs }) => atMs > nowMs - lastMs);
  const last = lately.length > 0 || !newest || newest.atMs < nowMs - staleMs ? lately : [newest];
  const before = seen.filter(({ atMs }) => atMs <= nowMs - trendMs + lastMs && atMs > nowMs - trendMs);
  const airC = last.length > 0 ? meanOf(last) : null;
  const perHourK =
    airC !== null && before.length > 0 ? ((airC - meanOf(before)) * 3600e3) / (trendMs - lastMs) : 0;
  const drifting = place.kind !== 'bench' && airC !== null && airC > place.airC + driftK;
  let sinceMs: number | null = null;
  if (drifting) {
    const lastGood = seen.findLast(({ airC: t }) => t <= place.airC + driftK);
    sinceMs = lastGood?.atMs ?? seen[0]?.atMs ?? null;
  }
  const lastOffMs =
    place.kind === 'bench' ? null : (seen.findLast(({ airC: t }) => t > place.airC + driftK)?.atMs ?? null);
  return { place, airC, probe, lastReadMs, probeAlarm, perHourK, drifting, sinceMs, lastOffMs };
};
