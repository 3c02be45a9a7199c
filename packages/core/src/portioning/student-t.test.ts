import { describe, expect, it } from '@jest/globals';
import { studentT } from './student-t.js';

// Fisher and Yates (1963), table III.
describe("Student's t", () => {
  it.each([
    [0.975, 1, 12.706],
    [0.975, 4, 2.776],
    [0.975, 9, 2.262],
    [0.975, 25, 2.06],
    [0.975, 1e6, 1.96],
    [0.995, 1, 63.657],
    [0.995, 4, 4.604],
    [0.995, 49, 2.68],
    [0.995, 1e6, 2.576],
  ])('at %d with %d degrees of freedom is %d', (share, freedom, t) =>
    expect(studentT(share, freedom)).toBeCloseTo(t, 3),
  );
});
