import { describe, expect, it, jest } from '@jest/globals';
import type { JournalEntry } from '@jokul/core';
import { JournalFeed, type FeedMessage } from './journal-feed.js';
import type { JournalReader } from './journal-reader.js';
import type { JournalService } from './journal.service.js';

describe('the feed', () => {
  it('a screen that comes during a look hears of the ledger as it is, not as that look began', async () => {
    const ledger = { seq: 10 };
    let slow: (entries: JournalEntry[]) => void = () => undefined;
    const journal = {
      head: async () => ({ seq: ledger.seq, revision: 1 }),
      ledger: async () => 'one',
      onWritten: () => undefined,
      after: () => new Promise<JournalEntry[]>((resolve) => (slow = resolve)),
    } as unknown as JournalService & JournalReader;
    const feed = new JournalFeed(journal, journal);
    const heard: FeedMessage[] = [];
    feed.stream(10).subscribe(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 50));
    ledger.seq = 11;
    // The next look has seen 11 and reads it, slowly; meanwhile comes 12, and a screen that knows it.
    await new Promise((resolve) => setTimeout(resolve, 250));
    ledger.seq = 12;
    feed.stream(12).subscribe((message) => heard.push(message));
    slow([{ seq: 11 } as JournalEntry]);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(heard[0]).toEqual({ type: 'hello', data: { ledger: 'one', lastSeq: 12 } });
    feed.onModuleDestroy();
  });

  it('looks at once after what this server wrote, also when that came during a look, and not once for each', async () => {
    jest.useFakeTimers();
    const ledger = { seq: 0 };
    let looks = 0;
    let written: () => void = () => undefined;
    let during: () => void = () => undefined;
    const journal = {
      head: async () => {
        looks += 1;
        const { seq } = ledger;
        during();
        return { seq, revision: 1 };
      },
      ledger: async () => 'one',
      after: async (seq: number) =>
        Array.from({ length: ledger.seq - seq }, (_, i) => ({ seq: seq + 1 + i }) as JournalEntry),
      onWritten: (heard: () => void) => (written = heard),
    } as unknown as JournalService & JournalReader;
    const write = () => {
      ledger.seq += 1;
      written();
    };
    const feed = new JournalFeed(journal, journal);
    const heard: string[] = [];
    // Nobody follows: nothing is looked at.
    write();
    expect(looks).toBe(0);
    feed.stream(1).subscribe(({ id }) => id && heard.push(id));
    await jest.advanceTimersByTimeAsync(30);
    const before = looks;
    for (let i = 0; i < 50; i++) write();
    // Long before the next look by the clock, and all fifty with one.
    await jest.advanceTimersByTimeAsync(100);
    expect(heard).toHaveLength(50);
    expect(looks - before).toBeLessThanOrEqual(2);
    during = () => {
      during = () => undefined;
      write();
    };
    write();
    await jest.advanceTimersByTimeAsync(120);
    expect(heard).toEqual(Array.from({ length: 52 }, (_, i) => String(i + 2)));
    feed.onModuleDestroy();
    jest.useRealTimers();
  });
});
