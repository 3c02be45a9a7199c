import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { usePreferences } from '../lib/preferences';
import type { OutboxItem } from './outbox';
import { useJournal } from './store';
import { tellOfDevice } from './tell-of-device';

/* What a device says of itself, to whom and when. */

const waiting = (n: number) => Array.from({ length: n }, () => ({}) as OutboxItem);
const asked: { readonly url: string; readonly said: Record<string, unknown> }[] = [];
const beacons: Blob[] = [];
let fails = false;
let end: () => void;
const before = globalThis.fetch;

beforeEach(() => {
  jest.useFakeTimers();
  asked.length = 0;
  beacons.length = 0;
  fails = false;
  globalThis.fetch = (async (url: string, { body }: { body: string }) => {
    asked.push({ url, said: JSON.parse(body) as Record<string, unknown> });
    if (fails) throw new TypeError('no network');
    return { ok: true };
  }) as unknown as typeof fetch;
  Object.defineProperty(navigator, 'sendBeacon', {
    configurable: true,
    value: (_: string, blob: Blob) => beacons.push(blob) > 0,
  });
  usePreferences.getState().set({ device: 'tablet-ovens' });
  useJournal.setState({ connection: 'live', pending: [], refused: [] });
  end = tellOfDevice();
});
afterEach(() => {
  end();
  jest.useRealTimers();
  globalThis.fetch = before;
});

describe('a device', () => {
  it('says every minute that nothing waits on it', async () => {
    await jest.advanceTimersByTimeAsync(125_000);
    expect(asked).toEqual(
      Array.from({ length: 2 }, () => ({
        url: '/api/tablets',
        said: { device: 'tablet-ovens', kept: 0, setAside: 0, clockAheadS: 0 },
      })),
    );
  });

  it('says soon what came to wait on it, once for what comes together, and nothing of a press that went through', async () => {
    useJournal.setState({ pending: waiting(1) });
    await jest.advanceTimersByTimeAsync(100);
    useJournal.setState({ pending: [] });
    useJournal.setState({ refused: waiting(1) });
    await jest.advanceTimersByTimeAsync(5000);
    expect(asked.map(({ said }) => [said.kept, said.setAside])).toEqual([[0, 1]]);
    useJournal.setState({ pending: waiting(2) });
    useJournal.setState({ pending: waiting(3) });
    await jest.advanceTimersByTimeAsync(5000);
    expect(asked.map(({ said }) => said.kept)).toEqual([0, 3]);
  });

  it('says what waits also while the server seems away, and at once when it is back', async () => {
    useJournal.setState({ connection: 'away', pending: waiting(4) });
    await jest.advanceTimersByTimeAsync(3100);
    expect(asked.map(({ said }) => said.kept)).toEqual([4]);
    useJournal.setState({ connection: 'live' });
    await jest.advanceTimersByTimeAsync(3100);
    expect(asked.map(({ said }) => said.kept)).toEqual([4, 4]);
  });

  it('minds no answer that does not come', async () => {
    fails = true;
    await jest.advanceTimersByTimeAsync(125_000);
    expect(asked).toHaveLength(2);
  });

  it('says that it goes when its page is closed, and is silent from then on', async () => {
    window.dispatchEvent(new Event('pagehide'));
    expect(beacons).toHaveLength(1);
    expect(beacons[0]?.type).toBe('application/json');
    end();
    useJournal.setState({ pending: waiting(1) });
    await jest.advanceTimersByTimeAsync(200_000);
    expect(asked).toEqual([]);
  });
});
