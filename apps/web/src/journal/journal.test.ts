import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { JournalEntry, LotRecord } from '@jokul/core';
import type { Confirmed } from './last-known';
import type { OutboxItem } from './outbox';

/* The outbox and the sending, with a made-up IndexedDB, network and event stream. */
const kept = new Map<string, OutboxItem>();
/** The browser's store: whole, forbidden or full, or never answering. */
const store = {
  broken: false,
  silent: false,
  held: Promise.resolve(),
  release: (): void => undefined,
};
jest.unstable_mockModule('./outbox', () => ({
  keep: async (item: OutboxItem) => {
    if (store.broken) throw new Error('QuotaExceededError');
    if (store.silent) await new Promise(() => undefined);
    await store.held;
    kept.set(item.entry.id, item);
  },
  forget: async (ids: readonly string[]) => ids.forEach((id) => kept.delete(id)),
  allKept: async () => [...kept.values()].sort((a, b) => a.order - b.order),
}));
/** The ledger that the device followed last. */
const device = { ledger: '' };
/** What the device kept of what the server confirmed. */
const known: Confirmed[] = [];
jest.unstable_mockModule('./last-known', () => ({
  forgetPages: async () => undefined,
  replaceKnown: async (confirmed: readonly Confirmed[]) => void known.splice(0, known.length, ...confirmed),
  addKnown: async (confirmed: readonly Confirmed[]) => void known.push(...confirmed),
  knownLedger: () => device.ledger,
  setKnownLedger: (id: string) => void (device.ledger = id),
  allKnown: async () => [...known],
  newestKnown: async () => 0,
  knownAfter: async (after: number) => known.filter(({ seq }) => seq > after),
}));
jest.unstable_mockModule('../lib/queries', () => ({
  refreshRows: async () => undefined,
  useBakery: () => ({}),
}));

interface Source {
  readonly url: string;
  onopen?: () => void;
  onerror?: () => void;
  closed: boolean;
  readonly listeners: Map<string, (event: { data: string }) => void>;
}
const sources: Source[] = [];
class FakeEventSource {
  readonly listeners = new Map<string, (event: { data: string }) => void>();
  closed = false;
  constructor(readonly url: string) {
    sources.push(this);
  }
  addEventListener(type: string, listener: (event: { data: string }) => void) {
    this.listeners.set(type, listener);
  }
  close() {
    this.closed = true;
  }
}

/** What the page does as it closes. */
let closing: (event: object) => void = () => undefined;

/** The server: stores entries by id, unless it is away or finds one bad. */
const server = {
  away: false,
  status: 0,
  bad: new Set<string>(),
  stored: [] as string[],
  posts: 0,
  takesNone: false,
  ledger: 'one',
  lastSeq: 10,
};
const answer = (status: number, body: object) => ({
  ok: status < 400,
  status,
  text: async () => JSON.stringify(body),
});
const fakeFetch = async (_path: string, init: { method: string; body?: string }) => {
  if (server.away) throw new TypeError('network');
  if (init.method === 'GET')
    return answer(200, { entries: [], lastSeq: server.lastSeq, ledger: server.ledger });
  server.posts += 1;
  if (server.status) return answer(server.status, { code: 'x', message: 'Not now.', path: '' });
  const { entries } = JSON.parse(init.body ?? '{}') as { entries: { id: string }[] };
  const bad = entries.find((entry) => server.bad.has(entry.id));
  if (bad) return answer(400, { code: 'bad-request', message: 'A weight cannot be below 0 g.', path: '' });
  if (server.takesNone) return answer(201, { stored: [] });
  for (const { id } of entries) if (!server.stored.includes(id)) server.stored.push(id);
  return answer(201, { stored: entries.map(({ id }) => ({ id, seq: 11 + server.stored.indexOf(id) })) });
};

Object.assign(globalThis, {
  fetch: fakeFetch,
  EventSource: FakeEventSource,
  window: {
    addEventListener: (type: string, listener: (event: object) => void) => {
      if (type === 'beforeunload') closing = listener;
    },
  },
});

