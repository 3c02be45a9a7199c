import { describe, expect, it } from '@jest/globals';
import { atWallClock, clockChangeAt, shiftDate, wallClock } from './clock.js';

const zone = 'Atlantic/Faroe';

describe('the wall clock of the bakery', () => {
  it.each([
    ['2026-11-27', '04:10', '2026-11-27T04:10:00Z', 'winter: the same as UTC'],
    ['2026-07-03', '04:10', '2026-07-03T03:10:00Z', 'summer: an hour ahead'],
    ['2026-03-29', '00:30', '2026-03-29T00:30:00Z', 'before the clocks go forward'],
    ['2026-03-29', '03:00', '2026-03-29T02:00:00Z', 'after the clocks went forward'],
    ['2026-10-25', '06:30', '2026-10-25T06:30:00Z', 'after the clocks went back'],
  ])('%s %s is %s (%s)', (date, time, utc) => {
    expect(atWallClock(date, time, zone)).toBe(Date.parse(utc) / 1000);
  });

  it.each([
    ['2026-11-27', '05:40'],
    ['2026-06-30', '23:59'],
    ['2026-12-31', '00:00'],
  ])('%s %s goes there and back', (date, time) => {
    expect(wallClock(atWallClock(date, time, zone), zone)).toEqual({ date, time, seconds: 0 });
  });

  it('a night of the clock change is an hour shorter or longer', () => {
    const hours = (from: string, to: string) =>
      (atWallClock(to, '12:00', zone) - atWallClock(from, '12:00', zone)) / 3600;
    expect(hours('2026-03-28', '2026-03-29')).toBe(23);
    expect(hours('2026-10-24', '2026-10-25')).toBe(25);
  });

  it.each([
    ['2026-03-29', '01:30', 'skipped'],
    ['2026-03-29', '00:59', null],
    ['2026-03-29', '02:00', null],
    ['2026-10-25', '01:30', 'twice'],
    ['2026-10-25', '00:59', null],
    ['2026-10-25', '02:00', null],
    ['2026-11-27', '05:40', null],
  ])('%s %s in a night of the clock change: %s', (date, time, change) =>
    expect(clockChangeAt(date, time, zone)).toBe(change),
  );
  it('knows a change by half an hour', () => {
    expect(clockChangeAt('2026-04-05', '01:45', 'Australia/Lord_Howe')).toBe('twice');
    expect(clockChangeAt('2026-10-04', '02:15', 'Australia/Lord_Howe')).toBe('skipped');
  });

  it.each([
    ['2026-11-27', '24:00'],
    ['2026-11-27', '5:40'],
    ['2026-13-01', '05:40'],
    ['2026-02-30', '05:40'],
    ['27.11.2026', '05:40'],
    ['', ''],
  ])('"%s %s" is refused', (date, time) => {
    expect(() => atWallClock(date, time, zone)).toThrow(/no date and time|not in the calendar/);
  });
});

describe('going from day to day', () => {
  it.each([
    ['2026-11-27', -3, '2026-11-24'],
    ['2026-11-30', 1, '2026-12-01'],
    ['2026-12-31', 1, '2027-01-01'],
    ['2028-02-28', 1, '2028-02-29'],
    ['2026-03-29', 1, '2026-03-30'],
  ])('%s and %d is %s', (date, days, shifted) => expect(shiftDate(date, days)).toBe(shifted));
});

describe('dates at the ends of the calendar', () => {
  it.each(['0021-11-27', '0000-01-01'])('%s is none: it would be one of the last century', (date) => {
    expect(() => atWallClock(date, '05:00', 'UTC')).toThrow('is not in the calendar');
  });
  it.each([
    ['10000-01-01', 1],
    ['2026-13-40', 1],
    ['', 1],
  ])('nothing follows %j, and that is said', (date, days) => {
    expect(() => shiftDate(date, days)).toThrow('is not in the calendar');
  });
});
