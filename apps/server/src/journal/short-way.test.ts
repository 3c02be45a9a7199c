import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { AppendView, JournalView, ProblemView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { spoiltRequests } from '../fuzz.testkit.js';

/* A press by the short way and by the usual one: nobody outside can tell which it was. */
let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start('own');
}, 60_000);
afterAll(() => app.stop());

const press = (more: object = {}) => ({
  id: randomUUID(),
  atMs: 1_795_750_000_000,
  who: 'Oven hand',
  device: 'tablet',
  lot: 'A',
  kind: 'note',
  payload: { text: 'browns first on the left' },
  ...more,
});
/** A name that only the usual way reads. */
const usual = { 'content-type': 'application/json; charset=utf-8' };
const send = <T = AppendView>(body: unknown, headers: Record<string, string> = {}) =>
  app.call<T>('POST', 'journal', body, headers);
/** What no two answers share: when, and under which name. */
const headersOf = (headers: Headers) =>
  Object.fromEntries(
    [...headers].filter(([name]) => !['date', 'x-request-id', 'etag', 'vary'].includes(name)),
  );
const isStored = async (id: string) =>
  (await app.get<JournalView>('journal?since=0')).body.entries.some((entry) => entry.id === id);

/** Sends a request as bytes, in the parts given. */
const inParts = async (parts: readonly string[], pauseMs = 30): Promise<string> => {
  const socket = connect(Number(new URL(app.url).port), '127.0.0.1');
  const answer = new Promise<string>((resolve, reject) => {
    let text = '';
    socket.setEncoding('utf8').on('data', (part: string) => (text += part));
    socket.on('end', () => resolve(text)).on('error', reject);
  });
  for (const part of parts) {
    socket.write(part);
    await pause(pauseMs);
  }
  return answer;
};
const head = (length: number, more = '') =>
  `POST /api/journal HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: ${length}\r\nConnection: close\r\n${more}\r\n`;

