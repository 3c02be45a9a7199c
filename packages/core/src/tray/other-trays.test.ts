import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { layOutBars, type Bar, type BarQuestion } from './bars.js';
import { closestMm, layOut } from './layout.js';
import { layOutMixed } from './mixed.js';

const sheet = { lengthMm: 600, widthMm: 400 };

describe('a tray with open sides', () => {
  it('lets pieces come to an edge without a rail, never over it, and keeps the margin at the others', () => {
    const q = { ...sheet, diameterMm: 80, gapMm: 10, marginMm: 25, pattern: 'best' as const };
    const open = layOut({ ...q, openSides: ['left', 'right'] });
    const xs = open.centresMm.map(([x]) => x);
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(40 - 1e-6);
    expect(Math.min(...xs)).toBeLessThan(65);
    expect(Math.max(...xs)).toBeLessThanOrEqual(560 + 1e-6);
    for (const [, y] of open.centresMm) expect(Math.min(y, 400 - y)).toBeGreaterThanOrEqual(65 - 1e-6);
    expect(open.count).toBeGreaterThanOrEqual(layOut(q).count);
  });
  it('with one open side the other end keeps its margin', () => {
    const { centresMm, perRow } = layOut({
      ...sheet,
      diameterMm: 82,
      gapMm: 10,
      marginMm: 30,
      openSides: ['left'],
      pattern: 'rows',
    });
    // 600 − 30 = 570: six of 82 with five gaps of 10 are 542; with both margins 540 hold five.
    expect(perRow.value).toBe(6);
    expect(Math.max(...centresMm.map(([x]) => x))).toBeLessThanOrEqual(600 - 30 - 41 + 1e-6);
    expect(Math.min(...centresMm.map(([x]) => x))).toBeCloseTo(41, 6);
  });
});

const overlaps = (
  sizes: readonly { readonly diameterMm: number }[],
  laid: ReturnType<typeof layOutMixed>,
  gapMm: number,
) => {
  const all = laid.sizes.flatMap(({ centresMm }, i) =>
    centresMm.map(([x, y]) => ({ x, y, r: (sizes[i]?.diameterMm ?? 0) / 2 })),
  );
  return all.some((a, i) =>
    all.slice(0, i).some((b) => Math.hypot(a.x - b.x, a.y - b.y) < a.r + b.r + gapMm - 1e-5),
  );
};

describe('several sizes on one tray', () => {
  it('places what is wanted: ten large ones and small ones between them', () => {
    const sizes = [
      { diameterMm: 60, pieces: 12 },
      { diameterMm: 100, pieces: 10 },
    ];
    const laid = layOutMixed({ ...sheet, sizes, gapMm: 10, marginMm: 10 });
    expect(laid.sizes.map(({ centresMm }) => centresMm.length)).toEqual([12, 10]);
    expect(laid.sizes.map(({ left }) => left)).toEqual([0, 0]);
    expect(overlaps(sizes, laid, 10)).toBe(false);
  });
  it('says how many found no place, and never drops a large one for a small one', () => {
    const laid = layOutMixed({
      ...sheet,
      sizes: [{ diameterMm: 110, pieces: 40 }, { diameterMm: 40 }],
      gapMm: 10,
      marginMm: 10,
    });
    const [large, small] = laid.sizes;
    expect((large?.left ?? 0) + (large?.centresMm.length ?? 0)).toBe(40);
    expect(large?.centresMm.length).toBeGreaterThanOrEqual(
      layOut({ ...sheet, diameterMm: 110, gapMm: 10, marginMm: 10, pattern: 'rows' }).count - 1,
    );
    expect(small?.left).toBe(0);
  });
  it('of one size it is the layout of one size', () => {
    const q = { ...sheet, gapMm: 15, marginMm: 10 };
    expect(layOutMixed({ ...q, sizes: [{ diameterMm: 75 }] }).sizes[0]?.centresMm).toEqual(
      layOut({ ...q, diameterMm: 75, pattern: 'best' }).centresMm,
    );
  });
  it('of two sizes that are the same it holds nearly as many as of one', () => {
    const q = { ...sheet, gapMm: 15, marginMm: 10 };
    const one = layOut({ ...q, diameterMm: 75, pattern: 'best' }).count;
    const two = layOutMixed({ ...q, sizes: [{ diameterMm: 75, pieces: 5 }, { diameterMm: 75 }] });
    const all = two.sizes.reduce((sum, { centresMm }) => sum + centresMm.length, 0);
    expect(all).toBeGreaterThanOrEqual(one - 2);
  });
  it('keeps gaps and margins on 30 random trays', () => {
    fc.assert(
      fc.property(
        fc.record({
          a: fc.integer({ min: 40, max: 120 }),
          b: fc.integer({ min: 30, max: 90 }),
          gap: fc.integer({ min: 0, max: 25 }),
          wanted: fc.integer({ min: 0, max: 12 }),
        }),
        ({ a, b, gap, wanted }) => {
          const sizes = [{ diameterMm: a, pieces: wanted }, { diameterMm: b }];
          const laid = layOutMixed({ ...sheet, sizes, gapMm: gap, marginMm: 8 });
          expect(overlaps(sizes, laid, gap)).toBe(false);
          laid.sizes.forEach(({ centresMm }, i) => {
            const r = (sizes[i]?.diameterMm ?? 0) / 2;
            const nearest = centresMm.map(([x, y]) => Math.min(x, y, 600 - x, 400 - y));
            expect(Math.min(...nearest, 300)).toBeGreaterThanOrEqual(8 + r - 1e-5);
          });
        },
      ),
      { numRuns: 30, seed: 41 },
    );
  });
  it.each([2.5, -1, Number.NaN, 5000])('refuses %p pieces of a size', (pieces) => {
    const sizes = [{ diameterMm: 60, pieces }, { diameterMm: 40 }];
    expect(() => layOutMixed({ ...sheet, sizes, gapMm: 5, marginMm: 5 })).toThrow('whole number');
    expect(() => layOutMixed({ ...sheet, sizes: sizes.slice(0, 1), gapMm: 5, marginMm: 5 })).toThrow(
      'whole number',
    );
  });
  it('refuses a size that fits on no tray, naming it', () => {
    expect(() =>
      layOutMixed({ ...sheet, sizes: [{ diameterMm: 50 }, { diameterMm: 500 }], gapMm: 5, marginMm: 5 }),
    ).toThrow('does not fit on a tray');
    expect(() => layOutMixed({ ...sheet, sizes: [], gapMm: 5, marginMm: 5 })).toThrow('at least one size');
  });
});

