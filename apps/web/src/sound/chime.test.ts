import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { chime, closeSound, openSound, useChime } from './chime';

const sounds = (state: 'running' | 'suspended') => {
  const started: number[] = [];
  const resumed: (() => void)[] = [];
  class Context {
    state: string = state;
    currentTime = 5;
    destination = {};
    resume = () =>
      new Promise<void>((resolve) =>
        resumed.push(() => {
          this.state = 'running';
          resolve();
        }),
      );
    close = jest.fn(async () => undefined);
    createOscillator = () => {
      const frequency = { value: 0 };
      return {
        type: '',
        frequency,
        connect: (to: unknown) => to,
        start: () => started.push(frequency.value),
        stop: () => undefined,
      };
    };
    createGain = () => ({
      gain: {
        setValueAtTime: () => undefined,
        linearRampToValueAtTime: () => undefined,
        exponentialRampToValueAtTime: () => undefined,
      },
      connect: () => undefined,
    });
  }
  Object.defineProperty(globalThis, 'AudioContext', { value: Context, configurable: true });
  return { started, resumed };
};

afterEach(() => {
  closeSound();
  Reflect.deleteProperty(globalThis, 'AudioContext');
});

describe('the sound of this device', () => {
  it('tells a tray that must come out from anything else', async () => {
    const { started } = sounds('running');
    await openSound();
    chime('due');
    expect(started).toHaveLength(1);
    chime('pull');
    expect(started).toHaveLength(4);
    expect(new Set(started).size).toBe(3);
  });
  it('is silent until the page was touched, and says so', async () => {
    const { started, resumed } = sounds('suspended');
    await openSound();
    expect(useChime.getState().blocked).toBe(true);
    chime('pull');
    expect(started).toEqual([]);
    resumed[0]?.();
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(useChime.getState().blocked).toBe(false);
    chime('pull');
    expect(started).toHaveLength(3);
  });
  it('that a browser does not have is no fault', async () => {
    await openSound();
    expect(() => chime('cold')).not.toThrow();
    expect(useChime.getState().blocked).toBe(false);
  });
});
