import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { chance } from '../quantity/index.js';
import { operatingCharacteristic, weighCheck, type WeighVerdict } from './weigh-verdict.js';

/** Standard normal numbers out of a reproducible source (Box and Muller, 1958). */
const normals = (seed: number) => {
  const random = chance(seed);
  return () =>
    Math.sqrt(-2 * Math.log(random.between(1e-12, 1))) * Math.cos(2 * Math.PI * random.between(0, 1));
};
const share = (pieces: number, offShare: number, spreadShare = 0.03, seed = 7) =>
  operatingCharacteristic(
    { nominalG: 32, toleranceG: 1.6, batchPieces: 200, pieces, offShare, spreadShare },
    normals(seed),
    600,
  );

describe('what a sample proves', () => {
  it.each<[string, number[], WeighVerdict, boolean]>([
    ['even and right', [32, 32.1, 31.9, 32.2, 31.8, 32], 'on-target', true],
    ['all light', [30.1, 30.3, 30, 30.2, 30.4], 'light', false],
    ['all heavy', [34, 34.2, 33.8, 34.1, 34], 'heavy', false],
    [
      'right in the mean, but one is far off',
      [32, 32.1, 31.9, 32.2, 28.5, 32, 32.3, 31.7, 32, 32],
      'uneven',
      false,
    ],
    ['few and scattered', [31, 33.4, 30.6, 32.9, 31.5], 'too-few', false],
    ['one piece', [32], 'too-few', false],
    ['two pieces, both light', [30, 30], 'too-few', false],
  ])('%s: %j is %s', (_, readings, verdict, passes) => {
    expect(weighCheck(readings, 32, 1.6, 200)).toMatchObject({ verdict, passes });
  });
  it('by hand: five pieces of 32 g', () => {
    // Mean 32; s = √(10/4) = 1.581; t 2.776; √(1 − 5/200) = 0.9874: ± 2.776 × 1.581 × 0.9874 / √5 = 1.938.
    const { meanG, meanRangeG, beyondTolerance, beyondTwice } = weighCheck(
      [30, 31, 32, 33, 34],
      32,
      1.6,
      200,
    );
    expect(meanG).toBe(32);
    expect(meanRangeG[0]).toBeCloseTo(30.062, 2);
    expect(meanRangeG[1]).toBeCloseTo(33.938, 2);
    expect([beyondTolerance, beyondTwice]).toEqual([2, 0]);
  });
  it('with every piece weighed the mean is known', () => {
    const { meanRangeG, verdict } = weighCheck([31.9, 32.3, 32.1], 32, 1.6, 3);
    expect(meanRangeG[0]).toBe(meanRangeG[1]);
    expect(verdict).toBe('on-target');
  });
  it('says how many more would decide, and with those it mostly does', () => {
    const { morePieces, verdict } = weighCheck([31, 33.4, 30.6, 32.9, 31.9], 32, 1.6, 400);
    expect(verdict).toBe('too-few');
    expect(morePieces).toBeGreaterThan(3);
    expect(morePieces).toBeLessThan(60);
    const decided = share(5 + (morePieces ?? 0), 0, 0.04);
    expect(decided['too-few']).toBeLessThan(0.5);
  });
});

describe('how the check answers over many samples', () => {
  it('a batch 5 % light is hardly ever called on target, however few are weighed', () => {
    for (const pieces of [3, 5, 8, 12, 20, 50])
      for (const spread of [0.01, 0.03, 0.05])
        expect(share(pieces, -0.05, spread)['on-target']).toBeLessThan(0.025);
  });
  it('one 4 % heavy likewise', () => {
    for (const pieces of [5, 10, 30]) expect(share(pieces, 0.04)['on-target']).toBeLessThan(0.05);
  });
  it('a right and even batch is not called light or heavy, and with enough pieces it passes', () => {
    for (const pieces of [5, 10, 30]) {
      const { light, heavy } = share(pieces, 0, 0.02);
      expect(light + heavy).toBeLessThan(0.06);
    }
    expect(share(20, 0, 0.02)['on-target']).toBeGreaterThan(0.9);
  });
  it('more pieces decide more', () => {
    const open = [5, 10, 20, 40].map((pieces) => share(pieces, -0.05)['too-few']);
    for (const [i, value] of open.slice(1).entries())
      expect(value).toBeLessThanOrEqual((open[i] ?? 0) + 0.03);
  });
  it('never claims more than its range says', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 20, max: 45, noNaN: true }), { minLength: 1, maxLength: 40 }),
        fc.integer({ min: 1, max: 2000 }),
        (readings, batch) => {
          const {
            verdict,
            meanRangeG: range,
            meanG,
            beyondTwice,
            passes,
          } = weighCheck(readings, 32, 1.6, batch);
          expect(range[0]).toBeLessThanOrEqual(meanG + 1e-9);
          expect(range[1]).toBeGreaterThanOrEqual(meanG - 1e-9);
          if (verdict === 'light') expect(range[1]).toBeLessThan(32);
          if (verdict === 'heavy') expect(range[0]).toBeGreaterThan(32);
          if (passes) expect([range[0] > 31.1, range[1] < 32.9, beyondTwice]).toEqual([true, true, 0]);
        },
      ),
    );
  });
});
