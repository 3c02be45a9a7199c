import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import type { Config } from '../config/config.js';
import { testDatabase } from '../database/test-database.testkit.js';
import { makeApp } from '../make-app.js';
import { JournalReader } from '../journal/journal-reader.js';
import { JournalService } from '../journal/journal.service.js';
import { backUp, checkBackup, checkLog, restore } from './backup.js';

const folder = mkdtempSync(join(tmpdir(), 'jokul-backup-'));
const path = (name: string) => join(folder, name);
let config: Config;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ config, drop } = await testDatabase(true));
});
afterAll(async () => {
  await drop();
  rmSync(folder, { recursive: true });
});

const query = async (sql: string): Promise<RowDataPacket[]> => {
  const { port, user, password, name } = config.database;
  const db = await createConnection({ host: '127.0.0.1', port, user, password, database: name });
  const [rows] = await db.query<RowDataPacket[]>(sql);
  await db.end();
  return rows;
};
/** All rows of a backup, but for when it was made. */
const contents = (file: string) => gunzipSync(readFileSync(file)).toString().split('\n').slice(1, -2).sort();
const entries = async () => Number((await query('SELECT COUNT(*) AS n FROM journal_entry'))[0]?.['n']);

describe('the check of the log in a process of its own', () => {
  it('finds what was changed, what is gone between, and what is gone from the end', async () => {
    const all = await entries();
    expect(await checkLog(config)).toEqual({ entries: all, firstBrokenSeq: null });
    await backUp(config, path('before.gz'));
    await query("UPDATE journal_entry SET who = 'Nobody' WHERE seq = 40");
    expect(await checkLog(config)).toMatchObject({ firstBrokenSeq: 40 });
    await restore(config, path('before.gz'));
    await query('DELETE FROM journal_entry WHERE seq = 7');
    expect(await checkLog(config)).toMatchObject({ firstBrokenSeq: 7 });
    await restore(config, path('before.gz'));
    await query(`DELETE FROM journal_entry WHERE seq > ${all - 2}`);
    expect(await checkLog(config)).toEqual({ entries: all - 2, firstBrokenSeq: all - 1 });
    await restore(config, path('before.gz'));
    expect(await checkLog(config)).toEqual({ entries: all, firstBrokenSeq: null });
    rmSync(path('before.gz'));
  }, 60_000);
});

describe('a backup', () => {
  it('holds every row, is read back, and its ledger fits together', async () => {
    const facts = await backUp(config, path('a.gz'));
    expect(facts.entries).toBe(await entries());
    expect(facts.entries).toBeGreaterThan(500);
    expect(facts.brokenSeq).toBeNull();
    expect(readdirSync(folder)).toEqual(['a.gz']);
  });

  it('restored gives the same records, whatever became of them meanwhile', async () => {
    await backUp(config, path('a.gz'));
    await query('DELETE FROM journal_entry WHERE seq > 100');
    await query('DELETE FROM order_line');
    await query('CREATE TABLE incoming_left (x INT)');
    await query('CREATE TABLE of_later (x INT)');
    const facts = await restore(config, path('a.gz'));
    expect(facts.brokenSeq).toBeNull();
    await backUp(config, path('b.gz'));
    expect(contents(path('b.gz'))).toEqual(contents(path('a.gz')));
    const tables = (await query('SHOW TABLES')).map((row) => String(Object.values(row)[0]));
    expect(tables.filter((name) => /^(incoming|outgoing)_|of_later/.test(name))).toEqual([]);
  });

  it('restored is a bakery that goes on: the chain verifies, and the next entry follows it', async () => {
    await backUp(config, path('a.gz'));
    await restore(config, path('a.gz'));
    const app = await makeApp({ ...config, seedDemo: false });
    const journal = app.get(JournalService);
    const before = await app.get(JournalReader).verify();
    expect(before.firstBrokenSeq).toBeNull();
    await journal.append([
      {
        id: '00000000-0000-4000-8000-0000000000aa',
        atMs: Date.now(),
        who: 'Oven hand',
        device: 'test',
        lot: 'TEST-A',
        kind: 'note',
        payload: { text: 'after the restore' },
      },
    ]);
    expect(await app.get(JournalReader).verify()).toEqual({
      entries: before.entries + 1,
      firstBrokenSeq: null,
    });
    await app.close();
  });

  it('made while entries come in is of one moment', async () => {
    const app = await makeApp({ ...config, seedDemo: false });
    const journal = app.get(JournalService);
    let writing = true;
    const writer = (async () => {
      for (let n = 0; writing; n++)
        await journal.append([
          {
            id: `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`,
            atMs: Date.now(),
            who: 'Oven hand',
            device: 'test',
            lot: 'TEST-B',
            kind: 'note',
            payload: { text: `note ${n}` },
          },
        ]);
    })();
    for (let i = 0; i < 3; i++) expect((await backUp(config, path('c.gz'))).brokenSeq).toBeNull();
    writing = false;
    await writer;
    await app.close();
  });

  it('of a ledger that was tampered with says from where on', async () => {
    await backUp(config, path('a.gz'));
    await query("UPDATE journal_entry SET who = 'Somebody else' WHERE seq = 50");
    expect((await backUp(config, path('bad.gz'))).brokenSeq).toBe(50);
    await restore(config, path('a.gz'));
    await query('DELETE FROM journal_entry ORDER BY seq DESC LIMIT 1');
    expect((await backUp(config, path('bad.gz'))).brokenSeq).toBe((await entries()) + 1);
    await restore(config, path('a.gz'));
  });

  it.each<[string, (file: string) => void, string]>([
    ['cut short', (file) => truncateSync(file, 4000), 'cut short or damaged'],
    ['of nothing', (file) => writeFileSync(file, ''), 'cut short or damaged|it is empty'],
    ['no backup at all', (file) => writeFileSync(file, 'Dear diary'), 'cut short or damaged'],
    [
      'another file that is zipped',
      (file) => writeFileSync(file, gzipSync('{"a":1}\n')),
      'does not say that it is one',
    ],
    [
      'without its end',
      (file) =>
        writeFileSync(
          file,
          gzipSync(gunzipSync(readFileSync(file)).toString().split('\n').slice(0, -2).join('\n')),
        ),
      'its end is missing',
    ],
    [
      'with one letter changed',
      (file) =>
        writeFileSync(file, gzipSync(gunzipSync(readFileSync(file)).toString().replace('Ferry', 'Fairy'))),
      'its checksum is another one',
    ],
    [
      'of a form of later',
      (file) =>
        writeFileSync(
          file,
          gzipSync(gunzipSync(readFileSync(file)).toString().replace('"form":1', '"form":9')),
        ),
      'a form that this one does not know',
    ],
  ])('that is %s is refused, and nothing is changed', async (_, spoil, why) => {
    await backUp(config, path('spoilt.gz'));
    await backUp(config, path('before.gz'));
    spoil(path('spoilt.gz'));
    await expect(restore(config, path('spoilt.gz'))).rejects.toThrow(new RegExp(why));
    await expect(checkBackup(path('spoilt.gz'))).rejects.toThrow(/no whole backup/);
    await backUp(config, path('after.gz'));
    expect(contents(path('after.gz'))).toEqual(contents(path('before.gz')));
  });

  it('that is not there is said', async () => {
    await expect(restore(config, path('nowhere.gz'))).rejects.toThrow('There is no file');
  });

  it('that cannot be written leaves nothing behind', async () => {
    await expect(backUp(config, path('no-such-folder/x.gz'))).rejects.toThrow(/ENOENT/);
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });
});
