import { describe, expect, it } from '@jest/globals';
import { asFraction } from './as-fraction.js';

describe('a figure of cups as it is written by hand', () => {
  it.each([
    [1 / 3, '⅓'],
    [0.5, '½'],
    [1.5, '1½'],
    [2 + 2 / 3, '2⅔'],
    [0.125, '⅛'],
    [2, '2'],
    [200, '200'],
    [5 / 12, '0.4167'],
    [0, '0'],
  ])('%d is %s', (value, said) => expect(asFraction(value)).toBe(said));
});