const barsOn = (change: Partial<BarQuestion> = {}) =>
  layOutBars({
    ...sheet,
    barLengthMm: 110,
    barWidthMm: 45,
    gapMm: 0,
    marginMm: 0,
    ...change,
  });
const box = (bar: Bar, l: number, w: number) => {
  const [width, height] = bar.along ? [l, w] : [w, l];
  return [bar.xMm - width / 2, bar.xMm + width / 2, bar.yMm - height / 2, bar.yMm + height / 2] as const;
};

describe('bars that may touch', () => {
  it('fill a tray without a gap where they divide it', () => {
    expect(barsOn({ barLengthMm: 100, barWidthMm: 50 })).toHaveLength(48);
  });
  it('lie both ways where that holds more than either way alone', () => {
    // 600 × 400 with 110 × 45: along 5 × 8 = 40, across 13 × 3 = 39; the area would hold 48.
    expect(barsOn().length).toBeGreaterThan(40);
    expect(new Set(barsOn().map(({ along }) => along)).size).toBe(2);
  });
  it('do not overlap, keep their gap and the margins, on 60 random trays', () => {
    fc.assert(
      fc.property(
        fc.record({
          l: fc.integer({ min: 40, max: 180 }),
          w: fc.integer({ min: 20, max: 90 }),
          gap: fc.integer({ min: 0, max: 12 }),
          margin: fc.integer({ min: 0, max: 15 }),
        }),
        ({ l, w, gap, margin }) => {
          const bars = barsOn({ barLengthMm: l, barWidthMm: w, gapMm: gap, marginMm: margin });
          const one = (a: number, b: number) =>
            Math.floor((600 - 2 * margin + gap) / (a + gap)) *
            Math.floor((400 - 2 * margin + gap) / (b + gap));
          expect(bars.length).toBeGreaterThanOrEqual(Math.max(one(l, w), one(w, l)));
          expect(bars.length * (l + gap) * (w + gap)).toBeLessThanOrEqual(
            (600 - 2 * margin + gap) * (400 - 2 * margin + gap) + 1e-6,
          );
          const boxes = bars.map((bar) => box(bar, l, w));
          const beyond = boxes.filter(
            ([x0, x1, y0, y1]) => Math.min(x0, y0, 600 - x1, 400 - y1) < margin - 1e-6,
          );
          const tooNear = boxes.filter(([x0, x1, y0, y1], i) =>
            boxes
              .slice(0, i)
              .some(([u0, u1, v0, v1]) => Math.max(x0 - u1, u0 - x1, y0 - v1, v0 - y1) < gap - 1e-6),
          );
          expect([beyond, tooNear]).toEqual([[], []]);
        },
      ),
      { numRuns: 60, seed: 7 },
    );
  });
  it('refuses a bar that is longer than the tray', () => {
    expect(() => barsOn({ barLengthMm: 700, barWidthMm: 450 })).toThrow('does not fit on a tray');
  });
});

it('pieces that may touch lie as near as their diameter', () => {
  const { centresMm } = layOut({ ...sheet, diameterMm: 60, gapMm: 0, marginMm: 0, pattern: 'best' });
  expect(closestMm(centresMm)).toBeGreaterThanOrEqual(60 - 1e-6);
  expect(centresMm.length).toBeGreaterThanOrEqual(66);
});
