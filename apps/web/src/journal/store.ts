import { create } from 'zustand';
import {
  emptyState,
  reduceJournal,
  type DraftEntry,
  type EntryKind,
  type FloorState,
  type JournalEntry,
  type Payloads,
} from '@jokul/core';
import { nowMs } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { keep, type OutboxItem } from './outbox';

export type Connection = 'starting' | 'live' | 'away';

interface JournalStore {
  /** Confirmed entries in journal order. */
  readonly confirmed: readonly JournalEntry[];
  /** Made here, not confirmed yet. */
  readonly pending: readonly OutboxItem[];
  /** Refused for good; shown until somebody has seen it. */
  readonly refused: readonly OutboxItem[];
  /** What all of them make of the floor. */
  readonly floor: FloorState;
  readonly connection: Connection;
  readonly loaded: boolean;
}

export const useJournal = create<JournalStore>()(() => ({
  confirmed: [],
  pending: [],
  refused: [],
  floor: emptyState,
  connection: 'starting',
  loaded: false,
}));

const floorOf = (confirmed: readonly JournalEntry[], pending: readonly OutboxItem[]) =>
  reduceJournal([...confirmed, ...pending.map((item) => item.entry)]);

/** Takes in confirmed entries: those that are new, in order, and drops what was pending of them. */
export const confirmEntries = (entries: readonly JournalEntry[], loaded = false): void => {
  useJournal.setState((s) => {
    const known = new Set(s.confirmed.map((entry) => entry.seq));
    const confirmed = [...s.confirmed, ...entries.filter((entry) => !known.has(entry.seq))].sort(
      (a, b) => a.seq - b.seq,
    );
    const ids = new Set(confirmed.map((entry) => entry.id));
    const pending = s.pending.filter((item) => !ids.has(item.entry.id));
    return { confirmed, pending, floor: floorOf(confirmed, pending), loaded: s.loaded || loaded };
  });
};

export const setPending = (pending: readonly OutboxItem[]): void => {
  useJournal.setState((s) => ({ pending, floor: floorOf(s.confirmed, pending) }));
};

export const refuseEntry = (item: OutboxItem): void => {
  useJournal.setState((s) => {
    const pending = s.pending.filter((p) => p.entry.id !== item.entry.id);
    return { pending, refused: [...s.refused, item], floor: floorOf(s.confirmed, pending) };
  });
};

let wake: () => void = () => undefined;
/** Who sends the outbox; told whenever there is something to send. */
export const onNewEntry = (send: () => void): void => {
  wake = send;
};

/** Writes down that something happened: at once on this screen, and into the journal as soon as the server is there. */
export const record = <K extends EntryKind>(kind: K, lot: string, payload: Payloads[K]): DraftEntry => {
  const { who, device } = usePreferences.getState();
  const entry = {
    id: crypto.randomUUID(),
    atMs: Math.round(nowMs()),
    who,
    device,
    lot,
    kind,
    payload,
  } as DraftEntry;
  const { pending } = useJournal.getState();
  const item: OutboxItem = { entry, order: Date.now() * 1000 + (pending.length % 1000) };
  setPending([...pending, item]);
  keep(item)
    // Without IndexedDB (a private window, a full disk) the entry is still sent, it only would not outlive a reload.
    .catch(() => undefined)
    .finally(() => wake());
  return entry;
};
