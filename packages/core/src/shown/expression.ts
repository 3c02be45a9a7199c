/**
 * A relation is written once, as a small tree: the same tree computes the value and
 * prints itself with symbols or with figures. Nothing is retyped beside the code.
 */
export type Expression =
  | { readonly op: 'symbol'; readonly key: string }
  | { readonly op: 'number'; readonly value: number }
  | { readonly op: '+' | '-' | '*' | '/' | '^'; readonly a: Expression; readonly b: Expression }
  | { readonly op: 'call'; readonly name: CallName; readonly args: readonly Expression[] };

const calls = {
  round: (x: number) => Math.round(x),
  floor: (x: number) => Math.floor(x + 1e-9),
  ceil: (x: number) => Math.ceil(x - 1e-9),
  sqrt: (x: number) => Math.sqrt(x),
  min: (...xs: number[]) => Math.min(...xs),
  max: (...xs: number[]) => Math.max(...xs),
};
export type CallName = keyof typeof calls;

const callOf = (name: CallName): ((...xs: number[]) => number) => calls[name];

type Operand = Expression | number;
const lift = (x: Operand): Expression => (typeof x === 'number' ? { op: 'number', value: x } : x);
const binary =
  (op: '+' | '-' | '*' | '/' | '^') =>
  (a: Operand, b: Operand): Expression => ({ op, a: lift(a), b: lift(b) });

export const symbol = (key: string): Expression => ({ op: 'symbol', key });
export const add = binary('+');
export const sub = binary('-');
export const mul = binary('*');
export const div = binary('/');
export const pow = binary('^');
export const call = (name: CallName, ...args: Operand[]): Expression => ({
  op: 'call',
  name,
  args: args.map(lift),
});

/** The value of the tree for the given values of its symbols. */
export const evaluate = (e: Expression, values: Readonly<Record<string, number>>): number => {
  switch (e.op) {
    case 'number':
      return e.value;
    case 'symbol': {
      const value = values[e.key];
      return value === undefined ? Number.NaN : value;
    }
    case 'call':
      return callOf(e.name)(...e.args.map((arg) => evaluate(arg, values)));
    default: {
      const a = evaluate(e.a, values);
      const b = evaluate(e.b, values);
      if (e.op === '+') return a + b;
      if (e.op === '-') return a - b;
      if (e.op === '*') return a * b;
      return e.op === '/' ? a / b : a ** b;
    }
  }
};

const precedence = { '+': 1, '-': 1, '*': 2, '/': 2, '^': 3 } as const;
const sign = { '+': ' + ', '-': ' − ', '*': ' × ', '/': ' / ', '^': '^' } as const;

/** The tree as text; `name` says what stands for a symbol (its sign, or its figure). */
export const print = (e: Expression, name: (key: string) => string, around = 0): string => {
  if (e.op === 'number') return String(e.value);
  if (e.op === 'symbol') return name(e.key);
  if (e.op === 'call') return `${e.name}(${e.args.map((arg) => print(arg, name)).join('; ')})`;
  const own = precedence[e.op];
  const text = `${print(e.a, name, own)}${sign[e.op]}${print(e.b, name, own + 1)}`;
  return own < around ? `(${text})` : text;
};
