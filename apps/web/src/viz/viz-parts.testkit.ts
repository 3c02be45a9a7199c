import { doughNeeded } from '@jokul/core';

export { layOut } from '@jokul/core';

/** A figure with terms that open further. */
export const shown = doughNeeded(
  [
    { pieces: 96, pieceMassG: 32 },
    { pieces: 100, pieceMassG: 32 },
  ],
  { bowlShare: 0.01, portionShare: 0.01, testPieces: 4 },
);
