import { say } from './say.js';
import { JokulError } from './error.js';
import { evaluate, print, symbol, type Expression } from './expression.js';
import { formatQuantity, type Unit } from './format.js';

/** One input of a relation: its value, where it came from and, if it was computed itself, how. */
export interface Term {
  readonly symbol: string;
  readonly name: string;
  readonly value: number;
  readonly unit: Unit;
  readonly source?: string;
  readonly shown?: Figure;
}

/** A computed value that can show how it came about. */
export interface Figure {
  readonly value: number;
  readonly unit: Unit;
  readonly name: string;
  readonly symbol: string;
  /** The relation in symbols, e.g. `M = P / (1 − b)`. */
  readonly relation: string;
  /** The same relation with the figures put in. Empty for simulations. */
  readonly filled: string;
  readonly terms: readonly Term[];
  readonly source: string;
  /** What the figure leaves out, or how sure it is. */
  readonly note?: string;
}

export interface InputSpec {
  readonly symbol: string;
  readonly name: string;
  readonly unit: Unit;
  readonly source?: string;
}

/** A value with its own account of where it came from; passed in place of a bare number. */
export interface Sourced {
  readonly value: number;
  readonly source: string;
}

export interface RelationSpec<K extends string> {
  readonly name: string;
  readonly symbol: string;
  readonly unit: Unit;
  readonly inputs: Readonly<Record<K, InputSpec>>;
  readonly formula: (symbols: Readonly<Record<K, Expression>>) => Expression;
  readonly source: string;
  readonly note?: string;
}

type Input = number | Figure | Sourced;
const isFigure = (input: Input): input is Figure => typeof input === 'object' && 'relation' in input;

const requireFinite = (value: number, name: string): number => {
  if (!Number.isFinite(value)) {
    throw new JokulError(
      'not-computable',
      say`${name} cannot be computed from these figures: one is missing or zero.`,
      name,
    );
  }
  return value;
};

/**
 * Makes a function from a relation: give it the inputs (numbers or other figures), get a Figure
 * that carries value, relation, filled-in relation and sources.
 * @throws JokulError `not-computable` when the result is not a finite number.
 */
export const relation = <K extends string>(spec: RelationSpec<K>) => {
  const keys = Object.keys(spec.inputs) as K[];
  const tree = spec.formula(
    Object.fromEntries(keys.map((key) => [key, symbol(key)])) as Record<K, Expression>,
  );
  const inSymbols = `${spec.symbol} = ${print(tree, (key) => spec.inputs[key as K].symbol)}`;
  return (given: Readonly<Record<K, Input>>): Figure => {
    const values: Record<string, number> = {};
    const terms = keys.map((key): Term => {
      const input = given[key];
      const value = typeof input === 'number' ? input : input.value;
      values[key] = value;
      const { source } = typeof input !== 'number' && !isFigure(input) ? input : spec.inputs[key];
      const shown = typeof input !== 'number' && isFigure(input) ? input : undefined;
      const { symbol, name, unit } = spec.inputs[key];
      return { symbol, name, unit, value, ...(source !== undefined && { source }), ...(shown && { shown }) };
    });
    const value = requireFinite(evaluate(tree, values), spec.name);
    const unitOf = (key: string) => formatQuantity(values[key] ?? Number.NaN, spec.inputs[key as K].unit);
    return {
      value,
      unit: spec.unit,
      name: spec.name,
      symbol: spec.symbol,
      relation: inSymbols,
      filled: `${print(tree, unitOf)} = ${formatQuantity(value, spec.unit)}`,
      terms,
      source: spec.source,
      ...(spec.note !== undefined && { note: spec.note }),
    };
  };
};

/** The sum of many like terms as one figure. */
export const sumFigure = (spec: {
  name: string;
  symbol: string;
  unit: Unit;
  terms: readonly Term[];
  source: string;
}): Figure => {
  const value = requireFinite(
    spec.terms.reduce((sum, term) => sum + term.value, 0),
    spec.name,
  );
  return {
    ...spec,
    value,
    relation: `${spec.symbol} = Σ ${spec.terms[0]?.symbol ?? ''}`,
    filled: `${spec.terms.map((term) => formatQuantity(term.value, term.unit)).join(' + ') || '0'} = ${formatQuantity(value, spec.unit)}`,
  };
};

/** A figure that a simulation found: the equation it integrates, what went in, where it is from. */
export const modelled = (spec: Omit<Figure, 'filled'>): Figure => ({
  ...spec,
  value: requireFinite(spec.value, spec.name),
  filled: '',
});
