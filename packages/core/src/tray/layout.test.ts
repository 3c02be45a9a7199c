import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { closestMm, layOut, restingPerTray } from './layout.js';

const sheet = { lengthMm: 600, widthMm: 400 };

describe('pieces on a tray', () => {
  it('hand-worked: 79 mm with 20 mm between and 10 mm to the rim', () => {
    // Along: (600 − 20 + 20) / 99 = 6.06; across: (400 − 20 + 20) / 99 = 4.04.
    const { count, perRow } = layOut({ ...sheet, diameterMm: 79, gapMm: 20, marginMm: 10, pattern: 'rows' });
    expect(count).toBe(24);
    expect(perRow.value).toBe(6);
    expect(perRow.filled).toContain('600 mm');
  });

  it('best is never worse than rows or staggered', () => {
    for (let diameterMm = 30; diameterMm < 190; diameterMm += 3.7) {
      const count = (pattern: 'rows' | 'staggered' | 'best') =>
        layOut({ ...sheet, diameterMm, gapMm: 15, marginMm: 10, pattern }).count;
      expect(count('best')).toBeGreaterThanOrEqual(Math.max(count('rows'), count('staggered')));
    }
  });

  it('staggered wins where a row more fits', () => {
    const fits = [50, 55, 60, 65, 70, 75, 85, 88, 92, 100].filter(
      (diameterMm) =>
        layOut({ ...sheet, diameterMm, gapMm: 20, marginMm: 10, pattern: 'best' }).pattern === 'staggered',
    );
    expect(fits.length).toBeGreaterThan(0);
  });

  it('no two touch and none leaves the tray, in either pattern', () => {
    const question = fc.record({
      lengthMm: fc.double({ min: 200, max: 900, noNaN: true }),
      widthMm: fc.double({ min: 200, max: 900, noNaN: true }),
      diameterMm: fc.double({ min: 20, max: 160, noNaN: true }),
      gapMm: fc.double({ min: 0, max: 60, noNaN: true }),
      marginMm: fc.double({ min: 0, max: 20, noNaN: true }),
      pattern: fc.constantFrom('rows' as const, 'staggered' as const, 'best' as const),
    });
    fc.assert(
      fc.property(question, (q) => {
        const { centresMm, count } = layOut(q);
        expect(centresMm).toHaveLength(count);
        expect(closestMm(centresMm)).toBeGreaterThanOrEqual(q.diameterMm + q.gapMm - 1e-6);
        const away = q.marginMm + q.diameterMm / 2 - 1e-6;
        for (const [x, y] of centresMm) {
          expect(Math.min(x, q.lengthMm - x, y, q.widthMm - y)).toBeGreaterThanOrEqual(away);
        }
      }),
    );
  });

  it('one piece lies in the middle', () => {
    expect(layOut({ ...sheet, diameterMm: 350, gapMm: 20, marginMm: 10, pattern: 'rows' }).centresMm).toEqual(
      [[300, 200]],
    );
    expect(closestMm([[300, 200]])).toBe(Number.POSITIVE_INFINITY);
  });

  it('a piece larger than the tray is refused with what to do', () => {
    expect(() => layOut({ ...sheet, diameterMm: 420, gapMm: 20, marginMm: 10, pattern: 'best' })).toThrow(
      'A piece of 420 mm does not fit on a tray of 600 × 400 mm',
    );
  });

  it.each([
    [{ diameterMm: -3 }, 'The diameter'],
    [{ diameterMm: Number.NaN }, 'The diameter'],
    [{ gapMm: -1 }, 'The gap'],
    [{ marginMm: 999 }, 'The margin'],
    [{ lengthMm: 0 }, 'The length of the tray'],
  ])('%j is refused', (change, sentence) => {
    expect(() =>
      layOut({ ...sheet, diameterMm: 80, gapMm: 20, marginMm: 10, pattern: 'best', ...change }),
    ).toThrow(sentence);
  });

  it('raw pieces rest close: several times as many as are baked', () => {
    expect(restingPerTray(sheet, 37)).toBeGreaterThan(100);
  });
});
