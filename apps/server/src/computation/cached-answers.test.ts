import { describe, expect, it } from '@jest/globals';
import { CachedAnswers } from './cached-answers.js';

const counting = (most: number, answer: (asked: { n: number }) => Promise<number>) => {
  let made = 0;
  const kept = new CachedAnswers((asked: { n: number }) => {
    made += 1;
    return answer(asked);
  }, most);
  return { kept, made: () => made };
};

describe('answers that are remembered', () => {
  it('are made once for the same question, whatever the order of its keys, also while they are on their way', async () => {
    const { kept, made } = counting(5, ({ n }) => Promise.resolve(n * 2));
    const both = await Promise.all([kept.of({ n: 3 }), kept.of({ n: 3 })]);
    expect(both).toEqual([6, 6]);
    expect(await kept.of({ n: 4 })).toBe(8);
    expect(made()).toBe(2);
  });
  it('forget what was asked for longest ago', async () => {
    const { kept, made } = counting(2, ({ n }) => Promise.resolve(n));
    for (const n of [1, 2, 1, 3, 1]) await kept.of({ n });
    expect(made()).toBe(3);
    await kept.of({ n: 2 });
    expect(made()).toBe(4);
  });
  it('ask again for what failed', async () => {
    let fails = true;
    const { kept, made } = counting(5, () =>
      fails ? Promise.reject(new Error('away')) : Promise.resolve(1),
    );
    await expect(kept.of({ n: 1 })).rejects.toThrow('away');
    fails = false;
    expect(await kept.of({ n: 1 })).toBe(1);
    expect(made()).toBe(2);
  });
});
