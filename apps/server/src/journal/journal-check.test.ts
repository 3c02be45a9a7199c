import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import 'reflect-metadata';
import type { LogCheckView } from '@jokul/contracts';
import type { JournalReader } from './journal-reader.js';

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
const soon = () => new Promise((resolve) => setTimeout(resolve, 5));
const whole: LogCheckView = { entries: 9000, firstBrokenSeq: null };

beforeEach(() => {
  asked.length = 0;
  answers = [];
});

describe('the check of the log', () => {
  it('is done within the server where there is little, and by a process of its own where there is much', async () => {
    expect(await new JournalCheck(reader(3000), {}).check()).toEqual(within);
    expect(asked).toEqual([]);
    const check = new JournalCheck(reader(3001), {}).check();
    await soon();
    expect(asked).toEqual([['check-log']]);
    answers[0]?.(whole);
    expect(await check).toEqual(whole);
  });

  it.each([[null], [{ refused: { code: 'trouble', message: 'it broke off' } }]])(
    'is done within the server where the process answers %j',
    async (answer) => {
      const check = new JournalCheck(reader(9000), {}).check();
      await soon();
      answers[0]?.(answer);
      expect(await check).toEqual(within);
    },
  );

  it('is done once more for all who asked during it, for they may know of a later change', async () => {
    const checks = new JournalCheck(reader(9000), {});
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
      {},
    );
    const [first, second] = [checks.check(), checks.check()];
    await expect(first).rejects.toThrow('away');
    fails = false;
    expect(await second).toEqual(within);
    expect(await checks.check()).toEqual(within);
  });
});