describe('a press', () => {
  it('is confirmed alike on either way: status, headers and words', async () => {
    const [short, long] = [await send({ entries: [press()] }), await send({ entries: [press()] }, usual)];
    expect([short.status, long.status]).toEqual([201, 201]);
    expect(headersOf(short.headers)).toEqual({
      ...headersOf(long.headers),
      'content-length': short.headers.get('content-length'),
    });
    expect(short.body.stored[0]?.seq).toBe((long.body.stored[0]?.seq ?? 0) - 1);
  });

  it('keeps its number when it is sent again, on whichever way', async () => {
    const entry = press();
    const answers = [];
    for (const headers of [{}, usual, {}, {}]) answers.push((await send({ entries: [entry] }, headers)).body);
    expect(new Set(answers.map(({ stored }) => stored[0]?.seq)).size).toBe(1);
  });

  it('is told under the name that it was sent with, and counted once', async () => {
    const counted = async () =>
      Number(
        /jokul_request_seconds_count\{method="POST",status="2xx"\} (\d+)/.exec(
          (await app.get<string>('metrics')).body,
        )?.[1],
      );
    const before = await counted();
    const { headers } = await send({ entries: [press()] }, { 'x-request-id': 'tray-4' });
    expect(headers.get('x-request-id')).toBe('tray-4');
    await send({ entries: [press()] }, usual);
    expect(await counted()).toBe(before + 2);
  });

  it.each([
    ['in one part', (text: string) => [head(text.length) + text]],
    ['after its head', (text: string) => [head(text.length), text]],
    ['in two parts', (text: string) => [head(text.length) + text.slice(0, 50), text.slice(50)]],
    [
      'letter by letter at its end',
      (text: string) => [head(text.length) + text.slice(0, -3), ...text.slice(-3)],
    ],
  ])('is stored when it comes %s', async (_, parts) => {
    const entry = press();
    expect(await inParts(parts(JSON.stringify({ entries: [entry] })))).toMatch(/^HTTP\/1.1 201 /);
    expect(await isStored(entry.id)).toBe(true);
  });

  it('that breaks off is not stored, and the next one is', async () => {
    const [broken, whole] = [press(), press()];
    const text = JSON.stringify({ entries: [broken] });
    const socket = connect(Number(new URL(app.url).port), '127.0.0.1');
    socket.write(head(text.length) + text.slice(0, -1));
    await pause(50);
    socket.destroy();
    expect((await send({ entries: [whole] })).status).toBe(201);
    expect([await isStored(broken.id), await isStored(whole.id)]).toEqual([false, true]);
  });

  it.each([
    ['is taken', {}],
    ['is refused', { ledger: 'another' }],
    ['is none', { more: true }],
  ])('whose sender leaves at once harms nobody, when it %s', async (_, more) => {
    await Promise.all(
      Array.from({ length: 40 }, async (_own, i) => {
        const text = JSON.stringify({ entries: [press()], ...more });
        const socket = connect(Number(new URL(app.url).port), '127.0.0.1');
        socket.on('error', () => undefined);
        socket.write(head(text.length) + text);
        await pause(i % 8);
        socket.destroy();
      }),
    );
    const entry = press();
    expect((await send({ entries: [entry] })).status).toBe(201);
    expect(await isStored(entry.id)).toBe(true);
  });

  it.each([
    ['a foreign name of this machine', 'evil.example', ''],
    ['a page of another port', '127.0.0.1', 'Origin: http://127.0.0.1:9\r\n'],
  ])('of %s is refused', async (_, host, more) => {
    const entry = press();
    const text = JSON.stringify({ entries: [entry] });
    const answer = await inParts([
      head(text.length, more).replace('Host: 127.0.0.1', `Host: ${host}`) + text,
    ]);
    expect(answer).toMatch(/^HTTP\/1.1 403 [^]*foreign-host/);
    expect(await isStored(entry.id)).toBe(false);
  });

  it('written for another ledger waits on its device, alone among those that came with it', async () => {
    const { ledger } = (await app.get<JournalView>('journal?since=0')).body;
    const entry = press();
    const [good, bad, none] = await Promise.all([
      send({ entries: [press()], ledger }),
      send<ProblemView>({ entries: [entry], ledger: 'another' }),
      send({ entries: [press()] }),
    ]);
    expect([good.status, bad.status, none.status, bad.body.code]).toEqual([201, 409, 201, 'other-ledger']);
    expect(await isStored(entry.id)).toBe(false);
  });
});

describe('what is no press', () => {
  it('is refused in the same words on either way', async () => {
    const bodies = [
      '',
      '{',
      '[]',
      'null',
      { entries: [] },
      { entries: [press({ lot: 'BBW-1' })] },
      { entries: [press({ kind: 'nonsense' })] },
      { entries: [press({ payload: { text: '' } })] },
      { entries: [press({ more: 1 })] },
      `{"entries":[${JSON.stringify(press())}],"__proto__":{}}`,
      { entries: [press({ who: '\ud800' })] },
      ...spoiltRequests(
        [{ method: 'POST', path: 'journal', body: { entries: [press()], ledger: '' } }],
        300,
        11,
      )
        .filter(({ method, path }) => method === 'POST' && path === 'journal')
        .map(({ body }) => body ?? ''),
    ];
    const answerOf = async (body: unknown, headers = {}) => {
      const { status, type, body: told } = await send<ProblemView>(body, headers);
      return status === 201 ? status : { status, type, told: { ...told, requestId: '' } };
    };
    const seen = new Map<number, number>();
    for (const body of bodies) {
      const short = await answerOf(body);
      expect([body, short]).toEqual([body, await answerOf(body, usual)]);
      const status = typeof short === 'number' ? short : short.status;
      seen.set(status, (seen.get(status) ?? 0) + 1);
    }
    // Enough of both came by.
    expect(seen.get(400) ?? 0).toBeGreaterThan(50);
    expect(seen.get(201) ?? 0).toBeGreaterThan(10);
  });

  it('is taken as it is by the usual way where it is long', async () => {
    const entries = Array.from({ length: 120 }, () => press());
    expect(JSON.stringify({ entries }).length > 16_384).toBe(true);
    const { status, body } = await send({ entries });
    expect([status, body.stored.length]).toEqual([201, 120]);
  });
});
