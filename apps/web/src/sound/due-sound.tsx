import { useEffect, useRef } from 'react';
import { useActionsOf } from '../line/actions';
import { useColdAlarm } from '../line/cold-alarm';
import { useNow } from '../lib/clock';
import { useToday } from '../lib/queries';
import { chime, closeSound, openSound } from './chime';
import { dueSounds } from './due-sounds';

/** Of all pages of one browser one sounds; where a browser has no locks, each does. */
const useIsTheOne = () => {
  const one = useRef(!('locks' in navigator));
  useEffect(() => {
    if (!('locks' in navigator)) return;
    const gone = new AbortController();
    let letGo = () => undefined as void;
    navigator.locks
      .request('jokul-sound', { signal: gone.signal }, () => {
        one.current = true;
        return new Promise<void>((resolve) => {
          letGo = resolve;
        });
      })
      .catch(() => undefined);
    return () => {
      one.current = false;
      gone.abort();
      letGo();
    };
  }, []);
  return one;
};

const SoundOf = ({ date }: { readonly date: string }) => {
  const actions = useActionsOf(date);
  const coldSinceMs = useColdAlarm((s) => s.sinceMs);
  const now = useNow(1000);
  const heard = useRef<ReadonlySet<string> | null>(null);
  const one = useIsTheOne();
  useEffect(() => {
    void openSound();
    const touched = () => void openSound();
    window.addEventListener('pointerdown', touched);
    window.addEventListener('keydown', touched);
    return () => {
      window.removeEventListener('pointerdown', touched);
      window.removeEventListener('keydown', touched);
      closeSound();
    };
  }, []);
  useEffect(() => {
    // Nothing is known of the floor yet: what comes with the first answer was due before.
    if (actions.length === 0 && heard.current === null) return;
    const { keys, play } = dueSounds(actions, coldSinceMs, now, heard.current);
    heard.current = keys;
    if (play && one.current) chime(play);
  }, [actions, coldSinceMs, now, one]);
  return null;
};

/**
 * Sounds what falls due today, on every page and whichever day is looked at, also without the network: what is due is
 * reckoned on the device.
 */
export const DueSound = () => {
  const today = useToday();
  // A new day begins with what is open of it: that is seen, not heard.
  return today === undefined ? null : <SoundOf key={today} date={today} />;
};
