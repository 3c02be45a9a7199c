import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import 'reflect-metadata';
import { genesisHash } from '@jokul/core';
import type { LogCheckView } from '@jokul/contracts';
import type { JournalReader } from './journal-reader.js';
import type { LogBlocks } from './log-blocks.js';

/* Who follows the chain, and who waits for whom. The process of its own is the test's. */

const asked: string[][] = [];
let answers: ((answer: object | null) => void)[] = [];
jest.unstable_mockModule('../common/records-process.js', () => ({
  inRecordsProcess: (_: object, args: string[]) => {
    asked.push(args);
    return new Promise((resolve) => answers.push(resolve));
  },
  isRefused: (answer: object | null) => answer === null || 'refused' in answer,
}));
const { JournalCheck } = await import('./journal-check.js');

const within: LogCheckView = { entries: 12, firstBrokenSeq: null };
const reader = (seq: number, verify = async () => within) =>
  ({ head: async () => ({ seq, revision: 1 }), verify }) as unknown as JournalReader;
/** Remembers nothing: each check is of the whole log. */
const noBlocks = {
  look: async () => [],
  unchanged: async () => ({ seq: 0, hash: genesisHash }),
  remember: () => undefined,
  forget: () => undefined,
} as unknown as LogBlocks;
const soon = () => new Promise((resolve) => setTimeout(resolve, 5));
const whole: LogCheckView = { entries: 9000, firstBrokenSeq: null };

beforeEach(() => {
  asked.length = 0;
  answers = [];
});

describe('the check of the log', () => {
  it('is done within the server where there is little, and by a process of its own where there is much', async () => {
    expect(await new JournalCheck(reader(3000), noBlocks, {}).check()).toEqual(within);
    expect(asked).toEqual([]);
    const check = new JournalCheck(reader(3001), noBlocks, {}).check();
    await soon();
    expect(asked).toEqual([['check-log']]);
    answers[0]?.(whole);
    expect(await check).toEqual(whole);
  });

  it.each([[null], [{ refused: { code: 'trouble', message: 'it broke off' } }]])(
    'is done within the server where the process answers %j',
    async (answer) => {
      const check = new JournalCheck(reader(9000), noBlocks, {}).check();
      await soon();
      answers[0]?.(answer);
      expect(await check).toEqual(within);
    },
  );

  it('is done once more for all who asked during it, for they may know of a later change', async () => {
    const checks = new JournalCheck(reader(9000), noBlocks, {});
    const first = checks.check();
    await soon();
    const later = [checks.check(), checks.check(), checks.check()];
    await soon();
    expect(asked).toHaveLength(1);
    answers[0]?.(whole);
    expect(await first).toEqual(whole);
    await soon();
    expect(asked).toHaveLength(2);
    answers[1]?.({ entries: 70, firstBrokenSeq: 70 });
    expect(await Promise.all(later)).toEqual(later.map(() => ({ entries: 70, firstBrokenSeq: 70 })));
    const again = checks.check();
    await soon();
    expect(asked).toHaveLength(3);
    answers[2]?.(whole);
    expect(await again).toEqual(whole);
  });

  it('goes on after one that failed', async () => {
    let fails = true;
    const checks = new JournalCheck(
      reader(10, async () => {
        await soon();
        if (fails) throw new Error('the database is away');
        return within;
      }),
      noBlocks,
      {},
    );
    const [first, second] = [checks.check(), checks.check()];
    await expect(first).rejects.toThrow('away');
    fails = false;
    expect(await second).toEqual(within);
    expect(await checks.check()).toEqual(within);
  });

  it('follows only what came since, and what is not as it was, and all of it once a day', async () => {
    let stands = [
      { last: 999, digest: 'a' },
      { last: 1500, digest: 'b' },
    ];
    let followed: readonly object[] = [];
    const from: number[] = [];
    const blocks = {
      look: async () => stands,
      unchanged: async () => {
        const same = stands.filter((block, i) => block === followed[i]);
        return { seq: same.at(-1)?.last ?? 0, hash: 'h' };
      },
      remember: (what: readonly object[]) => (followed = what),
      forget: () => (followed = []),
    } as unknown as LogBlocks;
    let answer = within;
    const own = {
      head: async () => ({ seq: 1500, revision: 1 }),
      verify: async ({ seq }: { seq: number }) => {
        from.push(seq);
        return answer;
      },
    } as unknown as JournalReader;
    let nowMs = 0;
    const clock = jest.spyOn(performance, 'now').mockImplementation(() => nowMs);
    const checks = new JournalCheck(own, blocks, {});
    expect(checks.last()).toBeNull();
    await checks.check();
    await checks.check();
    expect(from).toEqual([0, 1500]);
    nowMs += 240_000;
    expect(checks.last()).toEqual({ ...within, ageS: 240 });
    stands = [stands[0] as (typeof stands)[0], { last: 1600, digest: 'c' }];
    answer = { entries: 1600, firstBrokenSeq: 1501 };
    await checks.check();
    // What is broken is not taken as followed.
    await checks.check();
    expect(from.slice(2)).toEqual([999, 999]);
    expect(checks.last()?.firstBrokenSeq).toBe(1501);
    answer = within;
    await checks.check();
    nowMs += 25 * 3600e3;
    await checks.check();
    expect(from.slice(4)).toEqual([999, 0]);
    clock.mockRestore();
  });

  it('goes on unasked, also after one that failed, until the server ends', async () => {
    jest.useFakeTimers();
    let tried = 0;
    const checks = new JournalCheck(
      reader(10, async () => {
        tried += 1;
        if (tried === 2) throw Object.assign(new Error('away'), { code: 'ECONNREFUSED' });
        return within;
      }),
      noBlocks,
      {},
    );
    checks.begin(1000, 5000);
    await jest.advanceTimersByTimeAsync(900);
    expect(tried).toBe(0);
    await jest.advanceTimersByTimeAsync(10_200);
    expect(tried).toBe(3);
    expect(checks.last()).toMatchObject(within);
    checks.onModuleDestroy();
    await jest.advanceTimersByTimeAsync(60_000);
    expect(tried).toBe(3);
    jest.useRealTimers();
  });
});
