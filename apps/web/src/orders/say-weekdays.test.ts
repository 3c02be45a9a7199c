import { describe, expect, it } from '@jest/globals';
import { sayWeekdays } from './say-weekdays';

describe('days of the week as a person says them', () => {
  it.each([
    [[1, 2, 3, 4, 5, 6, 7], 'every day'],
    [[5, 4, 3, 2, 1], 'Mon to Fri'],
    [[6, 7], 'Sat and Sun'],
    [[1, 3, 5], 'Mon, Wed, and Fri'],
    [[1, 2, 3, 5], 'Mon, Tue, Wed, and Fri'],
    [[4], 'Thu'],
    [[], 'never'],
  ])('%j', (days, said) => expect(sayWeekdays(days)).toBe(said));
});
