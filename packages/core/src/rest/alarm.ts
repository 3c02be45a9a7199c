import type { InTheCold } from '../ledger/index.js';
import type { HouseRules } from '../bakery/index.js';
import type { BatchPlan } from '../planning/index.js';
import { sayDuration, say, counted } from '../shown/index.js';
import type { PlaceAir } from './place-air-now.js';

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

/** The place whose probe says nothing that can be believed, with what must be done by hand meanwhile; null for none. */
const blindAlarm = (
  airs: readonly PlaceAir[],
  items: readonly InTheCold[],
  nowMs: number,
): ColdAlarm | null => {
  const inside = (air: PlaceAir) => items.filter(({ placeId }) => placeId === air.place.id).length;
  const [air] = airs.filter(({ probeAlarm }) => probeAlarm).sort((a, b) => inside(b) - inside(a));
  if (!air) return null;
  const { place, probe, lastReadMs } = air;
  const since =
    lastReadMs === null ? say`for as long as is known` : say`for ${sayDuration((nowMs - lastReadMs) / 1000)}`;
  const doughs = inside(air);
  return {
    placeId: place.id,
    title:
      probe === 'silent'
        ? say`${place.name}: the probe is silent`
        : say`${place.name}: the probe cannot be right`,
    message: [
      say`No reading to go by ${since}.`,
      doughs === 0
        ? say`Nothing is in there.`
        : say`${doughs} ${counted(doughs, 'dough is', 'doughs are')} in there; how cold ${counted(doughs, 'it is', 'they are')} is only assumed.`,
      say`Hang a thermometer in there, write down what it shows, and look at the probe.`,
    ].join(' '),
    waits: [],
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
  if (!worst || !worst.air.drifting) {
    // Nothing is known to be warm; but where nothing is known, nothing is in order.
    const blind = blindAlarm(airs, items, nowMs);
    if (blind) return blind;
  }
  if (!worst) return null;
  const { air, inside, later, never, waits } = worst;
  const { place } = air;
  const airC = air.airC ?? place.airC;
  const sinceS = air.sinceMs === null ? 0 : (nowMs - air.sinceMs) / 1000;
  const [found, placeC, lasts] = [airC.toFixed(1), place.airC, sayDuration(sinceS)];
  const parts = [
    ...(air.drifting
      ? [
          air.perHourK > 0.5
            ? say`Air at ${found} °C instead of ${placeC} °C, rising, for ${lasts}.`
            : air.perHourK < -0.5
              ? say`Air at ${found} °C instead of ${placeC} °C, falling again, for ${lasts}.`
              : say`Air at ${found} °C instead of ${placeC} °C, for ${lasts}.`,
          inside.length > 0
            ? say`${inside.length} ${counted(inside.length, 'dough is', 'doughs are')} in there.`
            : say`Nothing is in there.`,
        ]
      : [say`The air is right again (${airC.toFixed(1)} °C), the dough is not yet.`]),
    ...(later.length > 0 ? [say`Cold later than planned: ${names(later)}.`] : []),
    ...(never.length > 0 ? [say`Not cold, or warm again, while this lasts: ${names(never)}.`] : []),
    ...(airC > rules.coldLimitC && place.kind === 'walk-in'
      ? [
          say`That is above the limit of ${rules.coldLimitC} °C for dough with egg: check the doughs with a needle.`,
        ]
      : []),
    ...(air.drifting ? [say`Look at the door and the machine.`] : []),
  ];
  return {
    placeId: place.id,
    title: air.drifting ? say`${place.name} is too warm` : say`${place.name} was too warm`,
    message: parts.join(' '),
    waits,
  };
};
