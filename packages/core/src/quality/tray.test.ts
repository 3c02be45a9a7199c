import { describe, expect, it } from '@jest/globals';
import { spreadRatio } from './tray.js';

describe('the spread of a measured tray', () => {
  it('is diameter over height', () => {
    expect(spreadRatio(82, 14).value).toBeCloseTo(5.857, 3);
    expect(spreadRatio(82, 14).filled).toBe('82 mm / 14 mm = 5.86');
  });
  it('of a cookie without height is refused', () => {
    expect(() => spreadRatio(80, 0)).toThrow('Spread ratio cannot be computed');
  });
});
