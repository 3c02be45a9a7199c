import type { Layout } from './layout.js';

/** What somebody saw of the gap on a baked tray. */
export type Room = 'touched' | 'fits' | 'more';

const stepMm = 5;
const leastMm = 5;

/** The gap that the last trays ask for, mm: more where pieces touched, less where two in a row had room. */
export const gapAfter = (gapMm: number, seen: readonly Room[]): number => {
  const [last, before] = seen.toReversed();
  if (last === 'touched') return gapMm + stepMm;
  if (last === 'more' && before !== 'touched') return Math.max(leastMm, gapMm - stepMm);
  return gapMm;
};

/** A few places in the middle of the tray, for a test bake: those nearest the centre, none of them neighbours of a rim. */
export const testTray = (layout: Layout, lengthMm: number, widthMm: number, pieces: number): Layout => {
  const far = ([x, y]: readonly [number, number]) => Math.hypot(x - lengthMm / 2, y - widthMm / 2);
  const centresMm = [...layout.centresMm].sort((a, b) => far(a) - far(b)).slice(0, pieces);
  return { ...layout, centresMm, count: centresMm.length };
};

/** Whether pieces may touch where they spread to the wide end of what is foretold; how much is left or lacks, mm. */
export const clearAtWidest = (gapMm: number, diameterMm: number, diameterShare: number): number =>
  gapMm - diameterMm * diameterShare;
