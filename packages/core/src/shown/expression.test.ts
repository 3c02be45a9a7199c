import { runInNewContext } from 'node:vm';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { add, call, div, evaluate, mul, pow, print, sub, symbol, type Expression } from './expression.js';

const [a, b, c] = [symbol('a'), symbol('b'), symbol('c')];
const values = { a: 7, b: 3, c: 2 };
const name = (key: string) => key;
const figure = (key: string) => String(values[key as keyof typeof values]);

describe('a relation as a tree', () => {
  it.each<[string, Expression, number]>([
    ['a + b', add(a, b), 10],
    ['a − b', sub(a, b), 4],
    ['a × b', mul(a, b), 21],
    ['a / b', div(a, b), 7 / 3],
    ['a^c', pow(a, c), 49],
    ['(a + b) × c', mul(add(a, b), c), 20],
    ['a + b × c', add(a, mul(b, c)), 13],
    ['a − (b − c)', sub(a, sub(b, c)), 6],
    ['a / (b × c)', div(a, mul(b, c)), 7 / 6],
    ['floor(a / b)', call('floor', div(a, b)), 2],
    ['ceil(a / b)', call('ceil', div(a, b)), 3],
    ['round(a / b)', call('round', div(a, b)), 2],
    ['max(a; b; c)', call('max', a, b, c), 7],
    ['min(a; b; c)', call('min', a, b, c), 2],
    ['sqrt(a + c)', call('sqrt', add(a, c)), 3],
  ])('%s prints as it computes', (text, tree, value) => {
    expect(print(tree, name)).toBe(text);
    expect(evaluate(tree, values)).toBeCloseTo(value, 12);
  });

  it('prints the figures that went in', () => {
    expect(print(div(mul(a, sub(1, b)), c), figure)).toBe('7 × (1 − 3) / 2');
  });

  it('gives NaN for a symbol without a value, which the figure then refuses', () => {
    expect(evaluate(add(a, symbol('gone')), values)).toBeNaN();
  });

  it('prints nothing that reads differently from what it computes', () => {
    // Numbers 1 to 9 and the four operations: the printed text, read by JavaScript, gives the value of the tree.
    const leaf = fc.integer({ min: 1, max: 9 }).map((n): Expression => ({ op: 'number', value: n }));
    const { tree } = fc.letrec<{ tree: Expression }>((tie) => ({
      tree: fc.oneof(
        { maxDepth: 4 },
        leaf,
        fc
          .tuple(fc.constantFrom(add, sub, mul, div), tie('tree'), tie('tree'))
          .map(([op, left, right]) => op(left, right)),
      ),
    }));
    fc.assert(
      fc.property(tree, (e) => {
        const text = print(e, name).replaceAll('−', '-').replaceAll('×', '*');
        const read = runInNewContext(text) as number;
        const value = evaluate(e, {});
        return (
          (!Number.isFinite(read) && !Number.isFinite(value)) ||
          Math.abs(read - value) <= 1e-9 * Math.max(1, Math.abs(value))
        );
      }),
    );
  });
});
