import { useEffect } from 'react';

/**
 * Keeps the screen on while the page shows: a floor display that sleeps tells nobody anything. Where a browser has no
 * such lock, or refuses it, the screen does as it likes.
 */
export const useKeepAwake = (): void => {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      navigator.wakeLock.request('screen').then(
        (got) => {
          if (gone) void got.release();
          else lock = got;
        },
        () => undefined,
      );
    };
    ask();
    // The lock ends by itself whenever the page is hidden.
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
};
