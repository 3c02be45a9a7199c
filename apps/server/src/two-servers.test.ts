import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { testDatabase } from './database/test-database.testkit.js';
import { makeApp } from './make-app.js';

/* Two server processes on one database work alike: neither holds state that the other lacks. */
let first: NestExpressApplication;
let second: NestExpressApplication;
let drop: () => Promise<void>;
let urls: readonly [string, string];

beforeAll(async () => {
  const database = await testDatabase();
  drop = database.drop;
  first = await makeApp({ ...database.config, seedDemo: true }, false);
  second = await makeApp({ ...database.config, seedDemo: true }, false);
  await first.listen(0, '127.0.0.1');
  await second.listen(0, '127.0.0.1');
  urls = [await first.getUrl(), await second.getUrl()];
}, 60_000);
afterAll(async () => {
  await first.close();
  await second.close();
  await drop();
});

const call = async (url: string, method: string, path: string, body?: object) => {
  const response = await fetch(`${url}/api/${path}`, {
    method,
    ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  });
  return (await response.json()) as Record<string, unknown>;
};
const note = (text: string) => ({
  id: randomUUID(),
  atMs: 1,
  who: 'x',
  device: 'y',
  lot: 'TWO-A',
  kind: 'note',
  payload: { text },
});

describe('two servers on one database', () => {
  it('an entry given to one is streamed by the other', async () => {
    const { lastSeq } = await call(urls[1], 'GET', 'journal?since=9000000000000');
    const stop = new AbortController();
    const response = await fetch(`${urls[1]}/api/journal/stream?after=${String(lastSeq)}`, {
      signal: stop.signal,
    });
    const reader = response.body?.getReader();
    await call(urls[0], 'POST', 'journal', { entries: [note('across')] });
    const decoder = new TextDecoder();
    let text = '';
    while (reader && !text.includes('across'))
      text += decoder.decode((await reader.read()).value, { stream: true });
    stop.abort();
    expect(text).toContain('event: entry');
  }, 10_000);

  it('a stream that was cut goes on where it stopped, on the other server', async () => {
    const stored = (await call(urls[0], 'POST', 'journal', {
      entries: [note('a'), note('b'), note('c')],
    })) as { stored?: { seq: number }[] };
    const [a] = stored.stored ?? [];
    const response = await fetch(`${urls[1]}/api/journal/stream?after=0`, {
      headers: { 'last-event-id': String(a?.seq) },
    });
    const reader = response.body?.getReader();
    const decoder = new TextDecoder();
    let text = '';
    while (reader && !text.includes('"text":"c"'))
      text += decoder.decode((await reader.read()).value, { stream: true });
    await reader?.cancel();
    expect(text).toContain('"text":"b"');
    expect(text).not.toContain('"text":"a"');
  }, 10_000);

  it('write into one chain, at the same time, without a gap', async () => {
    await Promise.all(
      Array.from({ length: 20 }, (_, i) =>
        call(urls[i % 2] as string, 'POST', 'journal', { entries: [note(`both ${i}`)] }),
      ),
    );
    expect(await call(urls[0], 'GET', 'journal/verify')).toMatchObject({ firstBrokenSeq: null });
    expect(await call(urls[0], 'GET', 'journal/verify')).toEqual(
      await call(urls[1], 'GET', 'journal/verify'),
    );
  });

  it('know the same clock, rules and plan', async () => {
    await call(urls[0], 'PUT', 'clock', { mode: 'frozen', date: '2026-11-27', time: '06:00' });
    expect(await call(urls[1], 'GET', 'clock')).toEqual({
      mode: 'frozen',
      nowMs: Date.parse('2026-11-27T06:00Z'),
    });
    expect(await call(urls[0], 'GET', 'days/2026-11-27')).toEqual(
      await call(urls[1], 'GET', 'days/2026-11-27'),
    );
  });
});
