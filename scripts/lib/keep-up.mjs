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

/**
 * Does something that may go well later, such as on a disk that is full now: at once, then after each of the pauses.
 * @param onFailure called with the error and the pause that follows, ms
 * @param over nobody wants it any more
 * @returns what it comes to, or undefined when it is over
 * @throws the last error, when it never went well
 */
export const tryAgain = async (
  work,
  { pausesMs = [1000, 3000, 10_000, 30_000, 60_000], onFailure, over } = {},
) => {
  for (let i = 0; !over?.aborted; i++) {
    try {
      return await work();
    } catch (error) {
      if (i >= pausesMs.length) throw error;
      onFailure?.(error, pausesMs[i]);
      await wait(pausesMs[i], undefined, { signal: over }).catch(() => undefined);
    }
  }
  return undefined;
};
