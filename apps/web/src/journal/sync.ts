import type { AppendView, JournalView } from '@jokul/contracts';
import type { JournalEntry } from '@jokul/core';
import { ApiProblem, call, get } from '../lib/api';
import { nowMs } from '../lib/clock';
import { refreshRows } from '../lib/queries';
import { allKept, forget, keep } from './outbox';
import { confirmEntries, onNewEntry, refuseEntry, setPending, useJournal } from './store';

/** How far back the floor looks: lots touched since then, and all that lies in the cold. */
const lookBackMs = 4 * 86_400e3;
const chunk = 50;

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

let sending = false;
let again = false;

/** Sends what is pending, in order, until nothing is left; waits longer after each failure. */
const sendOutbox = async (): Promise<void> => {
  if (sending) {
    again = true;
    return;
  }
  sending = true;
  try {
    for (let failures = 0; useJournal.getState().pending.length > 0;) {
      const batch = useJournal.getState().pending.slice(0, chunk);
      try {
        const { stored } = await call<AppendView>('POST', 'journal', {
          entries: batch.map((item) => item.entry),
        });
        failures = 0;
        await forget(stored.map(({ id }) => id)).catch(() => undefined);
        const numbers = new Map(stored.map(({ id, seq }) => [id, seq]));
        // Hashes come with the stream; for the floor the number is enough.
        confirmEntries(
          batch.map((item) => ({
            ...item.entry,
            seq: numbers.get(item.entry.id) ?? 0,
            prevHash: '',
            hash: '',
          })),
        );
      } catch (error) {
        if (error instanceof ApiProblem && !error.passing) {
          await refuseOneByOne(batch.length, error);
          continue;
        }
        failures += 1;
        useJournal.setState({ connection: 'away' });
        await pause(Math.min(5000, 300 * 2 ** failures));
      }
    }
  } finally {
    sending = false;
  }
  if (again) {
    again = false;
    await sendOutbox();
  }
};

/** One bad entry must not hold up the others: they are sent singly, and the bad one is set aside with the reason. */
const refuseOneByOne = async (count: number, first: ApiProblem): Promise<void> => {
  for (const item of useJournal.getState().pending.slice(0, count)) {
    try {
      const { stored } = await call<AppendView>('POST', 'journal', { entries: [item.entry] });
      await forget([item.entry.id]).catch(() => undefined);
      confirmEntries([{ ...item.entry, seq: stored[0]?.seq ?? 0, prevHash: '', hash: '' }]);
    } catch (error) {
      const problem = error instanceof ApiProblem ? error : first;
      if (problem.passing) return;
      const refused = { ...item, refused: problem.message };
      await keep(refused).catch(() => undefined);
      refuseEntry(refused);
    }
  }
};

/** Listens from `after` on. Our own confirmed entries may be ahead of the stream, so it counts for itself. */
const listen = (after: number): void => {
  let heard = after;
  const source = new EventSource(`/api/journal/stream?after=${heard}`);
  source.onopen = () => {
    useJournal.setState({ connection: 'live' });
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
    setTimeout(() => listen(heard), 1000);
  };
};

const loadSnapshot = async (): Promise<number> => {
  for (;;) {
    try {
      const view = await get<JournalView>(`journal?since=${Math.floor(nowMs() - lookBackMs)}`);
      confirmEntries(view.entries, true);
      return view.lastSeq;
    } catch {
      useJournal.setState({ connection: 'away' });
      await pause(1000);
    }
  }
};

let started = false;
/** Brings the floor to this screen and keeps it there; called once. */
export const startJournal = async (): Promise<void> => {
  if (started) return;
  started = true;
  const kept = await allKept().catch(() => []);
  setPending(kept.filter((item) => item.refused === undefined));
  useJournal.setState({ refused: kept.filter((item) => item.refused !== undefined) });
  onNewEntry(() => void sendOutbox());
  window.addEventListener('online', () => void sendOutbox());
  listen(await loadSnapshot());
};

/** Puts a refused entry away after somebody has read why. */
export const dismissRefused = async (id: string): Promise<void> => {
  await forget([id]).catch(() => undefined);
  useJournal.setState((s) => ({ refused: s.refused.filter((item) => item.entry.id !== id) }));
};
