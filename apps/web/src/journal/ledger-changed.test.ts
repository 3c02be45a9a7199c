import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { sameLedger, type JournalEntry } from '@jokul/core';
import type { Confirmed } from './last-known';
import type { OutboxItem } from './outbox';

/* A page that is opened after the server's ledger changed, or while the server is away. */
const kept = new Map<string, OutboxItem>();
const known: Confirmed[] = [];
const device = { ledger: '', pages: 0, busy: Promise.resolve(), clearing: Promise.resolve() };
jest.unstable_mockModule('./outbox', () => ({
  keep: async (item: OutboxItem) => void kept.set(item.entry.id, item),
  forget: async (ids: readonly string[]) => ids.forEach((id) => kept.delete(id)),
  allKept: async () => [...kept.values()],
}));
jest.unstable_mockModule('./last-known', () => ({
  replaceKnown: async (confirmed: readonly Confirmed[]) => {
    await device.clearing;
    known.splice(0, known.length, ...confirmed);
  },
  addKnown: async (confirmed: readonly Confirmed[]) => void known.push(...confirmed),
  allKnown: async () => [...known],
  knownAfter: async (after: number) => {
    await device.busy;
    return known.filter(({ seq }) => seq > after);
  },
  newestKnown: async () => Math.max(0, ...known.map(({ seq }) => seq)),
  forgetPages: async () => void (device.pages = 0),
  knownLedger: () => device.ledger,
  setKnownLedger: (id: string) => void (device.ledger = id),
}));
jest.unstable_mockModule('../lib/queries', () => ({
  refreshRows: async () => undefined,
  useBakery: () => ({}),
}));

/** What the stream of the open page listens for. */
const heard = new Map<string, (event: { data: string }) => void>();
const say = (name: string, data: object) => heard.get(name)?.({ data: JSON.stringify(data) });
const server = {
  away: false,
  silent: Promise.resolve(),
  ledger: 'one',
  entries: [] as JournalEntry[],
  stored: [] as string[],
  sentFor: [] as string[],
};
const json = (body: object) => ({ ok: true, status: 200, text: async () => JSON.stringify(body) });
Object.assign(globalThis, {
  fetch: async (_path: string, init: { method: string; body?: string }) => {
    if (server.away) throw new TypeError('network');
    await server.silent;
    if (init.method === 'GET')
      return json({
        entries: server.entries,
        lastSeq: server.entries.at(-1)?.seq ?? 0,
        ledger: server.ledger,
      });
    const { entries, ledger } = JSON.parse(init.body ?? '{}') as {
      entries: { id: string }[];
      ledger: string;
    };
    server.sentFor.push(ledger);
    if (!sameLedger(ledger, server.ledger))
      return {
        ok: false,
        status: 409,
        text: async () => JSON.stringify({ code: 'other-ledger', message: 'x' }),
      };
    server.stored.push(...entries.map(({ id }) => id));
    return json({ stored: entries.map(({ id }, i) => ({ id, seq: 1000 + i })) });
  },
  EventSource: class {
    onopen?: () => void;
    constructor() {
      setTimeout(() => this.onopen?.(), 0);
    }
    addEventListener(name: string, hear: (event: { data: string }) => void) {
      heard.set(name, hear);
    }
    close() {}
  },
  window: { addEventListener: () => undefined },
});

