import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, render } from '@testing-library/react';
import { useKeepAwake } from './keep-awake';

const Floor = () => {
  useKeepAwake();
  return null;
};
const locks = (answer: (kind: string) => Promise<unknown>) => {
  const request = jest.fn(answer);
  Object.defineProperty(navigator, 'wakeLock', { value: { request }, configurable: true });
  return request;
};
const soon = () => new Promise((resolve) => setTimeout(resolve, 0));

afterEach(() => {
  cleanup();
  Reflect.deleteProperty(navigator, 'wakeLock');
});

describe('the screen of the floor', () => {
  it('is kept on while the page shows, and let go with it', async () => {
    const release = jest.fn(async () => undefined);
    const request = locks(async () => ({ release }));
    const { unmount } = render(<Floor />);
    await soon();
    expect(request).toHaveBeenCalledWith('screen');
    // Hidden and shown again, the lock is gone and is asked for anew.
    document.dispatchEvent(new Event('visibilitychange'));
    await soon();
    expect(request).toHaveBeenCalledTimes(2);
    unmount();
    expect(release).toHaveBeenCalledTimes(1);
  });
  it('that cannot be kept on is no fault', async () => {
    locks(async () => {
      throw new Error('NotAllowedError');
    });
    expect(() => render(<Floor />)).not.toThrow();
    await soon();
    cleanup();
    Reflect.deleteProperty(navigator, 'wakeLock');
    expect(() => render(<Floor />)).not.toThrow();
  });
});
