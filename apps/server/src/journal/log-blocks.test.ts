import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import type { LogCheckView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { JournalReader } from './journal-reader.js';
import { LogBlocks } from './log-blocks.js';

/* What of the log need not be followed again, on a real database of more than two blocks. */

let app: TestApp;
let db: DataSource;
let blocks: LogBlocks;
const notes = (n: number) =>
  Array.from({ length: n }, (_, i) => ({
    id: randomUUID(),
    atMs: 1_795_752_600_000 + i,
    who: 'Oven hand',
    device: 'test',
    lot: `TEST-${i % 9}`,
    kind: 'note',
    payload: { text: `note ${i}` },
  }));
const write = async (n: number) => {
  for (let left = n; left > 0; left -= 100)
    expect((await app.post('journal', { entries: notes(Math.min(100, left)) })).status).toBe(201);
};
beforeAll(async () => {
  app = await TestApp.start('own');
  db = app.app.get(DataSource);
  blocks = app.app.get(LogBlocks);
  await write(2300);
}, 60_000);
afterAll(() => app.stop());

const unchanged = async () => (await blocks.unchanged(await blocks.look())).seq;
const verify = async () => (await app.get<LogCheckView>('journal/verify')).body;
/** Does something to a row, looks, and puts the row back. */
const meanwhile = async <T>(seq: number, what: string, look: () => Promise<T>): Promise<T> => {
  await db.query('CREATE OR REPLACE TABLE `as_it_was` AS SELECT * FROM `journal_entry` WHERE `seq` = ?', [
    seq,
  ]);
  await db.query(`${what} WHERE \`seq\` = ?`, [seq]);
  const seen = await look();
  await db.query('REPLACE INTO `journal_entry` SELECT * FROM `as_it_was`');
  await db.query('DROP TABLE `as_it_was`');
  return seen;
};
const changed = <T>(seq: number, set: string, look: () => Promise<T>) =>
  meanwhile(seq, `UPDATE \`journal_entry\` SET ${set}`, look);

describe('blocks of the log', () => {
  it('are all followed at first, and none of them again', async () => {
    const { seq } = await app.app.get(JournalReader).head();
    expect(seq).toBe(2300);
    expect(await unchanged()).toBe(0);
    expect(await verify()).toEqual({ entries: seq, firstBrokenSeq: null });
    expect(await unchanged()).toBe(seq);
    expect(await verify()).toEqual({ entries: seq, firstBrokenSeq: null });
  });

  it('are told apart by all of their digits', async () => {
    for (const { digest } of await blocks.look()) expect(digest).toMatch(/^\d+:\d+:[0-9A-F]{1,16}$/);
  });

  it('only the last is followed again when something was written', async () => {
    await write(3);
    expect(await unchanged()).toBe(1999);
    const { seq } = await app.app.get(JournalReader).head();
    expect(await verify()).toEqual({ entries: seq, firstBrokenSeq: null });
    expect(await unchanged()).toBe(seq);
  });

  it.each([
    ["`who` = 'Nobody'"],
    ["`device` = 'elsewhere'"],
    ['`atMs` = `atMs` + 1'],
    ["`lot` = 'TEST-X'"],
    ["`kind` = 'mixed'"],
    [`\`payload\` = '{"text":"otherwise"}'`],
    ["`hash` = REPEAT('0', 64)"],
    ["`prevHash` = REPEAT('0', 64)"],
  ])('an old entry with %s is seen, though it was followed before', async (set) => {
    expect(await changed(1234, set, unchanged)).toBe(999);
    expect(await changed(1234, set, verify)).toMatchObject({ firstBrokenSeq: 1234 });
    expect(await verify()).toMatchObject({ firstBrokenSeq: null });
  });

  it('what moved from one column into the next is another row', async () => {
    expect(await changed(1234, "`who` = 'Oven', `device` = 'handtest'", unchanged)).toBe(999);
  });

  it('an old entry that is gone, and a head that names another, are seen', async () => {
    expect(await meanwhile(77, 'DELETE FROM `journal_entry`', verify)).toMatchObject({ firstBrokenSeq: 78 });
    expect(await verify()).toMatchObject({ firstBrokenSeq: null });
    const [head] = await db.query('SELECT * FROM journal_head');
    await db.query("UPDATE journal_head SET hash = REPEAT('0', 64)");
    expect(await verify()).toMatchObject({ firstBrokenSeq: Number(head.seq) });
    await db.query('UPDATE journal_head SET hash = ?, seq = seq + 1', [head.hash]);
    expect(await verify()).toMatchObject({ firstBrokenSeq: Number(head.seq) + 1 });
    await db.query('UPDATE journal_head SET seq = ?', [head.seq]);
    expect(await verify()).toMatchObject({ firstBrokenSeq: null });
  });
});
