import {
  centreIndex,
  centreSurelyThere,
  crispEdgeNeedsMm,
  donenessIndex,
  drynessAt,
  drynessOf,
  firmIndex,
  surelyFirm,
  type JudgedBy,
} from './doneness.js';
import type { Reading } from './reading.js';

/** What a pull at one time would give after the carryover. All but the index is kept from going back with a later pull. */
export interface Probe {
  readonly pullS: number;
  /** How far it is set and coloured, 1 and more: no longer under for what is seen. */
  readonly firm: number;
  /** How far the centre is from raw, 1 and more: at the house's limit. */
  readonly centre: number;
  /** Water of the centre on the scale that parts the states, %; it falls nearly evenly with the pull. */
  readonly dryness: number;
  readonly crispEdgeMm: number;
  readonly index: number;
}

export const probeOf = (pullS: number, reading: Reading, by: JudgedBy, last: Probe | undefined): Probe => ({
  pullS,
  firm: Math.max(last?.firm ?? 0, firmIndex(reading)),
  centre: Math.max(last?.centre ?? -Infinity, centreIndex(reading, by.centreC)),
  dryness: Math.min(last?.dryness ?? Infinity, drynessOf(reading, by.startMoisture)),
  crispEdgeMm: Math.max(last?.crispEdgeMm ?? 0, reading.crispEdgeMm),
  index: Math.max(last?.index ?? 0, donenessIndex(reading, by)),
});

/** When `of` passes a value, s, between probes linearly; null when it never does. */
const crossing = (found: readonly Probe[], of: (probe: Probe) => number, value: number): number | null => {
  for (const [i, b] of found.entries()) {
    if (of(b) < value) continue;
    const a = found[i - 1];
    return !a || of(a) >= value
      ? b.pullS
      : a.pullS + ((value - of(a)) / (of(b) - of(a))) * (b.pullS - a.pullS);
  }
  return null;
};

/**
 * The same where the value runs smoothly: by the parabola through the two probes around it and the nearest third, read the
 * other way round (pull as a function of the value), as long as it runs one way and stays between the two.
 */
const smoothCrossing = (
  found: readonly Probe[],
  of: (probe: Probe) => number,
  value: number,
): number | null => {
  const linear = crossing(found, of, value);
  const i = found.findIndex((probe) => of(probe) >= value);
  const [a, b, c] = [found[i - 1], found[i], found[i + 1] ?? found[i - 2]];
  if (linear === null || !a || !b || !c) return linear;
  const [ya, yb, yc] = [of(a), of(b), of(c)];
  const third = found[i + 1] ? yc > yb : yc < ya;
  if (!third || yb <= ya) return linear;
  const pull =
    (a.pullS * (value - yb) * (value - yc)) / ((ya - yb) * (ya - yc)) +
    (b.pullS * (value - ya) * (value - yc)) / ((yb - ya) * (yb - yc)) +
    (c.pullS * (value - ya) * (value - yb)) / ((yc - ya) * (yc - yb));
  return pull > a.pullS && pull < b.pullS ? pull : linear;
};

const latest = (parts: readonly (number | null)[]): number | null => {
  const known = parts.filter((part) => part !== null);
  return known.length === parts.length ? Math.max(...known) : null;
};

/** The earliest pull that is no longer under, s. */
export const passingSet = (found: readonly Probe[]): number | null =>
  latest([crossing(found, (p) => p.firm, surelyFirm), crossing(found, (p) => p.centre, centreSurelyThere)]);

/**
 * The pull that ends in a doneness, s; null when none does. Each thing that it takes is read between the probes by
 * itself: the doneness has corners between them, what it is made of has none.
 */
export const passingIndex = (found: readonly Probe[], index: number): number | null => {
  const parts = [passingSet(found), smoothCrossing(found, (p) => -p.dryness, -drynessAt(index))];
  if (index >= 3 && index < 4) parts.push(crossing(found, (p) => p.crispEdgeMm, crispEdgeNeedsMm));
  return latest(parts);
};
