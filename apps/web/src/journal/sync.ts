import type { DraftEntry, JournalEntry } from '@jokul/core';
import type { AppendView, JournalView } from '@jokul/contracts';
import { ApiProblem, call, get } from '../lib/api';
import { nowMs } from '../lib/clock';
import { refreshRows } from '../lib/queries';
import { allKept, forget, type OutboxItem } from './outbox';
import { addPending, confirmEntries, keepItem, onNewEntry, refuseEntry, useJournal } from './store';

/** How far back the floor looks: lots touched since then, and all that lies in the cold. */
const lookBackMs = 4 * 86_400e3;
const chunk = 50;
const longestPauseMs = 30_000;

let hurry: () => void = () => undefined;
/** Waits, or until something says that it may go better now. */
const pause = (ms: number) =>
  new Promise<void>((resolve) => {
    const timer = setTimeout(resolve, ms);
    hurry = () => {
      clearTimeout(timer);
      resolve();
    };
  });
const growing = (failures: number) => Math.min(longestPauseMs, 300 * 2 ** failures);

/**
 * Whether an answer says that the entry itself is wrong. Nothing else sets work aside: signing in, rights, overload, a
 * conflict, a server or a database that is away pass, and the entry waits.
 */
const entryIsWrong = (error: unknown): error is ApiProblem =>
  error instanceof ApiProblem && (error.status === 400 || error.status === 422);
const tooMuch = (error: unknown): boolean => error instanceof ApiProblem && error.status === 413;

const sendItems = async (items: readonly OutboxItem[]): Promise<void> => {
  const { stored } = await call<AppendView>('POST', 'journal', { entries: items.map((item) => item.entry) });
  const numbers = new Map(stored.map(({ id, seq }) => [id, seq]));
  const taken = items.flatMap(({ entry }) => {
    const seq = numbers.get(entry.id);
    return seq === undefined ? [] : [{ ...entry, seq }];
  });
  confirmEntries(taken);
  await forget(taken.map(({ id }) => id)).catch(() => undefined);
};

const setAside = (item: OutboxItem, problem: ApiProblem): void => {
  const refused = { ...item, refused: problem.message };
  refuseEntry(refused);
  keepItem(refused);
};

/**
 * Sends some; of those that are refused together, the wrong one is found by sending halves, so that it holds up no
 * other. Order is kept. @throws whatever passes by itself
 */
const sendOrSetAside = async (items: readonly OutboxItem[]): Promise<void> => {
  try {
    await sendItems(items);
  } catch (error) {
    const [only] = items;
    if (items.length > 1 && (entryIsWrong(error) || tooMuch(error))) {
      const half = Math.ceil(items.length / 2);
      await sendOrSetAside(items.slice(0, half));
      await sendOrSetAside(items.slice(half));
    } else if (only && (entryIsWrong(error) || tooMuch(error))) setAside(only, error as ApiProblem);
    else throw error;
  }
};

let sending = false;

/** Sends what is pending, in order, until nothing is left; waits longer after each failure. */
const sendOutbox = async (): Promise<void> => {
  if (sending) return;
  sending = true;
  try {
    for (let failures = 0; useJournal.getState().pending.length > 0;) {
      const items = useJournal.getState().pending.slice(0, chunk);
      try {
        await sendOrSetAside(items);
        failures = 0;
      } catch (error) {
        failures += 1;
        if (!(error instanceof ApiProblem) || error.passing) useJournal.setState({ connection: 'away' });
        await pause(growing(failures));
      }
    }
  } finally {
    sending = false;
  }
};

/** Listens from `after` on. Our own confirmed entries may be ahead of the stream, so it counts for itself. */
const listen = (after: number, failures = 0): void => {
  let heard = after;
  let lost = failures;
  const source = new EventSource(`/api/journal/stream?after=${heard}`);
  source.onopen = () => {
    lost = 0;
    useJournal.setState({ connection: 'live' });
    hurry();
    void sendOutbox();
  };
  source.addEventListener('entry', (event) => {
    const entry = JSON.parse(event.data as string) as JournalEntry;
    heard = entry.seq;
    confirmEntries([entry]);
  });
  source.addEventListener('rows', () => void refreshRows());
  source.onerror = () => {
    useJournal.setState({ connection: 'away' });
    // A browser may give up for good after an error status: begin anew from where the journal is.
    source.close();
    setTimeout(() => listen(heard, lost + 1), Math.min(10_000, 1000 * 1.5 ** lost));
  };
};

const loadSnapshot = async (): Promise<number> => {
  for (let failures = 0; ; failures++) {
    try {
      const view = await get<JournalView>(`journal?since=${Math.floor(nowMs() - lookBackMs)}`);
      confirmEntries(view.entries, true);
      return view.lastSeq;
    } catch {
      useJournal.setState({ connection: 'away' });
      await pause(growing(failures));
    }
  }
};

/** What is lost when this page closes: the browser asks before it does. */
const askBeforeLeaving = (event: BeforeUnloadEvent): void => {
  if (useJournal.getState().unkept.size > 0) event.preventDefault();
};

let started = false;
/** Brings the floor to this screen and keeps it there; called once. */
export const startJournal = async (): Promise<void> => {
  if (started) return;
  started = true;
  const kept = await allKept().catch(() => {
    useJournal.setState({ keeps: false });
    return [];
  });
  addPending(kept.filter((item) => item.refused === undefined));
  useJournal.setState({ refused: kept.filter((item) => item.refused !== undefined) });
  onNewEntry(() => void sendOutbox());
  window.addEventListener('online', () => {
    hurry();
    void sendOutbox();
  });
  window.addEventListener('beforeunload', askBeforeLeaving);
  listen(await loadSnapshot());
};

const dropRefused = async (id: string): Promise<void> => {
  useJournal.setState((s) => ({ refused: s.refused.filter((item) => item.entry.id !== id) }));
  await forget([id]).catch(() => undefined);
};

/** Strikes an entry that was set aside: somebody decided that it is not needed. */
export const strikeRefused = dropRefused;

/** Sends an entry that was set aside once more, as it is or with a mended payload. */
export const sendRefused = async (item: OutboxItem, payload: object = item.entry.payload): Promise<void> => {
  await dropRefused(item.entry.id);
  const mended: OutboxItem = { entry: { ...item.entry, payload } as DraftEntry, order: item.order };
  addPending([mended]);
  keepItem(mended);
  void sendOutbox();
};
