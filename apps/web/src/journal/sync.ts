import { t } from '@lingui/core/macro';
import { sameLedger, type DraftEntry } from '@jokul/core';
import type { AppendView, JournalView } from '@jokul/contracts';
import { ApiProblem, call, get } from '../lib/api';
import { nowMs } from '../lib/clock';
import { refreshRows } from '../lib/queries';
import { allKept, forget, type OutboxItem } from './outbox';
import {
  addKnown,
  allKnown,
  forgetPages,
  knownAfter,
  knownLedger,
  newestKnown,
  replaceKnown,
  setKnownLedger,
  type Confirmed,
} from './last-known';
import {
  addPending,
  confirmEntries,
  forgetConfirmed,
  keepItem,
  onNewEntry,
  refuseEntry,
  useJournal,
} from './store';
import { heardSeq, hearFrom, listen } from './stream';

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

/** The ledger that this page follows: the server's first link of the chain. */
let ledger = '';

const sendItems = async (items: readonly OutboxItem[]): Promise<void> => {
  const { stored } = await call<AppendView>('POST', 'journal', {
    entries: items.map((item) => item.entry),
    // Another bakery may have opened at this address, and we do not know it yet.
    ledger: ledger || knownLedger(),
  });
  const numbers = new Map(stored.map(({ id, seq }) => [id, seq]));
  const taken = items.flatMap(({ entry }) => {
    const seq = numbers.get(entry.id);
    return seq === undefined ? [] : [{ ...entry, seq }];
  });
  // An answer that names none of them must not be asked for again at once, for ever.
  if (taken.length === 0) throw new Error(t`The server took none of the entries, and refused none.`);
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

/** What the server confirmed since the last write; written together, so that a stream of entries is one write. */
let fresh: Confirmed[] = [];
let writing: ReturnType<typeof setTimeout> | undefined;
const keepKnown = (entry: Confirmed): void => {
  fresh.push(entry);
  writing ??= setTimeout(() => {
    writing = undefined;
    const some = fresh;
    fresh = [];
    void addKnown(some).catch(() => undefined);
  }, 500);
};

/** The floor as this device last knew it, while the server is away. */
const showLastKnown = async (): Promise<void> => {
  const known = await allKnown().catch(() => []);
  // The server may have answered while this browser looked.
  if (known.length > 0 && !useJournal.getState().loaded) confirmEntries(known, true);
};

/** Without an answer for so long, as with none at all, the floor is shown as it was last known. */
const patienceMs = 4000;
const showMeanwhile = async (): Promise<void> => {
  useJournal.setState({ connection: 'away' });
  if (!useJournal.getState().loaded) await showLastKnown();
};

const setBack = t`The server no longer has this: its records were set back to an earlier copy. Send it again, or strike it.`;
const otherBooks = t`It was made for records that the server no longer has. Send it only if it belongs here.`;
const asideWith = (reason: string, items: readonly OutboxItem[]): void => {
  const known = new Set(useJournal.getState().refused.map(({ entry }) => entry.id));
  for (const item of items.filter(({ entry }) => !known.has(entry.id))) {
    const refused = { ...item, refused: reason };
    refuseEntry(refused);
    keepItem(refused);
  }
};

/**
 * Lets go of what this device knows of another ledger. Only when that is gone is what it knows said to be of this one: a
 * page that is closed meanwhile, or cannot write, must not take another bakery's entries for lost here.
 */
const forgetKnown = (id: string): Promise<void> =>
  replaceKnown([]).then(
    () => setKnownLedger(id),
    () => undefined,
  );

/**
 * Whether the server's ledger is another one than this device follows, or shorter than what it knows: the demo was begun
 * anew, another bakery opened at the same address, a copy restored. Then what was confirmed counts no more, and what only
 * this device knows is set aside for a person to decide.
 * @param lastSeq the server's, as it answered
 * @param knewSeq the highest that was known here when it was asked: what came since says nothing of its answer
 */
const ledgerChanged = async (id: string, lastSeq: number, knewSeq: number): Promise<boolean> => {
  const followed = ledger || knownLedger();
  ledger = id;
  if (!sameLedger(followed, id)) {
    forgetConfirmed();
    // At once: a bakery without an entry has no name of its own yet, and must not look like this one set back.
    fresh = [];
    await forgetKnown(id);
    await forgetPages().catch(() => undefined);
    hearFrom(lastSeq);
    asideWith(otherBooks, useJournal.getState().pending);
    return true;
  }
  if (!sameLedger(knownLedger(), id)) {
    await forgetKnown(id);
    return false;
  }
  setKnownLedger(id);
  if (knewSeq <= lastSeq) return false;
  const ahead = (await knownAfter(lastSeq).catch(() => [])).filter(({ seq }) => seq <= knewSeq);
  forgetConfirmed();
  asideWith(
    setBack,
    ahead.map(({ seq, ...entry }) => ({ entry, order: seq })),
  );
  return true;
};

const followLedger = async (id: string, lastSeq: number): Promise<void> => {
  // A stream begins with its hello: all that was heard so far is older.
  if (!(await ledgerChanged(id, lastSeq, heardSeq()))) return;
  hearFrom(lastSeq);
  await loadSnapshot();
  void refreshRows();
};

const loadSnapshot = async (): Promise<number> => {
  for (let failures = 0; ; failures++) {
    const late = setTimeout(() => {
      if (!useJournal.getState().loaded) void showMeanwhile();
    }, patienceMs);
    try {
      const knewSeq = Math.max(heardSeq(), await newestKnown().catch(() => 0));
      const view = await get<JournalView>(`journal?since=${Math.floor(nowMs() - lookBackMs)}`);
      // Before what is known here is replaced by what the server knows.
      await ledgerChanged(view.ledger, view.lastSeq, knewSeq);
      confirmEntries(view.entries, true);
      void replaceKnown(view.entries).catch(() => undefined);
      return view.lastSeq;
    } catch {
      await showMeanwhile();
      await pause(growing(failures));
    } finally {
      clearTimeout(late);
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
  addPending(
    kept.filter((item) => item.refused === undefined),
    true,
  );
  useJournal.setState({ refused: kept.filter((item) => item.refused !== undefined) });
  onNewEntry(() => void sendOutbox());
  window.addEventListener('online', () => {
    hurry();
    void sendOutbox();
  });
  window.addEventListener('beforeunload', askBeforeLeaving);
  listen(await loadSnapshot(), {
    entry: (entry) => {
      confirmEntries([entry]);
      keepKnown(entry);
    },
    rows: () => void refreshRows(),
    connection: (connection) => {
      useJournal.setState({ connection });
      if (connection === 'away') return;
      hurry();
      void sendOutbox();
    },
    ledger: (id, lastSeq) => void followLedger(id, lastSeq),
  });
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
