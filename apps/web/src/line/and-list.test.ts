import { describe, expect, it } from '@jest/globals';
import { andList } from './and-list';

describe('names as a sentence says them', () => {
  it.each([
    [['Ferry galley'], 'Ferry galley'],
    [['Ferry galley', 'Pier kiosk'], 'Ferry galley and Pier kiosk'],
    [['A', 'B', 'C'], 'A, B, and C'],
    [['A', 'B', 'C', 'D', 'E'], 'A, B, and 3 more'],
    [[], ''],
  ])('%j', (names, said) => expect(andList(names)).toBe(said));
});
