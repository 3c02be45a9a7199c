import { describe, expect, it } from '@jest/globals';
import type { JournalEntry } from '@jokul/core';
import { JournalFeed, type FeedMessage } from './journal-feed.js';
import type { JournalService } from './journal.service.js';

describe('the feed', () => {
  it('a screen that comes during a look hears of the ledger as it is, not as that look began', async () => {
    const ledger = { seq: 10 };
    let slow: (entries: JournalEntry[]) => void = () => undefined;
    const journal = {
      head: async () => ({ seq: ledger.seq, revision: 1 }),
      ledger: async () => 'one',
      after: () => new Promise<JournalEntry[]>((resolve) => (slow = resolve)),
    } as unknown as JournalService;
    const feed = new JournalFeed(journal);
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
});
