import { call, div, relation, requireNumber, sub, sumFigure, type Figure, say } from '../shown/index.js';

const meanOf = relation({
  name: say`Mean of the sample`,
  symbol: 'x̄',
  unit: 'g',
  inputs: {
    S: { symbol: 'Σx', name: say`sum of the weights`, unit: 'g' },
    n: { symbol: 'n', name: say`pieces weighed`, unit: 'pieces' },
  },
  formula: ({ S, n }) => div(S, n),
  source: say`arithmetic mean`,
});
const deviationOf = relation({
  name: say`Spread of the sample (standard deviation)`,
  symbol: 's',
  unit: 'g',
  inputs: {
    Q: { symbol: 'Σ(x − x̄)²', name: say`sum of squared differences from the mean, g²`, unit: '' },
    n: { symbol: 'n', name: say`pieces weighed`, unit: 'pieces' },
  },
  formula: ({ Q, n }) => call('sqrt', div(Q, sub(n, 1))),
  source: say`sample standard deviation (n − 1)`,
});
const giveawayOf = relation({
  name: say`Given away per piece`,
  symbol: 'g',
  unit: 'g',
  inputs: {
    x: { symbol: 'x̄', name: say`mean of the sample`, unit: 'g' },
    Q: { symbol: 'Q', name: say`target weight`, unit: 'g', source: say`formula` },
  },
  formula: ({ x, Q }) => sub(x, Q),
  source: say`after OIML R 87: mean less target`,
});

export interface SampleResult {
  readonly mean: Figure;
  /** Null for a single piece. */
  readonly deviation: Figure | null;
  readonly giveaway: Figure;
  readonly light: readonly number[];
  readonly heavy: readonly number[];
}

/**
 * Mean, spread and the light and heavy pieces of a weighed sample.
 * @param toleranceG a piece further than this from the target is light or heavy
 * @throws JokulError `out-of-range` for a weight that no piece can have
 */
export const checkSample = (
  massesG: readonly number[],
  targetG: number,
  toleranceG: number,
): SampleResult | null => {
  if (massesG.length === 0) return null;
  for (const massG of massesG) requireNumber(massG, say`A weighed piece`, 1, 1000, 'g');
  const sum = sumFigure({
    name: say`Sum of the weights`,
    symbol: 'Σx',
    unit: 'g',
    terms: massesG.map((value, i) => ({
      symbol: 'x',
      name: say`piece ${i + 1}`,
      value,
      unit: 'g',
      source: say`weighed`,
    })),
    source: say`sum`,
  });
  const mean = meanOf({ S: sum, n: massesG.length });
  const squares = massesG.reduce((total, x) => total + (x - mean.value) ** 2, 0);
  return {
    mean,
    deviation: massesG.length > 1 ? deviationOf({ Q: squares, n: massesG.length }) : null,
    giveaway: giveawayOf({ x: mean, Q: targetG }),
    light: massesG.filter((x) => x < targetG - toleranceG),
    heavy: massesG.filter((x) => x > targetG + toleranceG),
  };
};
