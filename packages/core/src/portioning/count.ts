import { call, div, mul, relation, requireNumber, sub, type Figure, say } from '../shown/index.js';

const dough = {
  M: { symbol: 'M', name: say`dough mass`, unit: 'g' },
  s: { symbol: 's', name: say`loss at portioning`, unit: 'share', source: say`house rules` },
} as const;

const count = relation({
  name: say`Pieces from this dough`,
  symbol: 'n',
  unit: 'pieces',
  inputs: {
    ...dough,
    p: { symbol: 'p', name: say`piece weight`, unit: 'g', source: say`formula` },
  },
  formula: ({ M, s, p }) => call('floor', div(mul(M, sub(1, s)), p)),
  source: 'n = ⌊M (1 − s) / p⌋',
});

const left = relation({
  name: say`Left over`,
  symbol: 'r',
  unit: 'g',
  inputs: {
    ...dough,
    n: { symbol: 'n', name: say`pieces`, unit: 'pieces' },
    p: { symbol: 'p', name: say`piece weight`, unit: 'g', source: say`formula` },
  },
  formula: ({ M, s, n, p }) => sub(mul(M, sub(1, s)), mul(n, p)),
  source: say`mass balance`,
});

const spread = relation({
  name: say`Piece weight with the remainder spread over all`,
  symbol: "p'",
  unit: 'g',
  inputs: {
    ...dough,
    n: { symbol: 'n', name: say`pieces`, unit: 'pieces' },
  },
  formula: ({ M, s, n }) => div(mul(M, sub(1, s)), n),
  source: say`mass balance`,
});

export interface PieceCount {
  readonly pieces: Figure;
  readonly remainder: Figure;
  /** Each piece a little heavier instead; null when there is no whole piece. */
  readonly spreadMass: Figure | null;
}

/** How many whole pieces a dough gives and what is left over. Dough 1 g to 1 t, piece 5 to 400 g. */
export const countPieces = (
  doughMassG: number | Figure,
  pieceMassG: number,
  portionLossShare: number,
): PieceCount => {
  requireNumber(
    typeof doughMassG === 'number' ? doughMassG : doughMassG.value,
    say`The dough mass`,
    1,
    1e6,
    'g',
  );
  requireNumber(pieceMassG, say`The piece weight`, 5, 400, 'g');
  requireNumber(portionLossShare, say`The loss at portioning`, 0, 0.2);
  const pieces = count({ M: doughMassG, s: portionLossShare, p: pieceMassG });
  return {
    pieces,
    remainder: left({ M: doughMassG, s: portionLossShare, n: pieces, p: pieceMassG }),
    spreadMass: pieces.value > 0 ? spread({ M: doughMassG, s: portionLossShare, n: pieces }) : null,
  };
};

const lighter = relation({
  name: say`Piece weight with as many pieces as planned`,
  symbol: "p'",
  unit: 'g',
  inputs: {
    ...dough,
    n: { symbol: 'n', name: say`pieces planned`, unit: 'pieces' },
  },
  formula: ({ M, s, n }) => div(mul(M, sub(1, s)), n),
  source: say`mass balance`,
});

/**
 * What each piece weighs where as many are made as were planned, of a dough that gives fewer whole ones: null where it
 * gives them all, or where they would be lighter than a piece may be.
 * @param planned pieces, whole
 * @param toleranceShare how far a piece may lie off its weight, as a share of it
 */
export const lighterPieces = (
  {
    massG,
    pieceMassG,
    portionLossShare,
  }: { readonly massG: number; readonly pieceMassG: number; readonly portionLossShare: number },
  planned: number,
  toleranceShare: number,
): Figure | null => {
  if (planned <= countPieces(massG, pieceMassG, portionLossShare).pieces.value) return null;
  const each = lighter({ M: massG, s: portionLossShare, n: planned });
  return each.value >= pieceMassG * (1 - toleranceShare) ? each : null;
};
