import type { Availability } from '../problem/problem.js';

/** A stretch of time in which ovens are attended without a break. */
export interface OvenWindow {
  readonly fromS: number;
  readonly toS: number;
}

/** The stretches in which ovens are attended, in order; what touches or overlaps is one. */
export const ovenWindows = (hours: readonly Availability[]): readonly OvenWindow[] => {
  const windows: { fromS: number; toS: number }[] = [];
  for (const { fromS, toS, capacity } of [...hours].sort((a, b) => a.fromS - b.fromS)) {
    if (capacity <= 0 || toS <= fromS) continue;
    const last = windows.at(-1);
    if (last && fromS <= last.toS) last.toS = Math.max(last.toS, toS);
    else windows.push({ fromS, toS });
  }
  return windows;
};
