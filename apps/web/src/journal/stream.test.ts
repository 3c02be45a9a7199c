import { afterEach, describe, expect, it, jest } from '@jest/globals';
import type { Hearing } from './stream';

/* One stream for the pages of a browser: made-up locks, channel and event source; each page is a module of its own. */
interface Source {
  readonly url: string;
  onopen?: () => void;
  onerror?: () => void;
  closed: boolean;
  readonly listeners: Map<string, (event: { data: string }) => void>;
}
const sources: Source[] = [];
const channels = new Set<{ onmessage?: (event: { data: unknown }) => void }>();
/** Who waits for the lock, the first of them holds it. */
const waiting: (() => void)[] = [];

Object.assign(globalThis, {
  document: {},
  BroadcastChannel: class {
    onmessage?: (event: { data: unknown }) => void;
    constructor() {
      channels.add(this);
    }
    postMessage(data: unknown) {
      for (const other of channels) if (other !== this) other.onmessage?.({ data });
    }
  },
  EventSource: class {
    readonly listeners = new Map<string, (event: { data: string }) => void>();
    closed = false;
    onopen?: () => void;
    onerror?: () => void;
    constructor(readonly url: string) {
      sources.push(this);
    }
    addEventListener(type: string, listener: (event: { data: string }) => void) {
      this.listeners.set(type, listener);
    }
    close() {
      this.closed = true;
    }
  },
});
Object.defineProperty(globalThis, 'navigator', {
  configurable: true,
  value: {
    locks: {
      request: (_name: string, hold: () => Promise<unknown>) => {
        waiting.push(() => void hold());
        if (waiting.length === 1) waiting[0]?.();
      },
    },
  },
});

/** What the server answers to who asks for news, in turns; none: it is away. */
let answers: object[] = [];
const asked: string[] = [];
Object.assign(globalThis, {
  fetch: async (url: string) => {
    const answer = answers.shift();
    if (!answer) throw new TypeError('no network');
    asked.push(url);
    return { ok: true, json: async () => answer };
  },
});

const page = async (after: number) => {
  jest.resetModules();
  const heard: unknown[] = [];
  const hearing: Hearing = {
    entry: ({ seq }) => heard.push(seq),
    rows: () => heard.push('rows'),
    connection: (connection) => heard.push(connection),
    ledger: (id, lastSeq) => heard.push([id, lastSeq]),
  };
  const { listen, heardSeq } = await import('./stream');
  listen(after, hearing);
  return { heard, heardSeq };
};
const say = (type: string, data: object) =>
  sources.at(-1)?.listeners.get(type)?.({ data: JSON.stringify(data) });

afterEach(() => {
  sources.length = 0;
  channels.clear();
  waiting.length = 0;
  answers = [];
  asked.length = 0;
  jest.useRealTimers();
});

describe('the pages of one browser', () => {
  it('open one stream, and all hear what it says', async () => {
    const pages = [await page(10), await page(10), await page(12)];
    expect(sources.map(({ url }) => url)).toEqual(['/api/journal/stream?after=10']);
    sources[0]?.onopen?.();
    say('hello', { ledger: 'one', lastSeq: 12 });
    say('entry', { seq: 13 });
    say('rows', {});
    for (const { heard } of pages) expect(heard).toEqual(['live', ['one', 12], 13, 'rows']);
  });
  it('one that comes later is told whether the server is there', async () => {
    await page(10);
    sources[0]?.onopen?.();
    const late = await page(11);
    expect(late.heard).toEqual(['live']);
  });
  it('when the one that listens goes, the next goes on from what it heard itself', async () => {
    await page(10);
    const next = await page(10);
    say('entry', { seq: 11 });
    say('entry', { seq: 14 });
    expect(next.heardSeq()).toBe(14);
    waiting[1]?.();
    expect(sources.at(-1)?.url).toBe('/api/journal/stream?after=14');
  });
  it('a stream that breaks is begun anew, after growing pauses, and all are told', async () => {
    jest.useFakeTimers();
    const leader = await page(5);
    const other = await page(5);
    for (const pauseMs of [1000, 1500, 2250]) {
      const count = sources.length;
      sources.at(-1)?.onerror?.();
      expect(sources.at(-1)?.closed).toBe(true);
      await jest.advanceTimersByTimeAsync(pauseMs - 10);
      expect(sources).toHaveLength(count);
      await jest.advanceTimersByTimeAsync(20);
      expect(sources).toHaveLength(count + 1);
    }
    expect(leader.heard).toEqual(['away', 'away', 'away']);
    expect(other.heard).toEqual(leader.heard);
  });
  it('one that was open and breaks is away at once, and news are asked for by nobody', async () => {
    answers = [];
    const { heard } = await page(5);
    sources[0]?.onopen?.();
    sources[0]?.onerror?.();
    expect(heard).toEqual(['live', 'away']);
    expect(asked).toEqual([]);
  });
  it('where the server has no stream to give, what is new is asked for until it has one', async () => {
    jest.useFakeTimers();
    const news = { entries: [{ seq: 6 }, { seq: 7 }], lastSeq: 7, ledger: 'one', revision: 3 };
    answers = [news, { ...news, entries: [] }, { ...news, entries: [], revision: 4 }];
    const leader = await page(5);
    const other = await page(5);
    sources.at(-1)?.onerror?.();
    await jest.advanceTimersByTimeAsync(10);
    expect(leader.heard).toEqual(['live', ['one', 7], 6, 7, 'rows']);
    for (const heard of [
      ['live', ['one', 7]],
      ['live', ['one', 7], 'rows'],
    ]) {
      leader.heard.length = 0;
      await jest.advanceTimersByTimeAsync(5000);
      expect(sources.at(-1)?.url).toBe('/api/journal/stream?after=7');
      sources.at(-1)?.onerror?.();
      await jest.advanceTimersByTimeAsync(10);
      expect(leader.heard).toEqual(heard);
    }
    expect(asked).toEqual([
      '/api/journal/news?after=5',
      '/api/journal/news?after=7',
      '/api/journal/news?after=7',
    ]);
    await jest.advanceTimersByTimeAsync(5000);
    sources.at(-1)?.onopen?.();
    expect(other.heard.at(-1)).toBe('live');
  });
});
