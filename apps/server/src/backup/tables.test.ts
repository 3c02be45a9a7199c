import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  appendFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { csvCells, csvRecords } from '@jokul/core';
import type { Config } from '../config/config.js';
import { testDatabase } from '../database/test-database.testkit.js';
import { backUp, checkBackup, restore } from './backup.js';
import { backupFrom, tablesFrom } from './tables.js';

const home = mkdtempSync(join(tmpdir(), 'jokul-tables-'));
const path = (name: string) => join(home, name);
let config: Config;
let other: Config;
const drops: (() => Promise<void>)[] = [];
beforeAll(async () => {
  const [one, two] = [await testDatabase(true), await testDatabase(false)];
  ({ config } = one);
  other = two.config;
  drops.push(one.drop, two.drop);
  await backUp(config, path('all.gz'));
}, 60_000);
afterAll(async () => {
  for (const drop of drops) await drop();
  rmSync(home, { recursive: true });
});

const rowsOf = (file: string) => gunzipSync(readFileSync(file)).toString().split('\n').slice(1, -2).sort();

describe('all records as tables', () => {
  it('are a CSV file each, and a backup again that puts the same records into another database', async () => {
    const { tables, rows } = await tablesFrom(path('all.gz'), path('tables'));
    const names = readdirSync(path('tables'));
    expect(names).toHaveLength(tables + 1);
    expect(names).toEqual(expect.arrayContaining(['about.json', 'journal_entry.csv', 'order_line.csv']));
    const [heading = [], ...entries] = csvRecords()
      .take(readFileSync(path('tables/journal_entry.csv'), 'utf8'))
      .map(csvCells);
    expect(entries.length).toBe((await checkBackup(path('all.gz'))).entries);
    expect(rows).toBeGreaterThan(entries.length);
    const first = Object.fromEntries(heading.map((name, i) => [name, entries[0]?.[i]]));
    expect(first['seq']).toBe('1');
    expect(JSON.parse(first['payload'] ?? '')).toBeInstanceOf(Object);

    await backupFrom(path('tables'), path('again.gz'));
    expect(rowsOf(path('again.gz'))).toEqual(rowsOf(path('all.gz')));
    const facts = await restore(other, path('again.gz'));
    expect([facts.entries, facts.brokenSeq]).toEqual([entries.length, null]);
    await backUp(other, path('other.gz'));
    expect(rowsOf(path('other.gz'))).toEqual(rowsOf(path('all.gz')));
  }, 60_000);

  it('a changed cell of the log is told when they come back', async () => {
    await tablesFrom(path('all.gz'), path('changed'));
    const file = path('changed/journal_entry.csv');
    writeFileSync(file, readFileSync(file, 'utf8').replace('Oven hand', 'Nobody'));
    await backupFrom(path('changed'), path('changed.gz'));
    expect((await checkBackup(path('changed.gz'))).brokenSeq).not.toBeNull();
  });

  it('leave nothing behind where the backup is cut short', async () => {
    await copyFile(path('all.gz'), path('cut.gz'));
    truncateSync(path('cut.gz'), 20_000);
    await expect(tablesFrom(path('cut.gz'), path('cut'))).rejects.toThrow('cut short');
    expect(existsSync(path('cut'))).toBe(false);
  });

  it('go into no folder where something is', async () => {
    await expect(tablesFrom(path('all.gz'), path('tables'))).rejects.toThrow('is not empty');
  });

  it.each<[string, (folder: string) => void, string]>([
    [
      'nothing that says how they are made',
      (folder) => rmSync(join(folder, 'about.json')),
      'about.json is missing',
    ],
    ['something else there', (folder) => writeFileSync(join(folder, 'about.json'), '{}'), 'does not say how'],
    [
      'a name that leads elsewhere',
      (folder) => {
        const file = join(folder, 'about.json');
        writeFileSync(file, readFileSync(file, 'utf8').replace('"order_line"', '"../all"'));
      },
      'does not say how',
    ],
    [
      'a table without columns',
      (folder) =>
        writeFileSync(join(folder, 'about.json'), '{"what":"jokul-backup","form":1,"tables":[{}, null]}'),
      'does not say how',
    ],
    ['a table missing', (folder) => rmSync(join(folder, 'order_line.csv')), 'order_line.csv is missing'],
    [
      'other columns',
      (folder) => writeFileSync(join(folder, 'bakery.csv'), 'a,b\r\n1,2\r\n'),
      'other columns',
    ],
    ['a row cut short', (folder) => appendFileSync(join(folder, 'order_line.csv'), 'x,y\r\n'), 'cells, not'],
  ])('with %s are refused, and leave no backup', async (name, spoil, sentence) => {
    const folder = path(name);
    await tablesFrom(path('all.gz'), folder);
    spoil(folder);
    await expect(backupFrom(folder, path(`${name}.gz`))).rejects.toThrow(sentence);
    expect(readdirSync(home).filter((file) => file.startsWith(`${name}.gz`))).toEqual([]);
  });
});
