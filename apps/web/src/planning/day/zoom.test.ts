import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { around, isClosest, isWhole, panned, zoomed, type Stretch } from './zoom';

const limits: Stretch = { fromS: 1000, toS: 101_000 };
const shareOf = ({ fromS, toS }: Stretch, atS: number) => (atS - fromS) / (toS - fromS);

describe('the stretch of time that Day shows', () => {
  it('comes closer around a moment that stays where it is', () => {
    const shown = { fromS: 21_000, toS: 41_000 };
    const closer = zoomed(shown, 0.5, 26_000, limits);
    expect(closer.toS - closer.fromS).toBe(10_000);
    expect(shareOf(closer, 26_000)).toBeCloseTo(shareOf(shown, 26_000), 9);
  });
  it('around its middle where the moment is not shown', () => {
    expect(zoomed({ fromS: 20_000, toS: 40_000 }, 0.5, 90_000, limits)).toEqual({
      fromS: 25_000,
      toS: 35_000,
    });
  });
  it('no closer than ten minutes, no farther than the day', () => {
    let shown: Stretch = limits;
    for (let i = 0; i < 40; i++) shown = zoomed(shown, 0.5, 30_000, limits);
    expect(shown.toS - shown.fromS).toBe(600);
    expect(isClosest(shown)).toBe(true);
    for (let i = 0; i < 40; i++) shown = zoomed(shown, 2, 30_000, limits);
    expect(shown).toEqual(limits);
    expect(isWhole(shown, limits)).toBe(true);
  });
  it('goes along, and stops at the ends', () => {
    expect(panned({ fromS: 20_000, toS: 30_000 }, 0.5, limits)).toEqual({ fromS: 25_000, toS: 35_000 });
    expect(panned({ fromS: 95_000, toS: 100_000 }, 1, limits)).toEqual({ fromS: 96_000, toS: 101_000 });
    expect(around({ fromS: 0, toS: 4000 }, 50_000, limits)).toEqual({ fromS: 48_000, toS: 52_000 });
  });
  it('stays inside and in order, whatever is pressed', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            what: fc.constantFrom('in', 'out', 'left', 'right', 'now'),
            atS: fc.integer({ min: 0, max: 120_000 }),
          }),
          { maxLength: 40 },
        ),
        (presses) => {
          let shown: Stretch = { fromS: 30_000, toS: 60_000 };
          for (const { what, atS } of presses) {
            if (what === 'in') shown = zoomed(shown, 0.5, atS, limits);
            else if (what === 'out') shown = zoomed(shown, 2, atS, limits);
            else if (what === 'now') shown = around(shown, atS, limits);
            else shown = panned(shown, what === 'left' ? -0.25 : 0.25, limits);
            expect(shown.fromS).toBeGreaterThanOrEqual(limits.fromS - 1e-6);
            expect(shown.toS).toBeLessThanOrEqual(limits.toS + 1e-6);
            expect(shown.toS - shown.fromS).toBeGreaterThanOrEqual(599);
          }
        },
      ),
    );
  });
});
