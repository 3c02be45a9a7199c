import { t } from '@lingui/core/macro';
/* oxlint-disable unicorn/require-post-message-target-origin -- a worker has no origin to name, only a window has */
import { toast } from 'sonner';
import { watchQuiet } from './quiet';

/** How often a new version is looked for, and a quiet moment for it, ms. */
const lookMs = 15 * 60_000;
const quietLookMs = 20_000;
const saidMs = 20_000;

/**
 * Says when a new version is ready, and takes it when somebody says so or at a quiet moment: never in the middle of a weighing,
 * here or in another page of this browser.
 */
export const offerUpdates = async (
  reload = () => location.reload(),
  isQuiet = watchQuiet(),
): Promise<void> => {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker } = navigator;
  /** The new version waits for its turn. */
  let waiting: ServiceWorker | null = null;
  /** It has had its turn, by another page: this one is of the old version until it is loaded anew. */
  let isOld = false;
  let asked = false;
  const take = (): void => {
    asked = true;
    if (isOld) reload();
    else waiting?.postMessage({ type: 'SKIP_WAITING' });
  };
  const say = (): void => {
    toast(t`A new version of Jokul is here.`, {
      id: 'new-version',
      description: t`It comes by itself when nobody works on this page.`,
      // It must not lie over the ovens until then.
      duration: saidMs,
      action: { label: t`Update now`, onClick: take },
    });
  };
  const offer = (next: ServiceWorker): void => {
    waiting = next;
    say();
  };
  // The first worker of a fresh page takes it over too; only a change from one to the next is an update.
  let before = serviceWorker.controller;
  serviceWorker.addEventListener('controllerchange', () => {
    const isUpdate = before !== null;
    before = serviceWorker.controller;
    if (!isUpdate) return;
    if (asked || isQuiet()) return reload();
    isOld = true;
    say();
  });
  setInterval(() => {
    if ((waiting || isOld) && isQuiet()) take();
  }, quietLookMs);
  const registration = await serviceWorker.ready;
  if (registration.waiting && before) offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const next = registration.installing;
    next?.addEventListener('statechange', () => {
      if (next.state === 'installed' && before) offer(next);
    });
  });
  const look = () => void registration.update().catch(() => undefined);
  setInterval(look, lookMs);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && look());
};
