import { describe, expect, it } from '@jest/globals';
import { atWallClock, shiftDate } from '@jokul/core';
import { byTheClock } from './by-the-clock';

const at = (zone: string, date: string) => {
  const [fromS, toS] = [atWallClock(date, '00:00', zone), atWallClock(shiftDate(date, 1), '00:00', zone)];
  return { fromS, toS, place: (atS: number) => byTheClock(atS, fromS, toS, zone) };
};

describe('a moment on the strip of its day', () => {
  it.each([
    ['UTC', '2026-11-27'],
    ['Atlantic/Faroe', '2026-03-29'],
    ['Atlantic/Faroe', '2026-10-25'],
    ['Australia/Lord_Howe', '2026-04-05'],
  ])('stands under its hour in %s on %s', (zone, date) => {
    const { place } = at(zone, date);
    for (const hour of [3, 6, 9, 12, 15, 18, 21])
      expect([hour, place(atWallClock(date, `${String(hour).padStart(2, '0')}:00`, zone))]).toEqual([
        hour,
        hour / 24,
      ]);
  });

  it('begins and ends with its day, and has seconds', () => {
    const { fromS, toS, place } = at('Atlantic/Faroe', '2026-10-25');
    expect(toS - fromS).toBe(25 * 3600);
    expect([place(fromS - 5), place(fromS), place(toS), place(toS + 5)]).toEqual([0, 0, 1, 1]);
    expect(place(toS - 90)).toBeCloseTo((86_400 - 90) / 86_400, 10);
  });

  it('leaves the hour empty that the clock jumps over, and lays the doubled one over itself', () => {
    const spring = at('Atlantic/Faroe', '2026-03-29');
    const jump = spring.place(spring.fromS + 3600);
    expect(jump).toBeCloseTo(2 / 24, 10);
    const autumn = at('Atlantic/Faroe', '2026-10-25');
    expect(autumn.place(autumn.fromS + 5400)).toBeCloseTo(autumn.place(autumn.fromS + 5400 + 3600), 10);
  });
});
