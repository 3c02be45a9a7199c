import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readOrderDate } from './order-date.js';

describe('the day of a line', () => {
  it.each([
    ['2026-11-28', '2026-11-28'],
    ['2026/11/28', '2026-11-28'],
    ['28.11.2026', '2026-11-28'],
    ['28.11.26', '2026-11-28'],
    ['28/11/2026', '2026-11-28'],
    ['11/28/2026', '2026-11-28'],
    ['6/6/2026', '2026-06-06'],
    ['28 Nov', '2026-11-28'],
    ['Sat 28 Nov', '2026-11-28'],
    ['Saturday, 28 November 2026', '2026-11-28'],
    ['28-Nov-26', '2026-11-28'],
    ['Nov 28', '2026-11-28'],
    ['November 28th, 2027', '2027-11-28'],
  ])('%s is %s', (text, date) => expect(readOrderDate(text, 2026)).toBe(date));
  it.each(['5/6/2026', '31.11.2026', '2026-02-29', '28', 'Nov', '05:40', '28 Foo', '', 'GNG', '96', '1,200'])(
    '"%s" is none, or two',
    (text) => expect(readOrderDate(text, 2026)).toBeNull(),
  );
  it('whatever stands there, it is a day of the calendar or none', () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        const date = readOrderDate(text, 2026);
        if (date !== null) expect(new Date(`${date}T12:00:00Z`).toISOString().slice(0, 10)).toBe(date);
      }),
    ));
});
