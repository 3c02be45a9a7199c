import { describe, expect, it } from '@jest/globals';
import { cached } from './cached.js';

const counted = (most: number) => {
  const asked: number[] = [];
  const of = cached(
    (n: number) => {
      asked.push(n);
      if (n < 0) throw new Error('below nothing');
      return { square: n * n };
    },
    (n) => (n === 0 ? null : String(n)),
    most,
  );
  return { of, asked };
};

describe('what is remembered', () => {
  it('is computed once, and is the same answer', () => {
    const { of, asked } = counted(3);
    expect(of(2)).toBe(of(2));
    expect(of(2)).toEqual({ square: 4 });
    expect(asked).toEqual([2]);
  });

  it('is forgotten when so many others were asked for since', () => {
    const { of, asked } = counted(2);
    for (const n of [1, 2, 1, 3, 1, 2]) of(n);
    // 2 was asked for longest ago when 3 came.
    expect(asked).toEqual([1, 2, 3, 2]);
  });

  it('is neither a fault nor what has no name', () => {
    const { of, asked } = counted(3);
    expect(() => of(-1)).toThrow('below nothing');
    expect(() => of(-1)).toThrow('below nothing');
    expect(of(0)).not.toBe(of(0));
    expect(asked).toEqual([-1, -1, 0, 0]);
  });
});
