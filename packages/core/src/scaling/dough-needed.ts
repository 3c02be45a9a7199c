import {
  add,
  div,
  mul,
  relation,
  requireNumber,
  sub,
  sumFigure,
  JokulError,
  type Figure,
  say,
} from '../shown/index.js';

export interface PieceLine {
  readonly pieces: number;
  readonly pieceMassG: number;
  readonly name?: string;
}

export interface Losses {
  /** Share of the dough that stays in the bowl and on the paddle. */
  readonly bowlShare: number;
  /** Share that stays on scoop, scale and bench. */
  readonly portionShare: number;
  /** Pieces baked first to learn spread and time. */
  readonly testPieces: number;
}

const needed = relation({
  name: say`Dough to mix`,
  symbol: 'M',
  unit: 'g',
  inputs: {
    P: { symbol: 'P', name: say`dough in the ordered pieces`, unit: 'g' },
    T: { symbol: 'T', name: say`dough in the test pieces`, unit: 'g' },
    b: { symbol: 'b', name: say`loss in the bowl`, unit: 'share', source: say`house rules` },
    s: { symbol: 's', name: say`loss at portioning`, unit: 'share', source: say`house rules` },
  },
  formula: ({ P, T, b, s }) => div(add(P, T), mul(sub(1, b), sub(1, s))),
  source: say`mass balance: the bake list is met after losses`,
});

const testDough = relation({
  name: say`Dough in the test pieces`,
  symbol: 'T',
  unit: 'g',
  inputs: {
    n: { symbol: 'n', name: say`test pieces`, unit: 'pieces', source: say`house rules` },
    p: { symbol: 'p', name: say`piece weight`, unit: 'g', source: say`formula` },
  },
  formula: ({ n, p }) => mul(n, p),
  source: 'T = n p',
});

/**
 * Dough mass so that the bake list is met after losses.
 * @throws JokulError `out-of-range` for pieces, weights or losses that make no sense, `nothing-to-bake` without pieces
 */
export const doughNeeded = (lines: readonly PieceLine[], losses: Losses): Figure => {
  requireNumber(losses.bowlShare, say`The loss in the bowl`, 0, 0.2, '', 'losses.bowlShare');
  requireNumber(losses.portionShare, say`The loss at portioning`, 0, 0.2, '', 'losses.portionShare');
  requireNumber(losses.testPieces, say`The number of test pieces`, 0, 500, '', 'losses.testPieces');
  for (const [i, line] of lines.entries()) {
    requireNumber(line.pieces, say`The number of pieces`, 1, 100_000, 'pieces', `lines.${i}.pieces`);
    requireNumber(line.pieceMassG, say`The piece weight`, 5, 400, 'g', `lines.${i}.pieceMassG`);
  }
  const [first] = lines;
  if (!first) throw new JokulError('nothing-to-bake', say`There are no pieces on the bake list.`, 'lines');
  const inPieces = sumFigure({
    name: say`Dough in the ordered pieces`,
    symbol: 'P',
    unit: 'g',
    terms: lines.map(({ name, pieces, pieceMassG }) => ({
      symbol: 'n p',
      name: name
        ? say`${name}: ${pieces} pieces of ${pieceMassG} g`
        : say`${pieces} pieces of ${pieceMassG} g`,
      value: pieces * pieceMassG,
      unit: 'g',
      source: say`bake list × piece weight of the formula`,
    })),
    source: 'P = Σ n p',
  });
  return needed({
    P: inPieces,
    T: testDough({ n: losses.testPieces, p: first.pieceMassG }),
    b: losses.bowlShare,
    s: losses.portionShare,
  });
};

/**
 * Dough that one piece takes off the mixer, losses included, g; undefined where lines have pieces of several weights.
 */
export const doughPerPiece = (lines: readonly PieceLine[], losses: Losses): number | undefined => {
  const [first] = lines;
  return first && lines.every(({ pieceMassG }) => pieceMassG === first.pieceMassG)
    ? first.pieceMassG / ((1 - losses.bowlShare) * (1 - losses.portionShare))
    : undefined;
};
