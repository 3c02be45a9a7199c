import type { Formula } from '../formula/index.js';
import type { BatchState } from '../journal/index.js';

/** Dough that is past its window and was not released by anybody. */
export interface OverWindow {
  readonly ageS: number;
  readonly limitS: number;
}

/** How far a dough is over its window in the cold, if it is and nobody decided on it; null otherwise. */
export const overWindow = (
  batch: BatchState | undefined,
  formula: Formula,
  nowMs: number,
): OverWindow | null => {
  if (!batch || formula.rest.form === 'none') return null;
  const limitS = formula.rest.maxS;
  const ageS = Math.max(0, ...batch.stays.map((stay) => ((stay.outMs ?? nowMs) - stay.atMs) / 1000));
  if (ageS <= limitS || batch.released.length > 0) return null;
  return { ageS, limitS };
};
