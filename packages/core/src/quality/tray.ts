import { div, relation, type Figure } from '../shown/index.js';

const ratio = relation({
  name: 'Spread ratio',
  symbol: 'W/T',
  unit: '',
  inputs: {
    D: { symbol: 'D', name: 'diameter', unit: 'mm', source: 'measured, mean of several' },
    H: { symbol: 'H', name: 'height', unit: 'mm', source: 'measured, mean of several' },
  },
  formula: ({ D, H }) => div(D, H),
  source: 'after AACC 10-50: several cookies edge to edge, rotated, and stacked',
});

/** Diameter over height. @throws JokulError `not-computable` for a height of zero */
export const spreadRatio = (diameterMm: number, heightMm: number): Figure =>
  ratio({ D: diameterMm, H: heightMm });