const { confirmEntries, onBegin, record, refuseEntry, resetJournal, useJournal } = await import('./store');
const { sendRefused, startJournal, strikeRefused } = await import('./sync');

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const until = async (condition: () => boolean) => {
  for (let i = 0; i < 400 && !condition(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(condition()).toBe(true);
};
const note = (text = 'x') => record('note', 'TEST-A', { text });
const fromServer = (seq: number, id: string): JournalEntry => ({
  id,
  seq,
  atMs: seq,
  who: 'Early baker',
  device: 'wall',
  lot: 'TEST-B',
  kind: 'note',
  payload: { text: id },
  prevHash: '',
  hash: '',
});

beforeEach(() => {
  kept.clear();
  server.away = false;
  server.bad.clear();
  server.stored = [];
  server.posts = 0;
  server.status = 0;
  server.takesNone = false;
  store.broken = false;
  store.silent = false;
  onBegin(() => null);
  resetJournal();
});

describe('an entry made on this screen', () => {
  it('counts at once and is kept', async () => {
    server.away = true;
    const entry = note('at once');
    expect(useJournal.getState().pending.map((item) => item.entry.id)).toEqual([entry.id]);
    expect(useJournal.getState().floor.lots.get('TEST-A')?.notes[0]?.text).toBe('at once');
    await until(() => kept.has(entry.id));
  });

  it('whose text was cut within a letter loses the half, and no press', () => {
    expect(note('burnt \ud83e').payload).toEqual({ text: 'burnt ' });
    expect(note('a bun 🥐').payload).toEqual({ text: 'a bun 🥐' });
  });

  it('is confirmed by its number and leaves the outbox', () => {
    const entry = note();
    confirmEntries([{ ...entry, seq: 5 }]);
    expect(useJournal.getState().pending).toEqual([]);
    expect(useJournal.getState().floor.lots.get('TEST-A')?.notes).toHaveLength(1);
  });

  it('refused, has no effect any more and waits to be read', async () => {
    note('good');
    const [item] = useJournal.getState().pending;
    if (!item) throw new Error('nothing pending');
    refuseEntry({ ...item, refused: 'No.' });
    expect(useJournal.getState().floor.lots.get('TEST-A')).toBeUndefined();
    expect(useJournal.getState().refused.map((r) => r.refused)).toEqual(['No.']);
    await strikeRefused(item.entry.id);
    expect(useJournal.getState().refused).toEqual([]);
  });
});

describe('confirmed entries', () => {
  it('stand in the order of their numbers, each once', () => {
    confirmEntries([fromServer(3, 'c'), fromServer(1, 'a')]);
    confirmEntries([fromServer(2, 'b'), fromServer(3, 'c')]);
    const notes = useJournal.getState().floor.lots.get('TEST-B')?.notes;
    expect(notes?.map((e) => e.text)).toEqual(['a', 'b', 'c']);
  });
  it('come before what is still pending', () => {
    const mine = record('note', 'TEST-B', { text: 'mine' });
    confirmEntries([fromServer(1, 'theirs')]);
    const texts = () =>
      useJournal
        .getState()
        .floor.lots.get('TEST-B')
        ?.notes.map((e) => e.text);
    expect(texts()).toEqual(['theirs', 'mine']);
    confirmEntries([{ ...mine, seq: 0 }]);
    expect(texts()).toEqual(['mine', 'theirs']);
  });
});

describe('sending', () => {
  it('begins with what an earlier visit left behind, then listens from the snapshot on', async () => {
    const left = {
      id: '11111111-1111-4111-8111-111111111111',
      atMs: 1,
      who: 'x',
      device: 'y',
      lot: 'LEFT-A',
      kind: 'note',
      payload: { text: 'left' },
    } as const;
    kept.set(left.id, { entry: left, order: 1 });
    await startJournal();
    expect(useJournal.getState().floor.lots.get('LEFT-A')?.notes[0]?.text).toBe('left');
    expect(sources.at(-1)?.url).toBe('/api/journal/stream?after=10');
    sources.at(-1)?.onopen?.();
    await until(() => server.stored.includes(left.id));
    await until(() => useJournal.getState().pending.length === 0);
    expect(kept.size).toBe(0);
    expect(useJournal.getState().connection).toBe('live');
  });

  it('waits while the server is away, and keeps the order', async () => {
    server.away = true;
    const ids = ['one', 'two', 'three'].map((text) => note(text).id);
    await until(() => useJournal.getState().connection === 'away');
    expect(server.stored).toEqual([]);
    server.away = false;
    await until(() => useJournal.getState().pending.length === 0);
    expect(server.stored).toEqual(ids);
    expect(kept.size).toBe(0);
  });

  it('sets one bad entry aside and sends the others', async () => {
    server.away = true;
    const first = note('good');
    const bad = note('bad');
    const last = note('good too');
    server.bad.add(bad.id);
    server.away = false;
    await until(() => useJournal.getState().pending.length === 0);
    expect(server.stored).toEqual([first.id, last.id]);
    expect(useJournal.getState().refused.map((item) => [item.entry.id, item.refused])).toEqual([
      [bad.id, 'A weight cannot be below 0 g.'],
    ]);
    // It stays on the device until somebody has read why.
    expect(kept.get(bad.id)?.refused).toBe('A weight cannot be below 0 g.');
  });

  it.each([401, 403, 404, 408, 409, 429, 500, 502, 503])(
    'an answer %d is no fault of the entry: it waits, and goes in when the server is itself again',
    async (status) => {
      server.status = status;
      const { id } = note(`waits for ${status}`);
      await until(() => server.posts > 0);
      await pause(450);
      // No busy loop: the pauses grow.
      expect(server.posts).toBeLessThanOrEqual(3);
      expect(useJournal.getState().refused).toEqual([]);
      expect(kept.has(id)).toBe(true);
      server.status = 0;
      await until(() => server.stored.includes(id));
      expect(useJournal.getState().pending).toEqual([]);
    },
  );

  it('a server that takes nothing and refuses nothing is not asked again at once, for ever', async () => {
    server.takesNone = true;
    const { id } = note('nobody takes it');
    await until(() => server.posts > 0);
    await pause(600);
    expect(server.posts).toBeLessThanOrEqual(3);
    server.takesNone = false;
    await until(() => server.stored.includes(id));
  });

  it('of many that are refused together only the wrong ones are set aside, and order is kept', async () => {
    server.away = true;
    const ids = Array.from({ length: 9 }, (_, i) => note(`n${i}`).id);
    server.bad.add(ids[2] ?? '').add(ids[7] ?? '');
    server.away = false;
    await until(() => useJournal.getState().pending.length === 0);
    expect(server.stored).toEqual(ids.filter((id) => !server.bad.has(id)));
    expect(useJournal.getState().refused.map(({ entry }) => entry.id)).toEqual([ids[2], ids[7]]);
  });

  it('an entry that was set aside can be put right and sent again, under its own name and time', async () => {
    server.away = true;
    const { id } = note('bad');
    server.bad.add(id);
    server.away = false;
    await until(() => useJournal.getState().refused.length === 1);
    const [item] = useJournal.getState().refused;
    if (!item) throw new Error('nothing was set aside');
    server.bad.clear();
    await sendRefused(item, { text: 'good' });
    await until(() => server.stored.includes(id));
    expect(useJournal.getState().refused).toEqual([]);
    expect(
      useJournal
        .getState()
        .floor.lots.get('TEST-A')
        ?.notes.map(({ text }) => text),
    ).toEqual(['good']);
  });

  it('hears what others did', () => {
    sources.at(-1)?.listeners.get('entry')?.({ data: JSON.stringify(fromServer(40, 'heard')) });
    expect(useJournal.getState().floor.lots.get('TEST-B')?.notes.at(-1)?.text).toBe('heard');
  });

  it('begins to listen anew from the last number heard, not from its own entries', async () => {
    sources.at(-1)?.listeners.get('entry')?.({ data: JSON.stringify(fromServer(41, 'before')) });
    confirmEntries([fromServer(99, 'own')]);
    const count = sources.length;
    sources.at(-1)?.onerror?.();
    expect(useJournal.getState().connection).toBe('away');
    expect(sources.at(-1)?.closed).toBe(true);
    await until(() => sources.length === count + 1);
    expect(sources.at(-1)?.url).toBe('/api/journal/stream?after=41');
  });
});

describe('a ledger that was put back', () => {
  const hello = (ledger: string, lastSeq: number) =>
    sources.at(-1)?.listeners.get('hello')?.({ data: JSON.stringify({ ledger, lastSeq }) });
  it('the same and longer: nothing happens', async () => {
    hello('one', 500);
    await pause(20);
    expect(useJournal.getState().refused).toEqual([]);
  });
  it('restored from an earlier copy: what only this device knows waits for a person', async () => {
    sources.at(-1)?.listeners.get('entry')?.({ data: JSON.stringify(fromServer(600, 'kept')) });
    sources.at(-1)?.listeners.get('entry')?.({ data: JSON.stringify(fromServer(601, 'lost by the server')) });
    await until(() => known.some(({ seq }) => seq === 601));
    server.lastSeq = 600;
    hello('one', 600);
    await until(() => useJournal.getState().refused.length === 1);
    const [item] = useJournal.getState().refused;
    expect(item?.entry.id).toBe('lost by the server');
    expect(item?.refused).toContain('set back to an earlier copy');
    // The floor is the server's again.
    expect(useJournal.getState().floor.lots.get('TEST-B')?.notes ?? []).toEqual([]);
    if (!item) throw new Error('nothing was set aside');
    await sendRefused(item);
    await until(() => server.stored.includes('lost by the server'));
  });
  it('another one: what was pending for the old one is not sent into it', async () => {
    server.status = 503;
    const { id } = note('for the old books');
    await until(() => server.posts > 0);
    server.ledger = 'two';
    server.lastSeq = 3;
    hello('two', 3);
    await until(() => useJournal.getState().refused.length === 1);
    server.status = 0;
    await pause(700);
    expect(server.stored).not.toContain(id);
    expect(useJournal.getState().refused[0]?.refused).toContain('no longer has');
  });
});

describe('a press that is being written down', () => {
  it('is not kept before it is, and asks before the page closes', async () => {
    server.away = true;
    store.held = new Promise((resolve) => (store.release = resolve));
    const { id } = note('on its way');
    await pause(20);
    expect([...useJournal.getState().unkept]).toEqual([id]);
    const leaving = { asked: false, preventDefault: () => (leaving.asked = true) };
    closing(leaving);
    expect(leaving.asked).toBe(true);
    store.release();
    await until(() => useJournal.getState().unkept.size === 0);
    expect([...kept.keys()]).toContain(id);
    leaving.asked = false;
    closing(leaving);
    expect(leaving.asked).toBe(false);
    server.away = false;
    await until(() => server.stored.includes(id));
  });
});

describe('a browser that keeps nothing', () => {
  it('sends all the same, and says what is at risk while it waits', async () => {
    store.broken = true;
    server.away = true;
    const { id } = note('private window');
    await until(() => !useJournal.getState().keeps);
    expect([...useJournal.getState().unkept]).toEqual([id]);
    server.away = false;
    await until(() => server.stored.includes(id));
    await until(() => useJournal.getState().unkept.size === 0);
  });
  it('whose store never answers does not hold a press up', async () => {
    store.silent = true;
    const { id } = note('no answer');
    await until(() => server.stored.includes(id));
  });
});

describe('the first work on a lot', () => {
  const pinned = {
    schema: 1,
    productCode: 'TEST',
    formula: { code: 'TEST', stages: [], toppings: [] },
    ingredients: [],
  } as unknown as LotRecord;
  it('pins what it is, once, before the work itself', async () => {
    onBegin((lot) => (lot === 'TEST-9' ? pinned : null));
    record('browned', 'TEST-9', { inG: 100, outG: 82 });
    record('browned', 'TEST-9', { inG: 100, outG: 83 });
    await until(() => server.stored.length === 3);
    const lot = useJournal.getState().floor.lots.get('TEST-9');
    expect(lot?.begun).toMatchObject(pinned);
    expect(lot?.browned).toHaveLength(2);
  });
  it('a note begins nothing', () => {
    onBegin(() => pinned);
    record('note', 'TEST-8', { text: 'x' });
    expect(useJournal.getState().floor.lots.get('TEST-8')?.begun).toBeNull();
  });
});
