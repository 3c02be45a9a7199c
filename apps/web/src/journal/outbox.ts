import { createStore, delMany, entries, set, type UseStore } from 'idb-keyval';
import type { DraftEntry } from '@jokul/core';

/** Entries that the server has not confirmed yet, kept in IndexedDB so that no reload loses them. */
export interface OutboxItem {
  readonly entry: DraftEntry;
  /** Counts up on this device: entries are sent in the order in which they were made. */
  readonly order: number;
  /** Why the server refused it for good, if it did. */
  readonly refused?: string;
}

let store: UseStore | undefined;
const idb = () => (store ??= createStore('jokul-outbox', 'entries'));

export const keep = (item: OutboxItem): Promise<void> => set(item.entry.id, item, idb());

export const forget = (ids: readonly string[]): Promise<void> => delMany([...ids], idb());

export const allKept = async (): Promise<readonly OutboxItem[]> => {
  const kept = await entries<string, OutboxItem>(idb());
  return kept.map(([, item]) => item).sort((a, b) => a.order - b.order);
};
