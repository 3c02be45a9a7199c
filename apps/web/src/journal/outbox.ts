import { t } from '@lingui/core/macro';
import { createStore, delMany, entries, set, type UseStore } from 'idb-keyval';
import type { DraftEntry } from '@jokul/core';

/** Entries that the server has not confirmed yet, kept in IndexedDB so that no reload loses them. */
export interface OutboxItem {
  readonly entry: DraftEntry;
  /** Counts up on this device: entries are sent in the order in which they were made. */
  readonly order: number;
  /** Why the server found the entry itself wrong, if it did: it waits for a person. */
  readonly refused?: string;
}

/** A store that has not answered by then is as good as none, ms: a press must not wait for it. */
const patienceMs = 4000;

const soon = <T>(work: () => Promise<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error(t`The browser’s store does not answer.`)), patienceMs);
    // Opening may throw at once where the browser forbids its store.
    Promise.resolve()
      .then(work)
      .then(resolve, reject)
      .finally(() => clearTimeout(timer));
  });

let store: UseStore | undefined;
const idb = () => (store ??= createStore('jokul-outbox', 'entries'));

/** @throws where the browser has no store, forbids it, or it is full or does not answer */
export const keep = (item: OutboxItem): Promise<void> => soon(() => set(item.entry.id, item, idb()));

export const forget = (ids: readonly string[]): Promise<void> => soon(() => delMany([...ids], idb()));

export const allKept = async (): Promise<readonly OutboxItem[]> => {
  const kept = await soon(() => entries<string, OutboxItem>(idb()));
  return kept.map(([, item]) => item).sort((a, b) => a.order - b.order);
};
