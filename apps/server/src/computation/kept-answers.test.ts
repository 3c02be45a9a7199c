import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdtemp, readdir, rm, truncate, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { KeptAnswers } from './kept-answers.js';
import { CachedAnswers } from './cached-answers.js';

let home: string;
beforeEach(async () => {
  home = await mkdtemp(join(tmpdir(), 'jokul-kept-'));
});
afterEach(() => rm(home, { recursive: true, force: true }));

const folder = () => join(home, 'bakes');
const kept = (version = '5') => new KeptAnswers<object | null>(folder(), version);
/** A server that answers, and counts how often it had to compute. */
const server = (version = '5') => {
  let made = 0;
  const files = new KeptAnswers<{ twice: number } | null>(folder(), version);
  const writing: Promise<void>[] = [];
  const answers = new CachedAnswers(
    async ({ n }: { n: number }): Promise<{ twice: number } | null> => {
      made += 1;
      return n < 0 ? null : { twice: n * 2 };
    },
    50,
    {
      read: (key) => files.read(key),
      write: (key, answer) => {
        const own = files.write(key, answer);
        writing.push(own);
        return own;
      },
    },
  );
  return {
    of: (n: number) => answers.of({ n }),
    made: () => made,
    /** Nobody waits for what is written, but a test that spoils it. */
    written: () => Promise.all(writing),
  };
};
describe('answers that outlive their server', () => {
  it('are found by the next one, also that there is none', async () => {
    const first = server();
    expect([await first.of(3), await first.of(-1)]).toEqual([{ twice: 6 }, null]);
    await first.written();
    const next = server();
    expect([await next.of(3), await next.of(-1), await next.of(4)]).toEqual([
      { twice: 6 },
      null,
      { twice: 8 },
    ]);
    expect(next.made()).toBe(1);
  });

  it('are those of this model only', async () => {
    const older = server('5');
    await older.of(3);
    await older.written();
    const newer = server('6');
    await newer.of(3);
    expect(newer.made()).toBe(1);
    await newer.written();
    await kept('6').tidy();
    expect((await readdir(folder())).map((name) => name.split('-')[0])).toEqual(['6']);
  });

  it('are computed again where the file is cut, is no JSON, or says nothing', async () => {
    const first = server();
    await first.of(3);
    await first.written();
    const [name] = await readdir(folder());
    const path = join(folder(), name ?? '');
    for (const spoil of [
      () => truncate(path, 7),
      () => writeFile(path, 'no JSON'),
      () => writeFile(path, '{}'),
      () => writeFile(path, ''),
    ]) {
      await spoil();
      const next = server();
      expect(await next.of(3)).toEqual({ twice: 6 });
      expect(next.made()).toBe(1);
      await next.written();
    }
  });

  it('stand in nobody’s way where the folder cannot be written', async () => {
    await writeFile(folder(), 'a file where the folder should be');
    const own = server();
    expect(await own.of(3)).toEqual({ twice: 6 });
    await expect(kept().tidy()).resolves.toBeUndefined();
  });

  it('are let go, the longest unused first; what another server is writing stays', async () => {
    await kept().write('old', { a: 1 });
    const long = new Date(Date.now() - 1e9);
    await utimes(join(folder(), '5-old.json'), long, long);
    for (let i = 0; i < 600; i++) await writeFile(join(folder(), `5-${i}.json`), '{"answer":1}');
    await writeFile(join(folder(), 'half-now'), '');
    await writeFile(join(folder(), 'half-old'), '');
    await utimes(join(folder(), 'half-old'), long, long);
    await kept().tidy();
    const names = await readdir(folder());
    expect(names).toHaveLength(601);
    expect(names).toContain('half-now');
    expect(names).not.toContain('half-old');
    expect(names).not.toContain('5-old.json');
  });
});
