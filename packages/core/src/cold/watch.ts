import type { Formula } from '../formula/index.js';
import type { InTheCold } from '../journal/index.js';
import type { BatchPlan, HouseRules } from '../schedule/index.js';
import { sayDuration } from '../shown/index.js';
import type { MeasuredAir, Place, RestQuestion } from '../thermal/index.js';
import type { AirReading } from './simulated-probe.js';

/** The air of a place as its probe saw it lately. */
export interface PlaceAir {
  readonly place: Place;
  /** Mean of the last minutes, °C; null without a reading. */
  readonly airC: number | null;
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

const meanOf = (readings: readonly AirReading[]) =>
  readings.reduce((sum, r) => sum + r.airC, 0) / readings.length;

/** Whether the air of a place drifts from its setting: the mean of six minutes more than 2.5 K above. */
export const placeAirNow = (place: Place, readings: readonly AirReading[], nowMs: number): PlaceAir => {
  const seen = readings.filter(({ atMs }) => atMs <= nowMs);
  const lately = seen.filter(({ atMs }) => atMs > nowMs - lastMs);
  const newest = seen.at(-1);
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
  return { place, airC, perHourK, drifting, sinceMs, lastOffMs };
};

const binMs = 600e3;

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
}

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
  const measured = measuredSince(readings, beginsMs, nowMs);
  const ageS = (nowMs - beginsMs) / 1000;
  return {
    beginsMs,
    question: {
      ...question,
      startC: old ? (measured[0]?.airC ?? question.place.airC) : question.startC,
      durationS: Math.max(question.durationS, Math.ceil((ageS + aheadS) / 3600) * 3600),
      ...(measured.length > 0 && { measured }),
    },
  };
};

/** A dough in the cold with what is due for it. */
export interface ColdEntry {
  readonly item: InTheCold;
  readonly formula: Formula;
  /** How old it is in the cold, and what is left of its window; s. */
  readonly ageS: number;
  readonly leftS: number;
  readonly over: boolean;
  /** Whether less than a tenth of its window, or two hours, is left. */
  readonly soon: boolean;
}

/** What is in the cold in the order in which it should be used: what runs out first comes first. */
export const inOrderOfUse = (
  items: readonly InTheCold[],
  formulaOf: (batchId: string) => Formula | undefined,
  nowMs: number,
): readonly ColdEntry[] =>
  items
    .flatMap((item): ColdEntry[] => {
      const formula = formulaOf(item.batchId);
      if (!formula) return [];
      const ageS = (nowMs - item.inMs) / 1000;
      const leftS = formula.rest.maxS - ageS;
      return [
        {
          item,
          formula,
          ageS,
          leftS,
          over: leftS < 0,
          soon: leftS >= 0 && leftS < Math.min(7200, 0.1 * formula.rest.maxS),
        },
      ];
    })
    .sort((a, b) => a.leftS - b.leftS);

/** Older dough of the same formula that should be used before this one; null when there is none. */
export const olderThan = (entries: readonly ColdEntry[], batchId: string): ColdEntry | null => {
  const own = entries.find(({ item }) => item.batchId === batchId);
  if (!own) return null;
  return (
    entries.find(
      ({ item, formula }) =>
        formula.code === own.formula.code && item.batchId !== batchId && item.inMs < own.item.inMs - 3600e3,
    ) ?? null
  );
};

/** When a dough is ready by the setting, and by what its probe saw. */
export interface Readiness {
  readonly batchId: string;
  readonly bySetMs: number | null;
  readonly measuredMs: number | null;
}

export interface ColdAlarm {
  readonly placeId: string;
  readonly title: string;
  readonly message: string;
  /** Loads that must wait: batch and the moment, s since 1970. */
  readonly waits: readonly { readonly batchId: string; readonly atS: number; readonly byS: number }[];
}

const minuteS = 60;

/** What a place that is or was off does to the doughs in it. */
interface Harm {
  readonly air: PlaceAir;
  readonly inside: readonly InTheCold[];
  readonly waits: ColdAlarm['waits'];
  readonly later: readonly InTheCold[];
  readonly never: readonly InTheCold[];
}

