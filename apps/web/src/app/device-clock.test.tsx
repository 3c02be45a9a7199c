import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, render } from '@testing-library/react';
import { setClock } from '../lib/now';
import { DeviceClock } from './device-clock';

afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

const said = () => document.body.textContent;
const minuteMs = 60_000;

describe('the clock of a device', () => {
  it.each([
    [42 * minuteMs, 'this device is 42 min fast'],
    [-3 * 3600 * 1000, 'this device is 3 h slow'],
    [30_000, ''],
    [-30_000, ''],
  ])('that is %d ms before the bakery’s', (aheadMs, expected) => {
    setClock({ mode: 'real', nowMs: Date.now() - aheadMs });
    render(<DeviceClock mode="real" />);
    expect(said()).toBe(expected);
  });

  it('is not compared with a clock that is set for the demo', () => {
    setClock({ mode: 'running', nowMs: Date.now() - 42 * minuteMs });
    render(<DeviceClock mode="running" />);
    expect(said()).toBe('');
  });

  it('is said when it jumps while the page is open', () => {
    jest.useFakeTimers();
    setClock({ mode: 'real', nowMs: Date.now() });
    render(<DeviceClock mode="real" />);
    expect(said()).toBe('');
    // Set an hour forward: the stopwatch of the page goes on as before.
    jest.setSystemTime(Date.now() + 60 * minuteMs);
    act(() => jest.advanceTimersByTime(10_000));
    expect(said()).toMatch(/^this device is (?:1 h|60 min) fast$/);
  });
});
