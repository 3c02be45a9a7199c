import { describe, expect, it } from '@jest/globals';
import { div, mul, sub } from './expression.js';
import { modelled, relation, sumFigure } from './figure.js';
import { JokulError, requireNumber } from './error.js';

const afterLoss = relation({
  name: 'Dough after the loss',
  symbol: 'D',
  unit: 'g',
  inputs: {
    m: { symbol: 'm', name: 'dough', unit: 'g', source: 'weighed' },
    l: { symbol: 'l', name: 'loss', unit: 'share', source: 'house rules' },
  },
  formula: ({ m, l }) => mul(m, sub(1, l)),
  source: 'mass balance',
  note: 'a note',
});
const perPiece = relation({
  name: 'Per piece',
  symbol: 'p',
  unit: 'g',
  inputs: {
    D: { symbol: 'D', name: 'dough', unit: 'g' },
    n: { symbol: 'n', name: 'pieces', unit: 'pieces' },
  },
  formula: ({ D, n }) => div(D, n),
  source: 'p = D / n',
});

describe('a figure', () => {
  it('carries its relation in symbols and filled in, with units', () => {
    const figure = afterLoss({ m: 5000, l: 0.02 });
    expect(figure.value).toBeCloseTo(4900, 9);
    expect(figure.relation).toBe('D = m × (1 − l)');
    expect(figure.filled).toBe('5000 g × (1 − 2 %) = 4900 g');
    expect(figure.note).toBe('a note');
  });

  it('names the source of every term', () => {
    expect(afterLoss({ m: 1, l: 0 }).terms.map((term) => term.source)).toEqual(['weighed', 'house rules']);
    const [term] = afterLoss({ m: { value: 9, source: 'read off the scale' }, l: 0 }).terms;
    expect(term?.source).toBe('read off the scale');
  });

  it('opens into the figures that it was made from', () => {
    const figure = perPiece({ D: afterLoss({ m: 1000, l: 0.1 }), n: 30 });
    expect(figure.value).toBeCloseTo(30, 9);
    expect(figure.terms[0]?.shown?.relation).toBe('D = m × (1 − l)');
    expect(figure.terms[1]?.shown).toBeUndefined();
  });

  it('refuses to be no number', () => {
    expect(() => perPiece({ D: 100, n: 0 })).toThrow(JokulError);
    expect(() => perPiece({ D: Number.NaN, n: 3 })).toThrow('Per piece cannot be computed');
  });
});

describe('a sum', () => {
  const term = (value: number) => ({ symbol: 'x', name: 'piece', value, unit: 'g' as const });
  it('adds its terms and shows them', () => {
    const sum = sumFigure({
      name: 'Sum',
      symbol: 'S',
      unit: 'g',
      terms: [term(1.5), term(2)],
      source: 'sum',
    });
    expect(sum.value).toBe(3.5);
    expect(sum.relation).toBe('S = Σ x');
    expect(sum.filled).toBe('1.5 g + 2 g = 3.5 g');
  });
  it('of nothing is nothing', () => {
    expect(sumFigure({ name: 'Sum', symbol: 'S', unit: 'g', terms: [], source: 'sum' }).filled).toBe(
      '0 = 0 g',
    );
  });
});

describe('a simulated figure', () => {
  const spec = {
    name: 'Pull',
    symbol: 't',
    unit: 's' as const,
    relation: 'model',
    terms: [],
    source: 'model',
  };
  it('has a relation but no filled-in form', () => {
    expect(modelled({ ...spec, value: 600 }).filled).toBe('');
  });
  it('refuses to be no number', () => {
    expect(() => modelled({ ...spec, value: Number.POSITIVE_INFINITY })).toThrow(JokulError);
  });
});

describe('a number that is asked for', () => {
  it.each([
    [12, 12],
    [0, 0],
    [100, 100],
  ])('%d within its range is taken', (given, taken) => {
    expect(requireNumber(given, 'The gap', 0, 100, 'mm')).toBe(taken);
  });
  it.each([
    [-1, 'The gap is -1 mm; it must be between 0 and 100 mm.'],
    [101, 'The gap is 101 mm; it must be between 0 and 100 mm.'],
    [Number.NaN, 'The gap is missing or is no number; it must be between 0 and 100 mm.'],
    [undefined, 'The gap is missing or is no number; it must be between 0 and 100 mm.'],
    ['12', 'The gap is missing or is no number; it must be between 0 and 100 mm.'],
    [Number.POSITIVE_INFINITY, 'The gap is missing or is no number; it must be between 0 and 100 mm.'],
  ])('%s is refused with a sentence', (given, sentence) => {
    expect(() => requireNumber(given, 'The gap', 0, 100, 'mm')).toThrow(sentence);
  });
  it('names the field as the path of the error', () => {
    try {
      requireNumber(-1, 'The gap', 0, 100);
      throw new Error('not refused');
    } catch (error) {
      expect(error).toMatchObject({ code: 'out-of-range', path: 'The gap' });
    }
  });
});
