import { describe, expect, it } from '@jest/globals';
import { InGroups } from './in-groups.js';

const later = () => new Promise((resolve) => setImmediate(resolve));

describe('work in groups', () => {
  it('takes what came meanwhile together, in its order, and gives each its own answer', async () => {
    const groups: number[][] = [];
    const groupsOf = new InGroups<number, number>(
      async (group) => {
        groups.push([...group]);
        await later();
        return group.map((n) => 10 * n);
      },
      { most: 100 },
    );
    const first = groupsOf.ask(1);
    await later();
    const rest = [2, 3, 4].map((n) => groupsOf.ask(n));
    expect(await Promise.all([first, ...rest])).toEqual([10, 20, 30, 40]);
    expect(groups).toEqual([[1], [2, 3, 4]]);
    expect(await groupsOf.ask(5)).toBe(50);
  });

  it('takes what lies ready together, though it is asked one after the other', async () => {
    const groups: number[][] = [];
    const of = new InGroups<number, number>(
      async (group) => {
        groups.push([...group]);
        return group;
      },
      { most: 100 },
    );
    const first = of.ask(1);
    // As many presses are read in one turn of the loop, each with its own checks between.
    for (let i = 0; i < 20; i++) await Promise.resolve();
    expect(await Promise.all([first, of.ask(2)])).toEqual([1, 2]);
    expect(groups).toEqual([[1, 2]]);
  });

  it('makes no group larger than it may be, but lets one item be larger', async () => {
    const groups: string[][] = [];
    const of = new InGroups<string, string>(
      async (group) => {
        groups.push([...group]);
        return group;
      },
      { most: 4, sizeOf: (word) => word.length },
    );
    await Promise.all(['aa', 'bb', 'c', 'dddddd', 'e'].map((word) => of.ask(word)));
    expect(groups).toEqual([['aa', 'bb'], ['c'], ['dddddd'], ['e']]);
  });

  it('refuses only what is wrong itself', async () => {
    const done: number[] = [];
    const of = new InGroups<number, number>(
      async (group) => {
        if (group.includes(2)) throw new Error('two is wrong');
        done.push(...group);
        return group;
      },
      { most: 100 },
    );
    const answers = await Promise.allSettled([1, 2, 3].map((n) => of.ask(n)));
    expect(answers.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
    expect(done).toEqual([1, 3]);
  });

  it('does not try one by one what would meet everybody', async () => {
    let tried = 0;
    const of = new InGroups<number, number>(
      async () => {
        tried += 1;
        throw new Error('away');
      },
      { most: 100, isEverybodys: () => true },
    );
    const answers = await Promise.allSettled([1, 2, 3].map((n) => of.ask(n)));
    expect(answers.every(({ status }) => status === 'rejected')).toBe(true);
    expect(tried).toBe(1);
  });

  /** So many ask again as soon as they are answered, some rounds each; how large the groups were. */
  const crowd = async (count: number, rounds: number, gatherMs: number, leaves = 0): Promise<number[]> => {
    const sizes: number[] = [];
    const of = new InGroups<number, number>(
      async (group) => {
        sizes.push(group.length);
        await later();
        return group;
      },
      { most: 100, gatherMs },
    );
    await Promise.all(
      Array.from({ length: count }, async (_, i) => {
        // They do not come in the same turn of the loop.
        for (let n = 0; n < i; n++) await later();
        for (let round = 0; round < (i < leaves ? 1 : rounds); round++) {
          await of.ask(i);
          for (let n = 0; n <= i; n++) await later();
        }
      }),
    );
    return sizes;
  };

  it('keeps those together who ask again at once, where it may wait for them', async () => {
    const [together, halves] = [await crowd(6, 30, 1000), await crowd(6, 30, 0)];
    // All but how it begins and ends.
    expect(together.filter((size) => size === 6).length).toBeGreaterThan(25);
    expect(halves.filter((size) => size === 6).length).toBeLessThan(5);
  });

  it('waits only so long for those who do not come again', async () => {
    const begunMs = performance.now();
    const sizes = await crowd(6, 20, 30, 5);
    expect(sizes.reduce((sum, size) => sum + size, 0)).toBe(5 + 20);
    // One wait for those who left; whoever is left alone then waits for nobody.
    expect(performance.now() - begunMs).toBeLessThan(20 * 30);
  });

  it('lets nobody wait who asks alone', async () => {
    const begunMs = performance.now();
    expect(await crowd(1, 20, 10_000)).toEqual(Array.from({ length: 20 }, () => 1));
    expect(performance.now() - begunMs).toBeLessThan(10_000);
  });
});
