import { t } from '@lingui/core/macro';
/* oxlint-disable unicorn/require-post-message-target-origin -- a worker has no origin to name, only a window has */
import { toast } from 'sonner';

/** A page that missed a file of its version is loaded anew, once in this time: an endless reload helps nobody, ms. */
const onceIn = 20_000;
const key = 'jokul-reloaded';

/**
 * After an upgrade an old page may ask for a file that is gone. It is loaded anew by itself, so that nobody has to know
 * how.
 */
export const mendMissingFiles = (): void => {
  window.addEventListener('vite:preloadError', (event) => {
    let last = 0;
    try {
      last = Number(sessionStorage.getItem(key));
      sessionStorage.setItem(key, String(Date.now()));
    } catch {
      // Without a store the error is shown: better than reloading for ever.
      return;
    }
    if (Date.now() - last < onceIn || !navigator.onLine) return;
    event.preventDefault();
    location.reload();
  });
};

const offer = (waiting: ServiceWorker): void => {
  toast(t`A new version of Jokul is here.`, {
    duration: Infinity,
    action: { label: t`Update now`, onClick: () => waiting.postMessage({ type: 'SKIP_WAITING' }) },
  });
};

/** Says when a new version is ready, and takes it when somebody says so: never in the middle of a weighing. */
export const offerUpdates = async (): Promise<void> => {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  // The first worker of a fresh page takes it over too; only a change from one to the next is an update.
  let before = serviceWorker.controller;
  serviceWorker.addEventListener('controllerchange', () => {
    if (before) location.reload();
    before = serviceWorker.controller;
  });
  const registration = await serviceWorker.ready;
  if (registration.waiting && before) offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const next = registration.installing;
    next?.addEventListener('statechange', () => {
      if (next.state === 'installed' && before) offer(next);
    });
  });
  const look = () => void registration.update().catch(() => undefined);
  setInterval(look, 15 * 60_000);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && look());
};
