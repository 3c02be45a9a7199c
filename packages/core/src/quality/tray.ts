import { div, relation, type Figure, say } from '../shown/index.js';

const ratio = relation({
  name: say`Spread ratio`,
  symbol: 'W/T',
  unit: '',
  inputs: {
    D: { symbol: 'D', name: say`diameter`, unit: 'mm', source: say`measured, mean of several` },
    H: { symbol: 'H', name: say`height`, unit: 'mm', source: say`measured, mean of several` },
  },
  formula: ({ D, H }) => div(D, H),
  source: say`after AACC 10-50: several cookies edge to edge, rotated, and stacked`,
});

/** Diameter over height. @throws JokulError `not-computable` for a height of zero */
export const spreadRatio = (diameterMm: number, heightMm: number): Figure =>
  ratio({ D: diameterMm, H: heightMm });
