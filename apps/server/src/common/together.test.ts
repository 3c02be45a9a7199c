import { describe, expect, it } from '@jest/globals';
import { Together } from './together.js';

/** Work that ends when it is told to, and counts how often it began and was given up. */
const slow = () => {
  interface Seen {
    begun: number;
    givenUp: number;
    end: (answer: string) => void;
    fail: (error: Error) => void;
  }
  const seen: Seen = { begun: 0, givenUp: 0, end: () => {}, fail: () => {} };
  const work = (signal: AbortSignal) =>
    new Promise<string>((resolve, reject) => {
      seen.begun += 1;
      seen.end = resolve;
      seen.fail = reject;
      signal.addEventListener('abort', () => {
        seen.givenUp += 1;
        reject(new Error('given up'));
      });
    });
  return { seen, work };
};

describe('a question that several ask at once', () => {
  it('is worked on once, and anew when it is asked later', async () => {
    const { seen, work } = slow();
    const together = new Together<string>();
    const asked = [1, 2, 3].map(() => together.ask('a', work));
    const other = together.ask('b', async () => 'other');
    expect(seen.begun).toBe(1);
    seen.end('answer');
    expect(await Promise.all(asked)).toEqual(['answer', 'answer', 'answer']);
    expect(await other).toBe('other');
    const later = together.ask('a', work);
    expect(seen.begun).toBe(2);
    seen.end('again');
    expect(await later).toBe('again');
  });
  it('goes on while somebody waits, and is given up when all have left', async () => {
    const { seen, work } = slow();
    const together = new Together<string>();
    const [one, two] = [new AbortController(), new AbortController()];
    const asked = [together.ask('a', work, one.signal), together.ask('a', work, two.signal)];
    one.abort();
    expect(seen.givenUp).toBe(0);
    two.abort();
    expect(seen.givenUp).toBe(1);
    // Who comes now begins anew.
    const third = together.ask('a', work);
    expect(seen.begun).toBe(2);
    seen.end('third');
    expect(await third).toBe('third');
    expect((await Promise.allSettled(asked)).map(({ status }) => status)).toEqual(['rejected', 'rejected']);
  });
  it('fails for all, and is not remembered', async () => {
    const { seen, work } = slow();
    const together = new Together<string>();
    const asked = [together.ask('a', work), together.ask('a', work)];
    seen.fail(new Error('no'));
    for (const one of asked) await expect(one).rejects.toThrow('no');
    const later = together.ask('a', work);
    seen.end('yes');
    expect(await later).toBe('yes');
  });
});
