import { div, relation, requireNumber, type Figure } from '../shown/index.js';

const added = relation({
  name: 'More in each piece',
  symbol: 'Δp',
  unit: 'g',
  inputs: {
    r: { symbol: 'r', name: 'left over', unit: 'g' },
    n: { symbol: 'n', name: 'pieces', unit: 'pieces' },
  },
  formula: ({ r, n }) => div(r, n),
  source: 'the rest in equal parts',
});
const small = relation({
  name: 'Weight of a small piece',
  symbol: 'p',
  unit: 'g',
  inputs: {
    r: { symbol: 'r', name: 'left over', unit: 'g' },
    k: { symbol: 'k', name: 'small pieces', unit: 'pieces' },
  },
  formula: ({ r, k }) => div(r, k),
  source: 'the rest in equal parts',
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
  requireNumber(remainderG, 'What is left over', 0, 1e6, 'g');
  requireNumber(pieces, 'The pieces', 1, 1e6);
  requireNumber(pieceMassG, 'The piece weight', 5, 400, 'g');
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
          ? 'No piece gets heavier that a scale would show.'
          : fits
            ? `Each piece ${more.value.toFixed(1)} g heavier: ${(pieceMassG + more.value).toFixed(1)} g.`
            : `Each piece would be ${more.value.toFixed(1)} g heavier, beyond the tolerance of ${(toleranceShare * pieceMassG).toFixed(1)} g.`,
    },
    {
      use: 'test-pieces',
      possible: remainderG >= 8,
      figure: each,
      sentence:
        remainderG >= 8
          ? `${count} small ${count === 1 ? 'piece' : 'pieces'} of ${each.value.toFixed(1)} g, to be baked first: mark them, they are done sooner.`
          : 'Too little for a piece.',
    },
    {
      use: 'cold',
      possible: remainderG >= 0.5,
      figure: each,
      sentence:
        remainderG < 0.5
          ? 'Nothing is left over.'
          : `${remainderG.toFixed(0)} g back into the cold, covered and labelled; it ages with its batch.`,
    },
  ];
};
