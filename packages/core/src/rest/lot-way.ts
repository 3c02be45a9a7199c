import type { LotState, NeedleCore } from '../ledger/index.js';
import { tubHoldsG } from '../planning/index.js';
import type { DoughForm, Place, WayStretch } from '../thermal/index.js';
import { airSince } from './followed.js';
import type { AirReading } from './simulated-probe.js';

/** What to ask of a lot that is about to be loaded. */
export interface LotWay {
  /** Of the mixed dough, of the core that was measured last, or as it was put away again, °C. */
  readonly startC: number;
  readonly way: readonly WayStretch[];
  /** What it begins from. */
  readonly from: 'mixed' | 'measured';
  /** Whether the air was assumed somewhere, since no probe told it. */
  readonly assumed: boolean;
}

interface Stretch {
  readonly placeId: string | null;
  readonly form: DoughForm;
  readonly cover: 'open' | 'covered';
  readonly massG: number;
  readonly fromMs: number;
  readonly toMs: number;
}

/** Whether it lay somewhere as pieces: then it was portioned, though nobody wrote that down. */
const wasPieces = (lot: LotState): boolean => lot.stays.some(({ form }) => form !== 'tub');

/** What lies between two moments, parted where the dough was portioned. */
const between = (
  lot: LotState,
  rest: Omit<Stretch, 'form' | 'fromMs' | 'toMs'>,
  form: DoughForm,
  fromMs: number,
  toMs: number,
): readonly Stretch[] => {
  const at = lot.portioned?.atMs ?? (wasPieces(lot) ? fromMs : toMs);
  if (toMs <= fromMs) return [];
  if (form !== 'pieces' || at <= fromMs) return [{ ...rest, form, fromMs, toMs }];
  const tub: Stretch = { ...rest, form: 'tub', fromMs, toMs: Math.min(at, toMs) };
  return at >= toMs ? [tub] : [tub, { ...rest, form: 'pieces', fromMs: at, toMs }];
};

const stretchesOf = (lot: LotState, fromMs: number, nowMs: number): readonly Stretch[] => {
  const massG = lot.mixed?.massG ?? lot.begun?.massG ?? tubHoldsG;
  const onBench = { placeId: null, cover: 'open' as const, massG };
  const stretches: Stretch[] = [];
  let lastMs = fromMs;
  for (const { placeId, form, cover, massG: inside, atMs, outMs } of lot.stays) {
    const leftMs = Math.min(outMs ?? nowMs, nowMs);
    stretches.push(...between(lot, onBench, 'pieces', lastMs, Math.min(atMs, nowMs)));
    const start = Math.max(lastMs, atMs);
    if (leftMs > start) stretches.push({ placeId, form, cover, massG: inside, fromMs: start, toMs: leftMs });
    lastMs = Math.max(lastMs, leftMs);
  }
  stretches.push(...between(lot, onBench, 'pieces', lastMs, nowMs));
  return stretches;
};

/** The last core that was measured, in a place or at the bench. */
const lastCore = (lot: LotState): NeedleCore | null => {
  const cores: NeedleCore[] = lot.stays.flatMap(({ cores: own }) => [...own]);
  const dough = lot.measured.get('dough');
  if (dough && lot.mixed && dough.atMs > lot.mixed.atMs) cores.push(dough);
  return cores.sort((a, b) => a.atMs - b.atMs).at(-1) ?? null;
};

/**
 * When it was put away again last, and how warm it was then: typed by whoever did, or computed up to there. What an older
 * Jokul wrote there was the dough as it was mixed, and says nothing.
 */
const lastGoingIn = ({
  stays,
  mixed,
}: LotState): { readonly atMs: number; readonly temperatureC: number } | null => {
  const again = stays
    .slice(1)
    .findLast(({ startC }) => startC !== mixed?.doughC && startC !== stays[0]?.startC);
  return again ? { atMs: again.atMs, temperatureC: again.startC } : null;
};

/**
 * The way of a lot from the mixer, or from the last core that was measured, up to now: where it lay, in which form, in
 * which air. Null while nobody wrote down that it was mixed.
 * @param readingsOf what the probe of a place saw
 */
export const lotWay = (
  lot: LotState,
  places: readonly Place[],
  readingsOf: (placeId: string) => readonly AirReading[],
  nowMs: number,
): LotWay | null => {
  const measured = lastCore(lot);
  const again = lastGoingIn(lot);
  const known = again && again.atMs > (measured?.atMs ?? 0) ? again : measured;
  const first = known ?? lot.mixed ?? lot.stays[0];
  const startC = known?.temperatureC ?? lot.mixed?.doughC ?? lot.stays[0]?.startC;
  const bench = places.find(({ kind }) => kind === 'bench');
  if (!first || startC === undefined || !bench) return null;
  let assumed = false;
  const way = stretchesOf(lot, first.atMs, nowMs).map((stretch): WayStretch => {
    const place = places.find(({ id }) => id === stretch.placeId) ?? bench;
    const told =
      place.kind === 'bench' ? null : airSince(place, readingsOf(place.id), stretch.fromMs, stretch.toMs);
    if (told?.assumed) assumed = true;
    return {
      form: stretch.form,
      massG: Math.min(tubHoldsG, Math.max(500, stretch.massG)),
      place,
      cover: stretch.cover,
      durationS: (stretch.toMs - stretch.fromMs) / 1000,
      ...(told && told.measured.length > 0 && { measured: told.measured }),
    };
  });
  return { startC, way, from: known && known === measured ? 'measured' : 'mixed', assumed };
};
