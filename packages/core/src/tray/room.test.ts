import { describe, expect, it } from '@jest/globals';
import { layOut } from './layout.js';
import { clearAtWidest, gapAfter, testTray } from './room.js';

describe('what was seen of the gap', () => {
  it.each([
    [[], 20],
    [['fits'], 20],
    [['touched'], 25],
    [['fits', 'touched'], 25],
    [['more'], 15],
    [['touched', 'more'], 20],
    [['more', 'more'], 15],
  ] as const)('%j asks for a gap of %i mm', (seen, gap) => {
    expect(gapAfter(20, seen)).toBe(gap);
  });
  it('never goes below half a centimetre', () => {
    expect(gapAfter(6, ['more', 'more'])).toBe(5);
  });
});

describe('a few pieces on a test tray', () => {
  const layout = layOut({
    lengthMm: 600,
    widthMm: 400,
    diameterMm: 80,
    gapMm: 20,
    marginMm: 10,
    pattern: 'best',
  });
  it('lie in the middle, where the tray is even', () => {
    const few = testTray(layout, 600, 400, 4);
    expect(few.count).toBe(4);
    for (const [x, y] of few.centresMm) {
      expect(Math.abs(x - 300)).toBeLessThan(160);
      expect(Math.abs(y - 200)).toBeLessThan(120);
    }
  });
  it('are never more than fit', () => {
    expect(testTray(layout, 600, 400, 500).count).toBe(layout.count);
  });
  it('room is what the gap leaves of the widest', () => {
    expect(clearAtWidest(20, 80, 0.1)).toBeCloseTo(12);
    expect(clearAtWidest(5, 80, 0.1)).toBeLessThan(0);
  });
});