const harmOf = (
  air: PlaceAir,
  items: readonly InTheCold[],
  readiness: readonly Readiness[],
  batches: readonly BatchPlan[],
  nowMs: number,
): Harm => {
  const inside = items.filter(({ placeId }) => placeId === air.place.id);
  const readyOf = (batchId: string) => readiness.find((r) => r.batchId === batchId);
  const firstLoadS = (batchId: string): number | null => {
    const loads = batches.find((batch) => batch.batchId === batchId)?.loads ?? [];
    const starts = loads.map(({ startS }) => startS).filter((s) => s * 1000 > nowMs);
    return starts.length > 0 ? Math.min(...starts) : null;
  };
  return {
    air,
    inside,
    // A tub is portioned before it is loaded, and its pieces cool fast: it is named, but nothing waits for its core.
    waits: inside.flatMap(({ batchId, form }) => {
      if (form === 'tub') return [];
      const measuredMs = readyOf(batchId)?.measuredMs ?? null;
      const loadS = firstLoadS(batchId);
      if (measuredMs === null || loadS === null) return [];
      const atS = Math.ceil(measuredMs / 1000 / minuteS) * minuteS;
      return atS > loadS ? [{ batchId, atS, byS: atS - loadS }] : [];
    }),
    later: inside.filter(({ batchId }) => {
      const ready = readyOf(batchId);
      return ready?.bySetMs != null && ready.measuredMs !== null && ready.measuredMs > nowMs;
    }),
    never: inside.filter(({ batchId }) => {
      const ready = readyOf(batchId);
      return ready !== undefined && ready.bySetMs !== null && ready.measuredMs === null;
    }),
  };
};

const names = (of: readonly { readonly batchId: string }[]) => of.map(({ batchId }) => batchId).join(', ');

/**
 * The one alarm about the cold that matters most: the place that is off by the most, or was off and left dough warm
 * whose load is due, with what that does to the doughs and which loads must wait. Null when all is well.
 */
export const coldAlarm = (
  airs: readonly PlaceAir[],
  items: readonly InTheCold[],
  readiness: readonly Readiness[],
  batches: readonly BatchPlan[],
  rules: Pick<HouseRules, 'coldLimitC'>,
  nowMs: number,
): ColdAlarm | null => {
  const off = ({ airC, place }: PlaceAir) => (airC ?? place.airC) - place.airC;
  const [worst] = airs
    .filter(({ drifting, lastOffMs }) => drifting || lastOffMs !== null)
    .map((air) => harmOf(air, items, readiness, batches, nowMs))
    .filter(({ air, waits, never }) => air.drifting || waits.length > 0 || never.length > 0)
    .sort((a, b) => Number(b.air.drifting) - Number(a.air.drifting) || off(b.air) - off(a.air));
  if (!worst) return null;
  const { air, inside, later, never, waits } = worst;
  const { place } = air;
  const airC = air.airC ?? place.airC;
  const sinceS = air.sinceMs === null ? 0 : (nowMs - air.sinceMs) / 1000;
  const rising = air.perHourK > 0.5 ? ', rising' : air.perHourK < -0.5 ? ', falling again' : '';
  const parts = [
    ...(air.drifting
      ? [
          `Air at ${airC.toFixed(1)} °C instead of ${place.airC} °C${rising}, for ${sayDuration(sinceS)}.`,
          inside.length > 0
            ? `${inside.length} ${inside.length === 1 ? 'dough is' : 'doughs are'} in there.`
            : 'Nothing is in there.',
        ]
      : [`The air is right again (${airC.toFixed(1)} °C), the dough is not yet.`]),
    ...(later.length > 0 ? [`Cold later than planned: ${names(later)}.`] : []),
    ...(never.length > 0 ? [`Not cold, or warm again, while this lasts: ${names(never)}.`] : []),
    ...(airC > rules.coldLimitC && place.kind === 'walk-in'
      ? [
          `That is above the limit of ${rules.coldLimitC} °C for dough with egg: check the doughs with a needle.`,
        ]
      : []),
    ...(air.drifting ? ['Look at the door and the machine.'] : []),
  ];
  return {
    placeId: place.id,
    title: air.drifting ? `${place.name} is too warm` : `${place.name} was too warm`,
    message: parts.join(' '),
    waits,
  };
};
