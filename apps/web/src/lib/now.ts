import { useEffect, useState } from 'react';
import type { ClockView } from '@jokul/contracts';
import { get } from './api';

/**
 * The bakery's time at one moment of this page. It goes on by the page's own stopwatch: a device clock that is put
 * forward or back while the page is open moves nothing.
 */
interface Anchor {
  readonly bakeryMs: number;
  readonly atMs: number;
}
const stopwatch = () => performance.now();
let anchor: Anchor = { bakeryMs: Date.now(), atMs: stopwatch() };
let frozenAtMs: number | null = null;

/** Whoever shows the time looks again when the clock is set, and need not wait for its next tick. */
const watchers = new Set<() => void>();

const storeKey = 'jokul-clock';
interface Kept {
  readonly mode: ClockView['mode'];
  readonly offsetMs: number;
  readonly frozenAtMs: number;
}

/** Follows the bakery's clock as the server tells it, and keeps how far this device is off for a start without it. */
export const setClock = (view: ClockView): void => {
  frozenAtMs = view.mode === 'frozen' ? view.nowMs : null;
  anchor = { bakeryMs: view.nowMs, atMs: stopwatch() };
  const kept: Kept = { mode: view.mode, offsetMs: view.nowMs - Date.now(), frozenAtMs: view.nowMs };
  try {
    localStorage.setItem(storeKey, JSON.stringify(kept));
  } catch {
    // A browser that keeps nothing starts by its own clock.
  }
  for (const look of watchers) look();
};

/** The clock as this device last knew it; null when it never did. */
export const lastKnownClock = (): ClockView | null => {
  try {
    const kept = JSON.parse(localStorage.getItem(storeKey) ?? 'null') as Kept | null;
    if (!kept || !Number.isFinite(kept.offsetMs)) return null;
    return { mode: kept.mode, nowMs: kept.mode === 'frozen' ? kept.frozenAtMs : Date.now() + kept.offsetMs };
  } catch {
    return null;
  }
};

/** An answer that was longer on its way (a device that slept meanwhile) says nothing of the way back, ms. */
const longestWayMs = 2000;

/** Asks the server for its clock, half of the way there and back taken off. @throws ApiProblem */
export const askClock = async (): Promise<ClockView> => {
  const asked = stopwatch();
  const view = await get<ClockView>('clock');
  const wayMs = stopwatch() - asked;
  return view.mode === 'frozen' || wayMs > longestWayMs ? view : { ...view, nowMs: view.nowMs + wayMs / 2 };
};

/** Measures the clock anew; while the server is away it stays as it is. */
export const remeasureClock = (): Promise<void> => askClock().then(setClock, () => undefined);

const everyMs = 5 * 60_000;
/** Sleep stops the stopwatch of some devices: on waking the device's own clock counts, until the server answers. */
const woke = (): void => {
  if (document.visibilityState !== 'visible') return;
  const known = lastKnownClock();
  if (known && known.nowMs > nowMs() + 2000) {
    anchor = { bakeryMs: known.nowMs, atMs: stopwatch() };
    for (const look of watchers) look();
  }
  void remeasureClock();
};

/** Keeps the clock measured for as long as the page is open. */
export const followClock = (): void => {
  setInterval(() => void remeasureClock(), everyMs);
  document.addEventListener('visibilitychange', woke);
  window.addEventListener('online', () => void remeasureClock());
};

/** The bakery's now, ms since 1970. */
export const nowMs = (): number => frozenAtMs ?? anchor.bakeryMs + stopwatch() - anchor.atMs;

/** How far the clock of this device is before the bakery's just now, ms; behind it is less than 0. */
export const deviceAheadMs = (): number => Date.now() - nowMs();

/** The bakery's now, renewed every `everyMs`. */
export const useNow = (everyMs = 1000): number => {
  const [now, setNow] = useState(nowMs);
  useEffect(() => {
    const look = () => setNow(nowMs());
    const timer = setInterval(look, everyMs);
    watchers.add(look);
    look();
    return () => {
      clearInterval(timer);
      watchers.delete(look);
    };
  }, [everyMs]);
  return now;
};
