import { t } from '@lingui/core/macro';
import { toast } from 'sonner';

/** Whether the server answers at all; what a browser or its worker keeps does not count. */
const serverAnswers = (): Promise<boolean> =>
  fetch(`/api/health/live?asked=${Date.now()}`, { cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false,
  );
const pause = (ms: number) => new Promise<void>((resolve) => void setTimeout(resolve, ms));

/** So often it is tried while the server answers: then the file itself is at fault. */
const mostTries = 3;
const longestPauseMs = 5000;
const notice = 'part-on-its-way';
const noticeMs = 8000;

/**
 * A part of the application that is fetched when it is first needed. While the server is away it is waited for, and what is
 * on the screen stays: a press on what was never opened before must not cost the page.
 * @throws what `load` throws, where the server answers and it fails all the same
 */
export const brought = async <T>(
  load: () => Promise<T>,
  answers = serverAnswers,
  wait = pause,
): Promise<T> => {
  let withServer = 0;
  for (let failures = 0; ; failures++) {
    const tried = await load().then(
      (part) => ({ part }),
      (error: unknown) => ({ error }),
    );
    if (!('part' in tried)) {
      if (await answers()) withServer += 1;
      // Said once: it must not lie over the ovens until the server is back.
      else if (failures === 0)
        toast(t`This part of Jokul is not on this device yet. It comes when the server answers again.`, {
          id: notice,
          duration: noticeMs,
        });
      if (withServer < mostTries) {
        await wait(Math.min(longestPauseMs, 300 * 2 ** failures));
        continue;
      }
    }
    if (failures > 0) toast.dismiss(notice);
    if ('part' in tried) return tried.part;
    throw tried.error;
  }
};
