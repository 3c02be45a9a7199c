import { setPriority } from 'node:os';
import { isMainThread } from 'node:worker_threads';

/**
 * The floor comes first: a thread that computes takes what of the processors the others leave. On Linux this is of the
 * thread alone; elsewhere it would be of the whole server, and all stay alike.
 */
export const stepBack = (): void => {
  if (isMainThread || process.platform !== 'linux') return;
  try {
    setPriority(0, 10);
  } catch {
    // Where nobody may say so it goes without.
  }
};
