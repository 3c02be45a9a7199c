import { describe, expect, it } from '@jest/globals';
import { sharpnessOf } from './sharpness.js';

const passing = (weighed: number, spreadG: number) =>
  sharpnessOf({ weighed, pieces: 200, targetG: 35, toleranceG: 1.75, spreadG });

describe('how sharp a sample is', () => {
  it('a right batch passes most often, a light one hardly ever', () => {
    const [right = 0, little = 0, light = 1] = passing(20, 0.7);
    expect(right).toBeGreaterThan(little);
    expect(little).toBeGreaterThanOrEqual(light);
    expect(light).toBeLessThan(0.05);
  });
  it('more pieces tell the right one better', () => {
    expect(passing(40, 0.9)[0] ?? 0).toBeGreaterThan(passing(6, 0.9)[0] ?? 1);
  });
  it('says the same for the same sample', () => expect(passing(12, 0.8)).toEqual(passing(12, 0.8)));
});
