import { div, mul, relation, requireNumber, sumFigure, type Figure, say } from '../shown/index.js';
import { levelVolumeOf } from './scoop.js';

const densityOf = relation({
  name: say`Density of this dough in the scoop`,
  symbol: 'ρ',
  unit: 'g/mL',
  inputs: {
    m: { symbol: 'm̄', name: say`mean of the weighed scoops`, unit: 'g' },
    V: { symbol: 'V', name: say`level volume`, unit: 'mL' },
  },
  formula: ({ m, V }) => div(m, V),
  source: say`${'ρ = m / V'}, as this hand fills it`,
  note: say`Weighed heaped, it holds for heaped scoops: the heap is in it.`,
});
const meanOf = relation({
  name: say`Mean of the weighed scoops`,
  symbol: 'm̄',
  unit: 'g',
  inputs: {
    S: { symbol: 'Σm', name: say`sum`, unit: 'g' },
    n: { symbol: 'n', name: say`scoops`, unit: 'pieces' },
  },
  formula: ({ S, n }) => div(S, n),
  source: say`arithmetic mean`,
});

/**
 * Density of a dough from scoops that were weighed once, as this hand fills them.
 * @param number on the handle: scoops per US quart
 * @param weightsG one to twenty weighed scoops
 */
export const measuredDensity = (number: number, weightsG: readonly number[]): Figure => {
  requireNumber(number, say`The number of the scoop`, 4, 200);
  requireNumber(weightsG.length, say`The weighed scoops`, 1, 20);
  for (const weight of weightsG) requireNumber(weight, say`A weighed scoop`, 1, 500, 'g');
  const sum = sumFigure({
    name: say`Sum of the weighed scoops`,
    symbol: 'Σm',
    unit: 'g',
    terms: weightsG.map((value, i) => ({
      symbol: 'm',
      name: say`scoop ${i + 1}`,
      value,
      unit: 'g' as const,
      source: say`weighed`,
    })),
    source: say`sum`,
  });
  return densityOf({ m: meanOf({ S: sum, n: weightsG.length }), V: levelVolumeOf(number) });
};

const heapOf = relation({
  name: say`Dough in a heaped scoop`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    m: { symbol: 'm', name: say`dough in a level scoop`, unit: 'g' },
    h: {
      symbol: 'h',
      name: say`heap, level = 1`,
      unit: '',
      source: say`typical, 1.1 to 1.3 by hand; weigh three`,
    },
  },
  formula: ({ m, h }) => mul(m, h),
  source: 'm = m_level h',
});
/** A heaped scoop of what a level one holds. */
export const heaped = (level: Figure, heap = 1.18): Figure => heapOf({ m: level, h: heap });