const entry = (seq: number, text: string): JournalEntry => ({
  id: `id-${seq}`,
  seq,
  atMs: seq,
  who: 'Early baker',
  device: 'wall',
  lot: 'TEST-A',
  kind: 'note',
  payload: { text },
  prevHash: '',
  hash: '',
});
const pending = (id: string): OutboxItem => {
  const { seq: _seq, prevHash: _prev, hash: _hash, ...draft } = entry(0, id);
  return { entry: { ...draft, id }, order: 1 };
};
const until = async (condition: () => boolean) => {
  for (let i = 0; i < 300 && !condition(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(condition()).toBe(true);
};
/** A page that is opened afresh: modules keep no state from the one before. */
const opened = async () => {
  jest.resetModules();
  await import('../words/english.testkit');
  const { useJournal } = await import('./store');
  const { startJournal } = await import('./sync');
  const started = startJournal();
  return { state: () => useJournal.getState(), started };
};
const notes = (floor: { lots: ReadonlyMap<string, { notes: readonly { text: string }[] }> }) =>
  floor.lots.get('TEST-A')?.notes.map(({ text }) => text) ?? [];

beforeEach(() => {
  kept.clear();
  heard.clear();
  known.length = 0;
  device.ledger = '';
  Object.assign(server, {
    away: false,
    silent: Promise.resolve(),
    ledger: 'one',
    entries: [entry(1, 'a'), entry(2, 'b')],
    stored: [],
    sentFor: [],
  });
  device.pages = 3;
  device.busy = Promise.resolve();
  device.clearing = Promise.resolve();
});

describe('a page that is opened', () => {
  it('keeps what the server has, and whose ledger it is', async () => {
    const { state, started } = await opened();
    await started;
    expect(notes(state().floor)).toEqual(['a', 'b']);
    expect([device.ledger, known.map(({ seq }) => seq)]).toEqual(['one', [1, 2]]);
  });

  it('while the server is away shows the floor as it was last known, and catches up', async () => {
    device.ledger = 'one';
    known.push(entry(1, 'a'));
    server.away = true;
    const { state } = await opened();
    await until(() => state().loaded);
    expect(notes(state().floor)).toEqual(['a']);
    expect(state().connection).toBe('away');
    server.away = false;
    await until(() => notes(state().floor).length === 2);
    expect(state().refused).toEqual([]);
  });

  it('while the server takes the question and never answers shows it too, and what comes late counts', async () => {
    device.ledger = 'one';
    known.push(entry(1, 'a'));
    let answer: () => void = () => undefined;
    server.silent = new Promise((resolve) => (answer = resolve));
    jest.useFakeTimers();
    const { state } = await opened();
    await jest.advanceTimersByTimeAsync(1000);
    expect([state().loaded, state().connection]).toEqual([false, 'starting']);
    await jest.advanceTimersByTimeAsync(4000);
    expect([state().loaded, state().connection]).toEqual([true, 'away']);
    expect(notes(state().floor)).toEqual(['a']);
    answer();
    await jest.advanceTimersByTimeAsync(100);
    jest.useRealTimers();
    expect(notes(state().floor)).toEqual(['a', 'b']);
    expect(state().refused).toEqual([]);
  });

  it('after a copy was restored offers what only this device still has', async () => {
    device.ledger = 'one';
    known.push(entry(1, 'a'), entry(2, 'b'), entry(3, 'made after the copy'));
    const { state, started } = await opened();
    await started;
    expect(state().refused.map((item) => [item.entry.id, item.refused?.slice(0, 32)])).toEqual([
      ['id-3', 'The server no longer has this: i'],
    ]);
    expect(kept.has('id-3')).toBe(true);
    expect(notes(state().floor)).toEqual(['a', 'b']);
  });

  it('that is slow to look up what it knew takes nothing heard meanwhile for set back', async () => {
    const { state, started } = await opened();
    await started;
    let free = (): void => undefined;
    device.busy = new Promise<void>((resolve) => (free = resolve));
    const floors: string[][] = [];
    const { useJournal } = await import('./store');
    const stop = useJournal.subscribe(({ floor }) => floors.push([...notes(floor)]));
    say('hello', { ledger: 'one', lastSeq: 2 });
    server.entries.push(entry(3, 'pressed since'));
    say('entry', entry(3, 'pressed since'));
    known.push(entry(3, 'pressed since'));
    free();
    await new Promise((resolve) => setTimeout(resolve, 100));
    stop();
    expect(notes(state().floor)).toEqual(['a', 'b', 'pressed since']);
    // Nor is the floor empty for a moment.
    expect(floors.every((said) => said.length >= 2)).toBe(true);
    expect(state().refused).toEqual([]);
  });

  it('is told of a press between its question and the answer, and takes that for its own', async () => {
    known.push(entry(1, 'a'), entry(2, 'b'));
    device.ledger = 'one';
    let free = (): void => undefined;
    device.busy = new Promise<void>((resolve) => (free = resolve));
    const { state, started } = await opened();
    // Another page of this browser hears of it, and keeps it, while this one waits.
    setTimeout(() => {
      known.push(entry(3, 'pressed in another tab'));
      free();
    }, 60);
    await started;
    expect(state().refused).toEqual([]);
  });

  it.each(['two', ''])(
    'at another bakery (ledger "%s") sends nothing that was made for the one before',
    async (id) => {
      device.ledger = 'one';
      known.push(entry(1, 'a'));
      kept.set('mine', pending('mine'));
      Object.assign(server, { ledger: id, entries: [] });
      const { state, started } = await opened();
      await started;
      await until(() => state().refused.length === 1);
      await new Promise((resolve) => setTimeout(resolve, 400));
      expect(server.stored).toEqual([]);
      expect(state().refused[0]?.refused).toContain('no longer has');
      expect(notes(state().floor)).toEqual([]);
    },
  );

  it.each(['two', ''])(
    'that stays open while another bakery (ledger "%s") opens at its address keeps nothing of the one before',
    async (id) => {
      const { state, started } = await opened();
      await started;
      await until(() => heard.has('hello'));
      // One more of the first bakery, not written down on the device yet.
      say('entry', entry(3, 'c'));
      Object.assign(server, { ledger: id, entries: [] });
      say('hello', { ledger: id, lastSeq: 0 });
      await until(() => notes(state().floor).length === 0);
      say('hello', { ledger: id, lastSeq: 0 });
      await new Promise((resolve) => setTimeout(resolve, 700));
      expect(state().refused).toEqual([]);
      expect(known).toEqual([]);
    },
  );
  it.each([
    ['is closed', () => new Promise<void>(() => undefined)],
    ['cannot write', () => Promise.reject(new Error('full'))],
  ])(
    'before it could let go of another bakery (it %s) lets go of it when it is opened again',
    async (_, clearing) => {
      const first = await opened();
      await first.started;
      await until(() => heard.has('hello') && known.length === 2);
      Object.assign(server, { ledger: 'own:', entries: [] });
      device.clearing = clearing();
      device.clearing.catch(() => undefined);
      say('hello', { ledger: 'own:', lastSeq: 0 });
      await new Promise((resolve) => setTimeout(resolve, 50));
      device.clearing = Promise.resolve();
      const next = await opened();
      await next.started;
      expect(next.state().refused).toEqual([]);
      await until(() => known.length === 0 && device.ledger === 'own:');
    },
  );
  it('sends what was pressed for the bakery it follows, so that another one can refuse it', async () => {
    const { state, started } = await opened();
    await started;
    // The other bakery is open, and this page has not heard of it yet.
    Object.assign(server, { ledger: 'own:', entries: [] });
    const { record } = await import('./store');
    record('note', 'TEST-A', { text: 'for the first one' });
    await until(() => server.sentFor.length > 0);
    expect([server.sentFor[0], server.stored]).toEqual(['one', []]);
    say('hello', { ledger: 'own:', lastSeq: 0 });
    await until(() => state().refused.length === 1);
    expect([server.stored, device.pages]).toEqual([[], 0]);
  });
  it('of one’s own without an entry sends nothing of it to the demo', async () => {
    device.ledger = 'own:';
    kept.set('mine', pending('mine'));
    const { state, started } = await opened();
    await started;
    await until(() => state().refused.length === 1);
    expect(server.stored).toEqual([]);
  });
  it('that saw the first entry of a new bakery follows it', async () => {
    kept.set('mine', pending('mine'));
    Object.assign(server, { ledger: '', entries: [] });
    const { state, started } = await opened();
    await started;
    await until(() => server.stored.includes('mine'));
    expect(state().refused).toEqual([]);
  });
});
