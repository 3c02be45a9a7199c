import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { TestApp } from '../app.testkit.js';
import { testDatabase } from '../database/test-database.testkit.js';
import { makeApp } from '../make-app.js';
import { brokenBy, sayBroken } from './broken-database.js';

const driver = (code: string, message = '') => Object.assign(new Error(message), { code });

describe('what a broken database says', () => {
  it.each([
    ['ER_RECORD_FILE_FULL', "The table 'journal_entry' is full", { kind: 'disk-full' }],
    [
      'ER_ERROR_ON_WRITE',
      'Error writing file \'./x\' (errno: 28 "No space left on device")',
      { kind: 'disk-full' },
    ],
    ['ENOSPC', '', { kind: 'disk-full' }],
    ['EROFS', '', { kind: 'read-only' }],
    ['ER_NO_SUCH_TABLE', "Table 'jokul.lot' doesn't exist", { kind: 'table', table: 'lot' }],
    [
      'ER_NO_SUCH_TABLE_IN_ENGINE',
      "Table 'jokul.plan' doesn't exist in engine",
      { kind: 'table', table: 'plan' },
    ],
    ['ER_CRASHED_ON_USAGE', "Index for table 'lot' is corrupt", { kind: 'table', table: 'lot' }],
    ['ER_DUP_ENTRY', "Duplicate entry '1' for key 'PRIMARY'", null],
    ['ECONNREFUSED', '', null],
  ])('%s: %s', (code, message, broken) => {
    expect(brokenBy(driver(code, message))).toEqual(broken);
    expect(brokenBy({ driverError: driver(code, message) })).toEqual(broken);
    if (broken) expect(sayBroken(brokenBy(driver(code, message)) as never)).toMatch(/^[A-Z].*\.$/s);
  });
  it.each([[null], [undefined], ['full'], [{}], [new Error('x')]])('nothing of it: %p', (error) => {
    expect(brokenBy(error)).toBeNull();
  });
});

describe('a server over a broken database', () => {
  let app: TestApp;
  beforeAll(async () => {
    app = await TestApp.start('own');
  }, 60_000);
  afterAll(() => app.stop());

  it('names each request, and keeps the name that it was given', async () => {
    const mine = await app.call('GET', 'bakery', undefined, { 'x-request-id': 'tablet-7' });
    expect(mine.headers.get('x-request-id')).toBe('tablet-7');
    const odd = await app.call('GET', 'bakery', undefined, { 'x-request-id': 'a b<script>' });
    expect(odd.headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/);
    const { body } = await app.get<{ requestId: string }>('formulas/NONE/versions');
    expect(body.requestId).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('says which part of the records is gone, lets devices wait, and is well again when it is back', async () => {
    const db = app.app.get(DataSource);
    await db.query('RENAME TABLE `lot` TO `lot_away`');
    const entry = {
      id: '5d1f0c4e-62d9-4c2f-9a0e-0d5c1a4d9b11',
      atMs: 1,
      who: 'Oven hand',
      device: 'test',
      lot: 'TEST-A',
      kind: 'note',
      payload: { text: 'kept' },
    };
    const answer = await app.post('journal', { entries: [entry] });
    expect([answer.status, answer.body.code]).toEqual([503, 'records-broken']);
    expect(answer.body.message).toMatch(/cannot be read \(lot\).*npm run restore/s);
    expect(answer.headers.get('retry-after')).toBe('3');
    await db.query('RENAME TABLE `lot_away` TO `lot`');
    expect((await app.post('journal', { entries: [entry] })).status).toBe(201);
  });
});

describe('a database that a newer Jokul changed', () => {
  it('is refused with a sentence, and nothing is changed', async () => {
    const { config, drop } = await testDatabase(false);
    const first = await makeApp({ ...config, seedDemo: false, seedOwn: true }, false);
    await first
      .get(DataSource)
      .query("INSERT INTO `migrations` (`timestamp`, `name`) VALUES (9999999999999, 'Later9999999999999')");
    await first.close();
    await expect(makeApp({ ...config, seedDemo: false, seedOwn: true }, false)).rejects.toMatchObject({
      code: 'newer-data',
      message: expect.stringContaining('start the newer one'),
    });
    await drop();
  }, 60_000);
});
