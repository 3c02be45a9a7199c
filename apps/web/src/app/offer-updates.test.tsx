import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { ReactNode } from 'react';

/* When a new version is taken: by a press, or when nobody works on the page. The browser's workers are the test's. */

const shown: { readonly text: ReactNode; readonly press: () => void }[] = [];
jest.unstable_mockModule('sonner', () => ({
  toast: (text: ReactNode, { action }: { action: { onClick: () => void } }) =>
    shown.push({ text, press: action.onClick }),
}));
const { offerUpdates } = await import('./offer-updates');

class Worker extends EventTarget {
  state = 'installing';
  readonly asked: unknown[] = [];
  postMessage(what: unknown) {
    this.asked.push(what);
  }
  become(state: string) {
    this.state = state;
    this.dispatchEvent(new Event('statechange'));
  }
}
class Registration extends EventTarget {
  waiting: Worker | null = null;
  installing: Worker | null = null;
  looks = 0;
  update = async () => {
    this.looks += 1;
  };
  find(): Worker {
    const next = new Worker();
    this.installing = next;
    this.dispatchEvent(new Event('updatefound'));
    next.become('installed');
    return next;
  }
}
let registration: Registration;
let container: EventTarget & { controller: Worker | null; ready: Promise<Registration> };
let quiet = false;
let reloads = 0;
const skip = [{ type: 'SKIP_WAITING' }];
const begin = () =>
  offerUpdates(
    () => (reloads += 1),
    () => quiet,
  );
/** The browser has let the new worker take over all pages. */
const takeOver = (next: Worker) => {
  container.controller = next;
  container.dispatchEvent(new Event('controllerchange'));
};

beforeEach(() => {
  jest.useFakeTimers();
  shown.length = 0;
  quiet = false;
  reloads = 0;
  registration = new Registration();
  container = Object.assign(new EventTarget(), {
    controller: new Worker(),
    ready: Promise.resolve(registration),
  });
  Object.defineProperty(navigator, 'serviceWorker', { value: container, configurable: true });
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(navigator, 'serviceWorker');
});

describe('a new version', () => {
  it('is said, and waits while somebody works', async () => {
    await begin();
    const next = registration.find();
    expect(shown.map(({ text }) => text)).toEqual(['A new version of Jokul is here.']);
    await jest.advanceTimersByTimeAsync(3_600_000);
    expect([next.asked, reloads]).toEqual([[], 0]);
  });
  it('is taken by a press', async () => {
    await begin();
    const next = registration.find();
    shown[0]?.press();
    expect(next.asked).toEqual(skip);
    takeOver(next);
    expect(reloads).toBe(1);
  });
  it('is taken at a quiet moment, also one that was there before the page', async () => {
    const next = new Worker();
    registration.waiting = next;
    await begin();
    expect(shown).toHaveLength(1);
    quiet = true;
    await jest.advanceTimersByTimeAsync(21_000);
    expect(next.asked).toEqual(skip);
    takeOver(next);
    expect(reloads).toBe(1);
  });
  it('that another page took leaves this one alone until it is quiet, or somebody says so', async () => {
    await begin();
    const next = registration.find();
    takeOver(next);
    await jest.advanceTimersByTimeAsync(60_000);
    expect(reloads).toBe(0);
    quiet = true;
    await jest.advanceTimersByTimeAsync(21_000);
    expect(reloads).toBe(1);
    quiet = false;
    shown.at(-1)?.press();
    expect(reloads).toBe(2);
    expect(next.asked).toEqual([]);
  });
  it('is not what the first worker of a fresh page is', async () => {
    container.controller = null;
    await begin();
    takeOver(new Worker());
    expect([shown.length, reloads]).toEqual([0, 0]);
  });
  it('is looked for now and then, and when the page is looked at again', async () => {
    await begin();
    await jest.advanceTimersByTimeAsync(31 * 60_000);
    expect(registration.looks).toBe(2);
    document.dispatchEvent(new Event('visibilitychange'));
    expect(registration.looks).toBe(3);
  });
  it('is nothing to a browser that keeps no pages', async () => {
    Reflect.deleteProperty(navigator, 'serviceWorker');
    await expect(begin()).resolves.toBeUndefined();
  });
});
