import { describe, expect, it } from '@jest/globals';
import { shiftDate, weekdayOf } from '@jokul/core';
import { weekFrom, weekOf } from './weekdays';

describe('the week of a device', () => {
  it.each([
    ['day', '2026-11-27'],
    ['monday', '2026-11-23'],
    ['saturday', '2026-11-21'],
    ['sunday', '2026-11-22'],
  ] as const)('that begins with %s shows Friday 27 November from %s on', (start, from) =>
    expect(weekFrom('2026-11-27', start)).toBe(from),
  );
  it('holds the day, and begins on its own first day, over a turn of the year too', () => {
    for (const [start, first] of [
      ['monday', 1],
      ['saturday', 6],
      ['sunday', 7],
    ] as const)
      for (let i = 0; i < 14; i++) {
        const date = shiftDate('2026-12-27', i);
        const from = weekFrom(date, start);
        expect(weekdayOf(from)).toBe(first);
        expect([0, 1, 2, 3, 4, 5, 6].map((by) => shiftDate(from, by))).toContain(date);
      }
  });
  it('has its days in its own order', () => {
    expect(weekOf('sunday')).toEqual([7, 1, 2, 3, 4, 5, 6]);
    expect(weekOf('saturday')[0]).toBe(6);
    expect(weekOf('day')).toEqual(weekOf('monday'));
  });
});
