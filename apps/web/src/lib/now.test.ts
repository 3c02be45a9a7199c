import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { ClockView } from '@jokul/contracts';

/* The bakery's clock on a device: its own clock jumps, it sleeps, the server answers late or never. */
const device = { dateMs: 1_800_000_000_000, stopwatchMs: 0 };
const server: { view: ClockView | null; wayMs: number } = { view: null, wayMs: 0 };
const kept = new Map<string, string>();
jest.unstable_mockModule('./api', () => ({
  get: async () => {
    device.stopwatchMs += server.wayMs;
    device.dateMs += server.wayMs;
    if (!server.view) throw new TypeError('network');
    return server.view;
  },
}));
Object.defineProperty(globalThis, 'localStorage', {
  configurable: true,
  value: {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, to: string) => kept.set(key, to),
  },
});

const passes = (ms: number) => {
  device.dateMs += ms;
  device.stopwatchMs += ms;
};
const opened = () => {
  jest.resetModules();
  return import('./now');
};
const bakeryMs = Date.parse('2026-11-27T04:10:00Z');

beforeEach(() => {
  kept.clear();
  Object.assign(server, { view: null, wayMs: 0 });
  jest.spyOn(Date, 'now').mockImplementation(() => device.dateMs);
  jest.spyOn(performance, 'now').mockImplementation(() => device.stopwatchMs);
});
afterEach(() => {
  jest.restoreAllMocks();
});

describe('the bakery’s time on a device', () => {
  it('goes on by the stopwatch: a device clock that jumps moves nothing', async () => {
    const { nowMs, setClock } = await opened();
    setClock({ mode: 'running', nowMs: bakeryMs });
    passes(60_000);
    device.dateMs += 3 * 3600e3;
    expect(nowMs()).toBe(bakeryMs + 60_000);
    device.dateMs -= 9 * 3600e3;
    passes(1000);
    expect(nowMs()).toBe(bakeryMs + 61_000);
  });
  it('takes off half of the way of the answer, unless it was so long that it says nothing', async () => {
    const { askClock } = await opened();
    Object.assign(server, { view: { mode: 'running', nowMs: bakeryMs }, wayMs: 80 });
    expect((await askClock()).nowMs).toBe(bakeryMs + 40);
    server.wayMs = 20 * 60_000;
    expect((await askClock()).nowMs).toBe(bakeryMs);
  });
  it('stands still where the bakery’s does', async () => {
    const { nowMs, setClock } = await opened();
    setClock({ mode: 'frozen', nowMs: bakeryMs });
    passes(60_000);
    expect(nowMs()).toBe(bakeryMs);
  });
  it('without the server is what this device last knew, as far as it was off', async () => {
    const first = await opened();
    first.setClock({ mode: 'running', nowMs: bakeryMs });
    passes(3600e3);
    const { lastKnownClock } = await opened();
    expect(lastKnownClock()).toEqual({ mode: 'running', nowMs: bakeryMs + 3600e3 });
  });
  it.each(['', 'null', '{', '{"mode":"running"}', '[]'])(
    'a store that holds %j is as good as none',
    async (text) => {
      kept.set('jokul-clock', text);
      expect((await opened()).lastKnownClock()).toBeNull();
    },
  );
  it('stays as it is while the server is away, and is measured anew when it is back', async () => {
    const { nowMs, remeasureClock, setClock } = await opened();
    setClock({ mode: 'real', nowMs: bakeryMs });
    await remeasureClock();
    expect(nowMs()).toBe(bakeryMs);
    server.view = { mode: 'real', nowMs: bakeryMs + 5000 };
    await remeasureClock();
    expect(nowMs()).toBe(bakeryMs + 5000);
  });
});
