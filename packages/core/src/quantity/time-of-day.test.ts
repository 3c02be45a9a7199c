import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readTimeOfDay, sayTimeOfDay } from './time-of-day.js';

describe('a time of day', () => {
  it.each<[string, string]>([
    ['05:40', '05:40'],
    ['5:40', '05:40'],
    [' 5.40 ', '05:40'],
    ['17h30', '17:30'],
    ['0540', '05:40'],
    ['5:40 am', '05:40'],
    ['5:40pm', '17:40'],
    ['5:40 P.M.', '17:40'],
    ['5 pm', '17:00'],
    ['12 am', '00:00'],
    ['12:15 pm', '12:15'],
    ['00:00', '00:00'],
    ['23:59', '23:59'],
  ])('%s is %s', (text, time) => expect(readTimeOfDay(text)).toBe(time));
  it.each([
    '',
    '5',
    '12',
    '24:00',
    '5:60',
    '13:00 pm',
    '0 am',
    '5:4',
    '5:40 a',
    '5:40 m',
    'soon',
    '540',
    'noon',
    '-5:40',
    '１２:００',
  ])('"%s" is none', (text) => expect(readTimeOfDay(text)).toBeNull());
  it('is read back as it was said, every minute of the day, by either clock', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1439 }),
        fc.constantFrom('12' as const, '24' as const),
        (minute, hours) => {
          const time = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
          expect(readTimeOfDay(sayTimeOfDay(time, hours))).toBe(time);
        },
      ),
    );
  });
  it('that is none is said as it is', () => expect(sayTimeOfDay('later', '12')).toBe('later'));
});
