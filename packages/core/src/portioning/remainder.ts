import { div, relation, requireNumber, type Figure, say, counted } from '../shown/index.js';

const added = relation({
  name: say`More in each piece`,
  symbol: 'Δp',
  unit: 'g',
  inputs: {
    r: { symbol: 'r', name: say`left over`, unit: 'g' },
    n: { symbol: 'n', name: say`pieces`, unit: 'pieces' },
  },
  formula: ({ r, n }) => div(r, n),
  source: say`the rest in equal parts`,
});
const small = relation({
  name: say`Weight of a small piece`,
  symbol: 'p',
  unit: 'g',
  inputs: {
    r: { symbol: 'r', name: say`left over`, unit: 'g' },
    k: { symbol: 'k', name: say`small pieces`, unit: 'pieces' },
  },
  formula: ({ r, k }) => div(r, k),
  source: say`the rest in equal parts`,
});

export type RemainderUse = 'spread' | 'test-pieces' | 'cold';

/** What can become of the dough that is left over, with its figure. */
export interface RemainderOption {
  readonly use: RemainderUse;
  readonly sentence: string;
  readonly possible: boolean;
  readonly figure: Figure;
}

/** What a bench scale shows of a piece, g. */
const leastG = 0.1;

/**
 * Spread over the pieces, made into small test pieces, or put back into the cold.
 * @param toleranceShare of the piece weight by which a piece may be heavier
 */
export const remainderOptions = (
  remainderG: number,
  pieces: number,
  pieceMassG: number,
  toleranceShare: number,
): readonly RemainderOption[] => {
  requireNumber(remainderG, say`What is left over`, 0, 1e6, 'g');
  requireNumber(pieces, say`The pieces`, 1, 1e6);
  requireNumber(pieceMassG, say`The piece weight`, 5, 400, 'g');
  const more = added({ r: remainderG, n: pieces });
  // Small pieces of about half the weight, at least 8 g: smaller ones bake dry before they tell anything.
  const least = Math.max(8, pieceMassG / 2);
  const count = Math.max(1, Math.floor(remainderG / least));
  const each = small({ r: remainderG, k: count });
  const fits = more.value <= toleranceShare * pieceMassG;
  return [
    {
      use: 'spread',
      possible: fits,
      figure: more,
      sentence:
        more.value < leastG / 2
          ? say`No piece gets heavier that a scale would show.`
          : fits
            ? say`Each piece ${more.value.toFixed(1)} g heavier: ${(pieceMassG + more.value).toFixed(1)} g.`
            : say`Each piece would be ${more.value.toFixed(1)} g heavier, beyond the tolerance of ${(toleranceShare * pieceMassG).toFixed(1)} g.`,
    },
    {
      use: 'test-pieces',
      possible: remainderG >= 8,
      figure: each,
      sentence:
        remainderG >= 8
          ? say`${count} small ${counted(count, 'piece', 'pieces')} of ${each.value.toFixed(1)} g, to be baked first: mark them, they are done sooner.`
          : say`Too little for a piece.`,
    },
    {
      use: 'cold',
      possible: remainderG >= 0.5,
      figure: each,
      sentence:
        remainderG < 0.5
          ? say`Nothing is left over.`
          : say`${remainderG.toFixed(0)} g back into the cold, covered and labelled; it ages with its batch.`,
    },
  ];
};
