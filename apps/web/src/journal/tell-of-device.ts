import type { TabletInput } from '@jokul/contracts';
import { deviceAheadMs, lastKnownClock } from '../lib/now';
import { usePreferences } from '../lib/preferences';
import { useJournal } from './store';

const everyMs = 60_000;
/** After a change, for more of them to come. */
const settleMs = 3000;

const saying = (leaving: boolean): TabletInput => {
  const { pending, refused } = useJournal.getState();
  return {
    device: usePreferences.getState().device,
    kept: pending.length,
    setAside: refused.length,
    // A clock that was set for a demo is off by its nature.
    clockAheadS: lastKnownClock()?.mode === 'real' ? Math.round(deviceAheadMs() / 1000) : 0,
    ...(leaving && { leaving }),
  };
};

/**
 * Nobody waits for an answer, and what is not heard now is said again in a minute. It is tried also while the server seems away:
 * where only entries do not get through, that is what somebody should see.
 */
const tell = (): void => {
  void fetch('/api/tablets', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(saying(false)),
  }).catch(() => undefined);
};

const tellLeaving = (): void => {
  navigator.sendBeacon?.(
    '/api/tablets',
    new Blob([JSON.stringify(saying(true))], { type: 'application/json' }),
  );
};

/**
 * Says now and then, and when it changes, what waits on this device, so that Setup shows on any other one which tablets are
 * behind.
 * @returns ends it
 */
export const tellOfDevice = (): (() => void) => {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tellSoon = () => {
    clearTimeout(timer);
    timer = setTimeout(tell, settleMs);
  };
  const tellIfSeen = () => {
    if (document.visibilityState === 'visible') tellSoon();
  };
  const repeat = setInterval(tell, everyMs);
  const unsubscribe = useJournal.subscribe((now, before) => {
    if (
      now.connection !== before.connection ||
      now.pending.length !== before.pending.length ||
      now.refused.length !== before.refused.length
    )
      tellSoon();
  });
  document.addEventListener('visibilitychange', tellIfSeen);
  // A page that comes back from the browser's memory is there again.
  window.addEventListener('pageshow', tellSoon);
  window.addEventListener('pagehide', tellLeaving);
  return () => {
    clearTimeout(timer);
    clearInterval(repeat);
    unsubscribe();
    document.removeEventListener('visibilitychange', tellIfSeen);
    window.removeEventListener('pageshow', tellSoon);
    window.removeEventListener('pagehide', tellLeaving);
  };
};
