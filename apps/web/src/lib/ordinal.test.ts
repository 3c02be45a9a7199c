import { expect, it } from '@jest/globals';
import { ordinal } from './ordinal';

it('says which in a row', () => {
  expect([1, 2, 3, 4, 11, 12, 13, 21, 22, 103, 113].map(ordinal)).toEqual([
    '1st',
    '2nd',
    '3rd',
    '4th',
    '11th',
    '12th',
    '13th',
    '21st',
    '22nd',
    '103rd',
    '113th',
  ]);
});
