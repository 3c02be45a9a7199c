import { describe, expect, it } from '@jest/globals';
import { howMany } from '../how-many.testkit.js';
import { layOut, closestMm, type TrayQuestion } from './layout.js';
import { atMost, withMore } from './one-more.js';
import { offsetRows, straightRows, turned, type FreeArea } from './row-patterns.js';

/** Even numbers from 0 to 1, the same every time. */
const evenly = (seed: number) => {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
};

/** What a baker counts: the rows that fit, of so many each, for every step along a side. Written apart from the layouts. */
const countedByHand = (w: number, h: number, p: number): number => {
  let best = (1 + Math.floor(w / p + 1e-9)) * (1 + Math.floor(h / p + 1e-9));
  for (let n = 1; (n - 1) * p <= w + 1e-9; n++) {
    const rowsAt = (step: number) =>
      1 + Math.floor(h / Math.max(p / 2, Math.sqrt(Math.max(0, p * p - (step * step) / 4))) + 1e-9);
    if (n > 1) {
      const rows = rowsAt(w / (n - 1));
      best = Math.max(best, Math.ceil(rows / 2) * n + Math.floor(rows / 2) * (n - 1));
    }
    const step = w / (n - 0.5);
    if (step >= p - 1e-9) best = Math.max(best, rowsAt(step) * n);
  }
  return best;
};

const randomTray = (next: () => number): TrayQuestion => ({
  lengthMm: 250 + next() * 550,
  widthMm: 200 + next() * 450,
  diameterMm: 35 + next() * 95,
  gapMm: next() * 30,
  marginMm: next() * 15,
  pattern: 'best',
});

const trays = howMany(1000, 250);

describe('the fullest tray', () => {
  it(`holds what rows and staggers along either side hold, or more, on ${trays} random trays`, () => {
    const next = evenly(20_261_127);
    let beyond = 0;
    for (let i = 0; i < trays; i++) {
      const q = randomTray(next);
      const d = q.diameterMm as number;
      const [w, h] = [q.lengthMm - 2 * q.marginMm - d, q.widthMm - 2 * q.marginMm - d];
      const hand = Math.max(countedByHand(w, h, d + q.gapMm), countedByHand(h, w, d + q.gapMm));
      const { count, centresMm } = layOut(q);
      expect(count).toBeGreaterThanOrEqual(hand);
      expect(count).toBeLessThanOrEqual(atMost({ widthMm: w, heightMm: h, pitchMm: d + q.gapMm }));
      expect(closestMm(centresMm)).toBeGreaterThanOrEqual(d + q.gapMm - 1e-6);
      for (const [x, y] of centresMm)
        expect(Math.min(x, q.lengthMm - x, y, q.widthMm - y)).toBeGreaterThanOrEqual(
          q.marginMm + d / 2 - 1e-6,
        );
      if (count > hand) beyond++;
    }
    expect(beyond).toBeGreaterThan(trays / 100);
  });

  it('lets rows move together: 68 where straight rows hold 64', () => {
    // The square of 8 × 8 straight rows: 64; offset rows hold 68 at the same pitch (Graham and Lubachevsky, 1996).
    const square: FreeArea = { widthMm: 7, heightMm: 7, pitchMm: 1 };
    expect(straightRows(square)).toHaveLength(64);
    expect(offsetRows(square).length).toBeGreaterThanOrEqual(68);
  });

  it('sets ten where rows hold nine: the best packing of ten is no pattern of rows', () => {
    // Ten points in a unit square are at most 0.4213 apart (Schaer, 1971); three rows of three need 0.5, less leaves room.
    const square: FreeArea = { widthMm: 1, heightMm: 1, pitchMm: 0.418 };
    const rows = [straightRows(square), offsetRows(square), turned(offsetRows, square)];
    expect(Math.max(...rows.map(({ length }) => length))).toBeLessThan(10);
    const more = withMore(rows[0] ?? [], square);
    expect(more).toHaveLength(10);
    expect(closestMm(more)).toBeGreaterThanOrEqual(0.418);
    const wider = { ...square, pitchMm: 0.43 };
    expect(withMore(straightRows(wider), wider).length).toBeLessThan(10);
  });

  it('lays tiny pieces on a huge tray without trying out every pattern of them', () => {
    const huge = { lengthMm: 3000, widthMm: 3000, diameterMm: 5, gapMm: 0, marginMm: 0 };
    const { count, centresMm } = layOut({ ...huge, pattern: 'best' });
    expect(centresMm).toHaveLength(count);
    expect(count).toBeGreaterThan(600 * 600 * 1.14);
    expect(new Set(centresMm.map(([, y]) => y.toFixed(6))).size).toBeGreaterThan(600);
  });

  it('gives the same tray the same layout, and a tray that is turned as many', () => {
    const next = evenly(4);
    for (let i = 0; i < 40; i++) {
      const q = randomTray(next);
      expect(layOut(q)).toEqual(layOut(q));
      const rows = (asked: TrayQuestion) => layOut({ ...asked, pattern: 'staggered' }).count;
      expect(rows({ ...q, lengthMm: q.widthMm, widthMm: q.lengthMm })).toBe(rows(q));
    }
  });

  it('says that it is set free only where that holds more', () => {
    const next = evenly(77);
    for (let i = 0; i < 120; i++) {
      const q = randomTray(next);
      const best = layOut(q);
      const rows = Math.max(
        layOut({ ...q, pattern: 'rows' }).count,
        layOut({ ...q, pattern: 'staggered' }).count,
      );
      if (best.pattern === 'free') expect(best.count).toBeGreaterThan(rows);
      else expect(best.count).toBe(rows);
    }
  });
});
