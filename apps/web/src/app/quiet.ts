import { useJournal } from '../journal/store';

/** A page that nobody touched for so long is not being worked on, ms. */
export const quietMs = 5 * 60_000;

const touches = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;

/**
 * Watches for a quiet moment: nobody touched the page for a while, nothing was typed on it that may not be saved, nothing is
 * open over it, and no entry lives in this page alone.
 * @returns whether it is one now
 */
export const watchQuiet = (): (() => boolean) => {
  let touchedMs = performance.now();
  let typedOn: string | null = null;
  const touched = () => {
    touchedMs = performance.now();
  };
  for (const kind of touches) window.addEventListener(kind, touched, { capture: true, passive: true });
  window.addEventListener('input', () => (typedOn = location.pathname), { capture: true });
  return () =>
    performance.now() - touchedMs >= quietMs &&
    typedOn !== location.pathname &&
    document.querySelector('[role="dialog"], [role="alertdialog"]') === null &&
    useJournal.getState().unkept.size === 0;
};
