import type { WhatIfSide } from '@jokul/contracts';

/** A day on which all goes well, but for what is said otherwise. */
export const side = (part: Partial<WhatIfSide> = {}): WhatIfSide => ({
  orderedPieces: 400,
  undonePieces: 0,
  late: [],
  unplaced: [],
  violations: [],
  cost: 300,
  loads: 8,
  work: [],
  ...part,
});
