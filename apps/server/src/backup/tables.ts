import { createReadStream, createWriteStream, type WriteStream } from 'node:fs';
import { access, mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { once } from 'node:events';
import { join } from 'node:path';
import { finished } from 'node:stream/promises';
import { csvCells, csvLine, csvRecords, JokulError, say } from '@jokul/core';
import { readBackup, writeBackup, type BackupHead, type TableForm } from './backup-file.js';

/*
 * A backup as a folder that any spreadsheet opens: a CSV file for each table, and one that says how the tables are made;
 * and such a folder as a backup again, to be checked and put back like any other.
 */

const about = 'about.json';
const csvOf = (table: string) => `${table}.csv`;

const noTables = (why: string) =>
  new JokulError('no-tables', say`These are no tables of Jokul: ${why}. Nothing was changed.`);

/**
 * Writes the tables of a backup into a folder that is new, or empty; where it fails, nothing of it is left.
 * @returns so many tables and rows
 * @throws JokulError `not-empty`, `broken-backup`; an error of the disk with its code
 */
export const tablesFrom = async (
  backup: string,
  folder: string,
): Promise<{ readonly tables: number; readonly rows: number }> => {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  if ((await readdir(folder)).length > 0)
    throw new JokulError('not-empty', say`${folder} is not empty: name a folder that is new.`);
  const files = new Map<string, WriteStream>();
  // A full disk is heard of at any time, also while nobody waits for that file.
  let fault: Error | undefined;
  try {
    const { head, rows } = await readBackup(backup, {
      begin: ({ tables }) => {
        for (const { name, columns } of tables) {
          const file = createWriteStream(join(folder, csvOf(name)), { mode: 0o600 });
          file.on('error', (error) => (fault ??= error));
          file.write(csvLine(columns));
          files.set(name, file);
        }
      },
      row: async ({ name }, row) => {
        if (fault) throw fault;
        const file = files.get(name);
        if (file && !file.write(csvLine(row))) await once(file, 'drain');
      },
    });
    for (const file of files.values()) {
      file.end();
      await finished(file);
    }
    // Last: a folder that has it is whole.
    await writeFile(join(folder, about), `${JSON.stringify(head, null, 2)}\n`, { mode: 0o600 });
    return { tables: head.tables.length, rows: Object.values(rows).reduce((sum, n) => sum + n, 0) };
  } catch (error) {
    for (const file of files.values()) file.destroy();
    await rm(folder, { recursive: true, force: true });
    throw error;
  }
};

const isText = (value: unknown): value is string => typeof value === 'string';
/** A name is no way into another folder. */
const isForm = (table: unknown): table is TableForm => {
  const { name, create, columns } = (table ?? {}) as Partial<Record<keyof TableForm, unknown>>;
  return (
    isText(name) && /^\w+$/.test(name) && isText(create) && Array.isArray(columns) && columns.every(isText)
  );
};

const headIn = async (folder: string): Promise<BackupHead> => {
  let head: Partial<BackupHead> | null;
  try {
    head = JSON.parse(await readFile(join(folder, about), 'utf8')) as Partial<BackupHead> | null;
  } catch {
    throw noTables(say`${about} is missing, or cannot be read`);
  }
  if (head?.what !== 'jokul-backup' || !Array.isArray(head.tables) || !head.tables.every(isForm))
    throw noTables(say`${about} does not say how they are made`);
  return head as BackupHead;
};

/** The rows of a CSV file, its heading first. @throws an error of the disk */
async function* cellsIn(file: string) {
  const records = csvRecords();
  for await (const piece of createReadStream(file, 'utf8'))
    for (const record of records.take(piece as string)) yield csvCells(record);
  for (const record of records.end()) yield csvCells(record);
}

async function* rowsIn(folder: string, { tables }: BackupHead) {
  for (const { name, columns } of tables) {
    const file = join(folder, csvOf(name));
    await access(file).catch(() => {
      throw noTables(say`${csvOf(name)} is missing`);
    });
    let heading: string | undefined;
    for await (const row of cellsIn(file)) {
      if (heading === undefined) {
        heading = row.join().replace(/^\uFEFF/, '');
        if (heading !== columns.join()) throw noTables(say`${csvOf(name)} has other columns`);
        continue;
      }
      if (row.length !== columns.length)
        throw noTables(say`a row of ${csvOf(name)} has ${row.length} cells, not ${columns.length}`);
      yield { table: name, row };
    }
    if (heading === undefined) throw noTables(say`${csvOf(name)} is empty`);
  }
}

/** Writes the tables of a folder as a backup. @throws JokulError `no-tables` */
export const backupFrom = async (folder: string, backup: string): Promise<void> => {
  const head = await headIn(folder);
  await writeBackup(backup, head, rowsIn(folder, head));
};
