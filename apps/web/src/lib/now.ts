import { useEffect, useState } from 'react';
import type { ClockView } from '@jokul/contracts';

let offsetMs = 0;
let frozenAtMs: number | null = null;

/** Follows the bakery's clock as the server tells it. */
export const setClock = (view: ClockView): void => {
  frozenAtMs = view.mode === 'frozen' ? view.nowMs : null;
  offsetMs = view.nowMs - Date.now();
  for (const look of watchers) look();
};

/** Whoever shows the time looks again when the clock is set, and need not wait for its next tick. */
const watchers = new Set<() => void>();

/** The bakery's now, ms since 1970. */
export const nowMs = (): number => frozenAtMs ?? Date.now() + offsetMs;

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
