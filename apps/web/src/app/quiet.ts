import { useJournal } from '../journal/store';

/** A page that nobody touched for so long is not being worked on, ms. */
export const quietMs = 5 * 60_000;

/** What lies on the scale, or was counted so far, is in the page alone, also when nothing was typed. */
const keepsWork = /^\/(?:mix|portion)\b/;

const touches = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;

/**
 * Watches for a quiet moment: nobody touched the page for a while, nothing was typed on it that may not be saved, nobody began
 * to weigh there, nothing is open over it, and no entry lives in this page alone.
 * @returns whether it is one now
 */
export const watchQuiet = (): (() => boolean) => {
  let touchedMs = performance.now();
  let workedOn: string | null = null;
  const touched = () => {
    touchedMs = performance.now();
    if (keepsWork.test(location.pathname)) workedOn = location.pathname;
  };
  for (const kind of touches) window.addEventListener(kind, touched, { capture: true, passive: true });
  window.addEventListener('input', () => (workedOn = location.pathname), { capture: true });
  return () =>
    performance.now() - touchedMs >= quietMs &&
    workedOn !== location.pathname &&
    document.querySelector('[role="dialog"], [role="alertdialog"]') === null &&
    useJournal.getState().unkept.size === 0;
};
