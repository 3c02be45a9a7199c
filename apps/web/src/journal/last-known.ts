import { createStore, entries, promisifyRequest, type UseStore } from 'idb-keyval';
import type { DraftEntry, JournalEntry } from '@jokul/core';

/**
 * What the server confirmed, kept on the device by its number, so that a page that is opened without the server shows the
 * floor as it was last known. Never a source of truth: whatever the server says goes before it.
 */
export type Confirmed = DraftEntry & Pick<JournalEntry, 'seq'>;

let store: UseStore | undefined;
const idb = () => (store ??= createStore('jokul-last-known', 'entries'));

/** What lies so far behind the newest number is let go: a display that is never reloaded stays level for years. */
const most = 20_000;

/** All at once, in place of what was there. */
export const replaceKnown = async (confirmed: readonly Confirmed[]): Promise<void> =>
  idb()('readwrite', (rows) => {
    rows.clear();
    for (const entry of confirmed) rows.put(entry, entry.seq);
    return promisifyRequest(rows.transaction);
  });

export const addKnown = async (confirmed: readonly Confirmed[]): Promise<void> =>
  idb()('readwrite', (rows) => {
    for (const entry of confirmed) rows.put(entry, entry.seq);
    const newest = confirmed.at(-1)?.seq ?? 0;
    if (newest > most) rows.delete(IDBKeyRange.upperBound(newest - most));
    return promisifyRequest(rows.transaction);
  });

/** What is known beyond a number: nothing, as long as the server has all that this device ever heard of. */
export const knownAfter = async (seq: number): Promise<readonly Confirmed[]> =>
  idb()('readonly', (rows) => promisifyRequest<Confirmed[]>(rows.getAll(IDBKeyRange.lowerBound(seq, true))));

/** The highest number that is known here; 0 where none is. */
export const newestKnown = async (): Promise<number> =>
  idb()('readonly', async (rows) => {
    const cursor = await promisifyRequest(rows.openKeyCursor(null, 'prev'));
    return typeof cursor?.key === 'number' ? cursor.key : 0;
  });

/** In the order of their numbers. */
export const allKnown = async (): Promise<readonly Confirmed[]> => {
  const known = await entries<number, Confirmed>(idb());
  return known.map(([, entry]) => entry).sort((a, b) => a.seq - b.seq);
};

/** What the service worker keeps of the bakery's pages (see `vite.config.ts`). */
const pagesCache = 'last-known';
/** Another bakery's days and formulas must not stand in for this one's when the server is slow or away. */
export const forgetPages = async (): Promise<void> => {
  if ('caches' in globalThis) await caches.delete(pagesCache);
};

const ledgerKey = 'jokul-ledger';
/** The ledger that all of it is of; empty while none is known. */
export const knownLedger = (): string => {
  try {
    return localStorage.getItem(ledgerKey) ?? '';
  } catch {
    return '';
  }
};
export const setKnownLedger = (id: string): void => {
  try {
    localStorage.setItem(ledgerKey, id);
  } catch {
    // A browser that keeps nothing has nothing of another ledger either.
  }
};
