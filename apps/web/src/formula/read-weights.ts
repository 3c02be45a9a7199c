import type { ReadResult } from '@jokul/core';

/** What the lines of a recipe that are read weigh, g: all that is eaten, and the dough alone, of which the pieces are portioned. */
export const readWeights = (
  read: readonly Pick<ReadResult, 'mass' | 'use'>[],
): { readonly totalG: number; readonly doughG: number } => {
  const weighG = (counts: (use: string) => boolean) =>
    read.reduce((sum, { mass, use = 'dough' }) => sum + (counts(use) ? (mass?.value ?? 0) : 0), 0);
  // What is for tray and bench is not eaten.
  return { totalG: weighG((use) => use !== 'other'), doughG: weighG((use) => use === 'dough') };
};
