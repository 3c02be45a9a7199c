import { setTimeout as wait } from 'node:timers/promises';

/**
 * Keeps a process up: when it ends by itself it is started again, soon the first time and after growing pauses when it
 * goes on ending; one that stayed up for a while is calm again. After `tries` in a row it is given up.
 * `launch` starts it and returns the child process. `onCode(code)` may take an end for its own: where it answers true, the
 * process is launched again as if it had never run. Returns { child(), stop() }; after stop() it is left alone.
 */
export const keepUp = (
  launch,
  {
    tries = 8,
    firstPauseMs = 250,
    longestPauseMs = 20_000,
    calmMs = 60_000,
    onCode,
    onEnd,
    onGiveUp,
    now = Date.now,
  },
) => {
  let stopped = false;
  let failures = 0;
  let child;
  const run = () => {
    const began = now();
    child = launch();
    child.once('exit', (code, signal) => void again(code, signal, now() - began));
  };
  const again = async (code, signal, upMs) => {
    if (stopped) return;
    if (await onCode?.(code)) {
      failures = 0;
      if (!stopped) run();
      return;
    }
    if (stopped) return;
    failures = upMs >= calmMs ? 1 : failures + 1;
    if (failures > tries) {
      stopped = true;
      onGiveUp?.(code, signal);
      return;
    }
    const pauseMs = Math.min(longestPauseMs, firstPauseMs * 2 ** (failures - 1));
    onEnd?.(code, signal, pauseMs);
    await wait(pauseMs);
    if (!stopped) run();
  };
  run();
  return {
    child: () => child,
    stop: () => {
      stopped = true;
    },
  };
};
