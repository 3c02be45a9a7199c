import { v4 as uuid } from 'uuid';
import { create } from 'zustand';
import {
  emptyState,
  Ledger,
  type DraftEntry,
  type EntryKind,
  type FloorState,
  type JournalEntry,
  type LotRecord,
  type Payloads,
} from '@jokul/core';
import { nowMs } from '../lib/clock';
import { usePreferences } from '../lib/preferences';
import { forget, keep, type OutboxItem } from './outbox';

export type Connection = 'starting' | 'live' | 'away';

interface JournalStore {
  /** Made here, not confirmed yet. */
  readonly pending: readonly OutboxItem[];
  /** The entry itself is wrong: set aside until a person mends, keeps or strikes it. */
  readonly refused: readonly OutboxItem[];
  /**
   * Entries that this browser has not written down yet, or could not: they live in this page alone until it has, or the
   * server has them.
   */
  readonly unkept: ReadonlySet<string>;
  /** Whether this browser keeps entries at all. */
  readonly keeps: boolean;
  /** What was made here or heard since the page was opened, the latest last: pages of other days take it in. */
  readonly session: readonly DraftEntry[];
  /** What all of them make of the floor. */
  readonly floor: FloorState;
  readonly connection: Connection;
  readonly loaded: boolean;
}

export const useJournal = create<JournalStore>()(() => ({
  pending: [],
  refused: [],
  unkept: new Set<string>(),
  keeps: true,
  session: [],
  floor: emptyState,
  connection: 'starting',
  loaded: false,
}));

/**
 * Whether this page knows what was done: before that, a load that went in seems open, and a dough past its window new. Without
 * the server it goes by what this device knew last.
 */
export const useFloorKnown = (): boolean => useJournal((s) => s.loaded || s.connection === 'away');

let ledger = new Ledger();

/** So many are enough for what somebody measures while a page is open; a working day stays level. */
const mostOfSession = 500;
const withSession = (
  session: readonly DraftEntry[],
  entries: readonly DraftEntry[],
): readonly DraftEntry[] => {
  const known = new Set(session.map(({ id }) => id));
  const fresh = entries.filter(({ id }) => !known.has(id));
  return fresh.length === 0 ? session : [...session, ...fresh].slice(-mostOfSession);
};

/** Takes in confirmed entries, and drops what was pending of them. */
export const confirmEntries = (
  confirmed: readonly (DraftEntry & Pick<JournalEntry, 'seq'>)[],
  loaded = false,
): void => {
  for (const { seq, ...entry } of confirmed) ledger.put(entry, seq);
  const ids = new Set(confirmed.map((entry) => entry.id));
  useJournal.setState((s) => ({
    pending: s.pending.some((item) => ids.has(item.entry.id))
      ? s.pending.filter((item) => !ids.has(item.entry.id))
      : s.pending,
    unkept: new Set([...s.unkept].filter((id) => !ids.has(id))),
    session: loaded ? s.session : withSession(s.session, confirmed),
    floor: ledger.floor(),
    loaded: s.loaded || loaded,
  }));
};

/** @param kept whether the browser has written them down already */
export const addPending = (items: readonly OutboxItem[], kept = false): void => {
  for (const { entry } of items) ledger.put(entry);
  useJournal.setState((s) => ({
    pending: [...s.pending, ...items],
    unkept: kept ? s.unkept : new Set([...s.unkept, ...items.map(({ entry }) => entry.id)]),
    session: withSession(
      s.session,
      items.map(({ entry }) => entry),
    ),
    floor: ledger.floor(),
  }));
};

/** Sets an entry aside that the server found wrong: it has no effect any more. */
export const refuseEntry = (item: OutboxItem): void => {
  ledger.remove(item.entry.id);
  useJournal.setState((s) => ({
    pending: s.pending.filter((p) => p.entry.id !== item.entry.id),
    refused: [...s.refused, item],
    floor: ledger.floor(),
  }));
};

/** Lets go of all that was confirmed, and keeps what is pending: the server's ledger is another one now. */
export const forgetConfirmed = (): void => {
  ledger = new Ledger();
  const { pending } = useJournal.getState();
  for (const { entry } of pending) ledger.put(entry);
  useJournal.setState({ session: pending.map(({ entry }) => entry), floor: ledger.floor() });
};

/** Begins anew, for tests. */
export const resetJournal = (): void => {
  ledger = new Ledger();
  useJournal.setState({
    pending: [],
    refused: [],
    unkept: new Set(),
    keeps: true,
    session: [],
    floor: emptyState,
    connection: 'starting',
    loaded: false,
  });
};

let wake: () => void = () => undefined;
/** Who sends the outbox; told whenever there is something to send. */
export const onNewEntry = (send: () => void): void => {
  wake = send;
};

let pin: (lot: string) => LotRecord | null = () => null;
/** Who knows what a lot is that is begun now. */
export const onBegin = (record: (lot: string) => LotRecord | null): void => {
  pin = record;
};

/** What is said of a lot without working on it. */
const aside: readonly EntryKind[] = ['begun', 'note', 'struck', 'inspected'];

/** Text that was cut within a letter loses its half: no server could keep that, and a press must not fail by it. */
const wholeLetters = <T>(value: T): T =>
  JSON.parse(
    JSON.stringify(value, (_, part: unknown) =>
      typeof part === 'string' ? part.replace(/\p{Surrogate}/gu, '') : part,
    ),
  ) as T;

let order = 0;
const itemOf = (kind: EntryKind, lot: string, payload: object): OutboxItem => {
  const { who, device } = usePreferences.getState();
  const entry = wholeLetters({ id: uuid(), atMs: Math.round(nowMs()), who, device, lot, kind, payload });
  // Counts up also within one millisecond, and over a clock that was put back while the page is open.
  order = Math.max(order + 1, Date.now() * 1000);
  return { entry: entry as DraftEntry, order };
};

const without = (ids: ReadonlySet<string>, id: string): ReadonlySet<string> =>
  ids.has(id) ? new Set([...ids].filter((one) => one !== id)) : ids;

/** Keeps an item on the device; where the browser cannot, that is said and the entry goes to the server all the same. */
export const keepItem = (item: OutboxItem): void => {
  const { id } = item.entry;
  const waits = ({ pending, refused }: JournalStore) =>
    [...pending, ...refused].some(({ entry }) => entry.id === id);
  keep(item).then(
    async () => {
      useJournal.setState(({ unkept }) => ({ unkept: without(unkept, id) }));
      // Confirmed before it was written: what is in the ledger need not stay here.
      if (!waits(useJournal.getState())) await forget([id]).catch(() => undefined);
    },
    () =>
      useJournal.setState((s) => ({
        keeps: false,
        unkept: waits(s) ? new Set(s.unkept).add(id) : without(s.unkept, id),
      })),
  );
};

/**
 * Writes down that something happened: at once on this screen, and into the ledger as soon as the server is there. The
 * first work on a lot pins what the lot is.
 */
export const record = <K extends EntryKind>(kind: K, lot: string, payload: Payloads[K]): DraftEntry => {
  const begun = aside.includes(kind) || useJournal.getState().floor.lots.get(lot)?.begun ? null : pin(lot);
  const item = itemOf(kind, lot, payload);
  const items = [...(begun ? [itemOf('begun', lot, begun)] : []), item];
  // The record stands before the work, though it was made after it.
  if (items.length === 2 && items[0]) items.splice(0, 2, { ...items[0], order: item.order - 0.5 }, item);
  addPending(items);
  items.forEach(keepItem);
  wake();
  return item.entry;
};
