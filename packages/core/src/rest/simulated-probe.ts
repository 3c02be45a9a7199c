import { placeAir, powerOf, type Place } from '../thermal/index.js';

/** With the place, or with the probe that should tell of it. */
export const faultKinds = ['door-open', 'machine-off', 'probe-silent', 'probe-wrong'] as const;
export type FaultKind = (typeof faultKinds)[number];

/** Something that goes wrong with a cold place, to be tried out with the simulated probes. */
export interface PlaceFault {
  readonly placeId: string;
  readonly kind: FaultKind;
  readonly fromMs: number;
  /** null while it lasts. */
  readonly toMs: number | null;
}

export interface AirReading {
  readonly atMs: number;
  readonly airC: number;
}

const minuteMs = 60_000;
const stepS = 20;
const forgottenMs = 12 * 3600e3;
/** A place is as warm as it gets after so long: what was before need not be computed. */
const settledMs = 48 * 3600e3;
/** What a probe with a broken lead shows, °C. */
const brokenC = 85;

/** What a healthy place swings around its setting: the compressor's cycle, and a defrost every six hours. */
const swing = (kind: Place['kind'], atMs: number): number => {
  if (kind === 'bench') return 0.4 * Math.sin((2 * Math.PI * atMs) / (7 * 3600e3));
  const cycle = 0.3 * Math.sin((2 * Math.PI * atMs) / (27 * minuteMs));
  const sinceDefrost = atMs % (6 * 3600e3);
  return (
    cycle + (sinceDefrost < 12 * minuteMs ? 1.1 * Math.sin((Math.PI * sinceDefrost) / (12 * minuteMs)) : 0)
  );
};

/**
 * A stand-in for the probe of a place: its air over time, with faults that were set for a trial. The energy balance of
 * the place gives how it drifts and recovers; what stands in it is left out, so that it drifts a little too fast.
 * @param everyMs between two readings
 */
export const simulateAir = (
  place: Place,
  faults: readonly PlaceFault[],
  fromMs: number,
  toMs: number,
  everyMs = minuteMs,
): readonly AirReading[] => {
  // A fault that was mended long before leaves nothing to see.
  const own = faults.filter(
    ({ placeId, fromMs: at, toMs: end }) =>
      placeId === place.id && at < toMs && (end ?? toMs) > fromMs - forgottenMs,
  );
  const startMs = Math.max(fromMs - settledMs, Math.min(fromMs, ...own.map((fault) => fault.fromMs)));
  const during = (kind: PlaceFault['kind'], atMs: number) =>
    own.some(
      (fault) =>
        fault.kind === kind && atMs >= fault.fromMs && atMs < (fault.toMs ?? Number.POSITIVE_INFINITY),
    );
  const readings: AirReading[] = [];
  const cold = place.kind === 'bench' ? null : place.kind;
  const warming = own.some(({ kind }) => kind === 'door-open' || kind === 'machine-off');
  const air =
    cold && warming
      ? placeAir(place, powerOf(place), place.airC, {
          doorOpen: (s) => during('door-open', startMs + s * 1000),
          machineShare: (s) => (during('machine-off', startMs + s * 1000) ? 0 : 1),
        })
      : null;
  let simulatedMs = startMs;
  for (let atMs = Math.ceil(fromMs / everyMs) * everyMs; atMs <= toMs; atMs += everyMs) {
    for (; air && simulatedMs < atMs; simulatedMs += stepS * 1000) air.next(0, stepS);
    if (during('probe-silent', atMs)) continue;
    if (during('probe-wrong', atMs)) {
      readings.push({ atMs, airC: brokenC });
      continue;
    }
    const base = air ? air.now() : place.airC;
    readings.push({ atMs, airC: Math.round(10 * (base + swing(place.kind, atMs))) / 10 });
  }
  return readings;
};
