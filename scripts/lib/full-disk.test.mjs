import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { startMariadb } from './mariadb.mjs';
import { freePort } from './port.mjs';
import { whyOf } from './say.mjs';
import { serverEnv, spawnServer, stopServer, untilReady } from './server.mjs';

/* A disk that is really full: a small one of its own, where this account may mount one. */

const home = mkdtempSync(join(tmpdir(), 'jokul-full-'));
const call = (program, ...args) => spawnSync(program, args).status === 0;
const isMounted = process.getuid?.() === 0 && call('mount', '-t', 'tmpfs', '-o', 'size=300M', 'tmpfs', home);
const fill = join(home, 'fill');
const takeAllRoom = () => spawnSync('dd', ['if=/dev/zero', `of=${fill}`, 'bs=64k']);
const makeRoom = () => rmSync(fill, { force: true });
const folder = join(home, 'db');
let db;
let server;
let port;

beforeAll(async () => {
  if (!isMounted) return;
  chmodSync(home, 0o711);
  db = await startMariadb(folder);
  port = await freePort();
  const bakes = join(home, 'bakes');
  server = spawnServer(serverEnv(db, { port, JOKUL_SEED: 'own', JOKUL_BAKES: bakes }), 'ignore');
  expect(await untilReady(port, server)).toBe(true);
}, 120_000);
afterAll(async () => {
  if (server) await stopServer(server);
  await db?.stop().catch(() => undefined);
  if (isMounted) call('umount', home);
  rmSync(home, { recursive: true, force: true });
}, 60_000);

const ask = async (path, entries) => {
  const response = await fetch(`http://127.0.0.1:${port}/api/${path}`, {
    ...(entries && {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    }),
  });
  return { status: response.status, body: await response.json() };
};
const notes = (n) =>
  Array.from({ length: n }, () => ({
    id: randomUUID(),
    atMs: Date.now(),
    who: 'Oven hand',
    device: 'test',
    lot: 'TEST-1',
    kind: 'note',
    payload: { text: 'x'.repeat(900) },
  }));
/** Sends a hundred at a time until the disk takes none; the numbers of those that were confirmed. */
const sendUntilFull = async () => {
  const confirmed = [];
  for (let i = 0; i < 400; i++) {
    const { status, body } = await ask('journal', notes(100));
    if (status !== 201) return { status, body, confirmed };
    confirmed.push(...body.stored.map(({ seq }) => seq));
  }
  throw new Error('the disk was never full');
};
const whole = async () => (await ask('journal/verify')).body;

(isMounted ? describe : describe.skip)('a full disk', () => {
  it('is told to whoever sends and whoever asks, and takes up again where there is room', async () => {
    expect((await ask('journal', notes(1))).status).toBe(201);
    takeAllRoom();
    const { status, body, confirmed } = await sendUntilFull();
    expect([status, body.code]).toEqual([503, 'disk-full']);
    expect(body.message).toContain('make room');
    expect(await ask('health')).toMatchObject({ status: 503, body: { code: 'disk-full' } });
    expect((await ask('health/live')).status).toBe(200);
    expect((await ask('wellbeing')).body).toMatchObject({
      broken: { code: 'disk-full' },
      disk: { freeBytes: 0 },
    });
    // Nothing of what was refused was written in part, and what was there is whole.
    expect(await whole()).toEqual({ entries: 1 + confirmed.length, firstBrokenSeq: null });
    makeRoom();
    expect((await ask('journal', notes(1))).status).toBe(201);
    expect((await ask('health')).status).toBe(200);
    expect(await whole()).toEqual({ entries: 2 + confirmed.length, firstBrokenSeq: null });
  }, 120_000);

  it('keeps a database that was killed from coming up, with a sentence, until there is room', async () => {
    const before = await whole();
    process.kill(db.pid, 'SIGKILL');
    takeAllRoom();
    const error = await startMariadb(folder).catch((reason) => reason);
    expect(whyOf(error)).toContain('the disk is full');
    expect((await ask('health')).body.code).toBe('database-away');
    makeRoom();
    const { port: was } = db;
    db = await startMariadb(folder);
    expect(db.port).toBe(was);
    expect(await whole()).toEqual(before);
    expect((await ask('journal', notes(1))).status).toBe(201);
  }, 120_000);
});

describe('what a person at the terminal reads of a trouble', () => {
  it.each([
    ['ENOSPC', 'the disk is full'],
    ['EROFS', 'can only be read (/here)'],
    ['EACCES', 'no right to write (/here)'],
    ['EPERM', 'no right to write (/here)'],
    ['EDQUOT', 'takes no more from this account'],
  ])('%s', (code, says) => {
    expect(whyOf(Object.assign(new Error('x'), { code, path: '/here' }))).toContain(says);
  });
  it.each([[new Error('x')], [Object.assign(new Error('x'), { code: 'toString' })], [undefined]])(
    'nothing of %p: the stack says more',
    (error) => {
      expect(whyOf(error)).toBeNull();
    },
  );
  it('of a small file that could not be written nothing is left behind', async () => {
    const { writeWhole } = await import('./write-whole.mjs');
    const inFile = mkdtempSync(join(tmpdir(), 'jokul-whole-'));
    writeFileSync(join(inFile, 'file'), 'old');
    expect(() => writeWhole(join(inFile, 'file', 'below'), 'new')).toThrow();
    writeWhole(join(inFile, 'file'), 'new');
    expect(spawnSync('ls', [inFile]).stdout.toString()).toBe('file\n');
    rmSync(inFile, { recursive: true });
  });
});
