import { createWriteStream, type WriteStream } from 'node:fs';
import { mkdir, readdir, readFile, writeFile } from 'node:fs/promises';
import { once } from 'node:events';
import { join } from 'node:path';
import { csvLine, csvRows, JokulError, say } from '@jokul/core';
import { readBackup, writeBackup, type BackupHead } from './backup-file.js';

/*
 * A backup as a folder that any spreadsheet opens: a CSV file for each table, and one that says how the tables are made;
 * and such a folder as a backup again, to be checked and put back like any other.
 */

const about = 'about.json';
const csvOf = (table: string) => `${table}.csv`;

const noTables = (why: string) =>
  new JokulError('no-tables', say`These are no tables of Jokul: ${why}. Nothing was changed.`);

/**
 * Writes the tables of a backup into a folder that is new, or empty.
 * @returns so many tables and rows
 * @throws JokulError `not-empty`, `broken-backup`; then what was written is no whole folder, for `about.json` is missing
 */
export const tablesFrom = async (
  backup: string,
  folder: string,
): Promise<{ readonly tables: number; readonly rows: number }> => {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  if ((await readdir(folder)).length > 0)
    throw new JokulError('not-empty', say`${folder} is not empty: name a folder that is new.`);
  const files = new Map<string, WriteStream>();
  try {
    const { head, rows } = await readBackup(backup, {
      begin: ({ tables }) => {
        for (const { name, columns } of tables) {
          const file = createWriteStream(join(folder, csvOf(name)), { mode: 0o600 });
          file.write(csvLine(columns));
          files.set(name, file);
        }
      },
      row: async ({ name }, row) => {
        const file = files.get(name);
        if (file && !file.write(csvLine(row))) await once(file, 'drain');
      },
    });
    for (const file of files.values()) {
      file.end();
      await once(file, 'close');
    }
    // Last: a folder that has it is whole.
    await writeFile(join(folder, about), `${JSON.stringify(head, null, 2)}\n`, { mode: 0o600 });
    return { tables: head.tables.length, rows: Object.values(rows).reduce((sum, n) => sum + n, 0) };
  } finally {
    for (const file of files.values()) file.destroy();
  }
};

const headIn = async (folder: string): Promise<BackupHead> => {
  try {
    return JSON.parse(await readFile(join(folder, about), 'utf8')) as BackupHead;
  } catch {
    throw noTables(say`${about} is missing, or cannot be read`);
  }
};

async function* rowsIn(folder: string, { tables }: BackupHead) {
  for (const { name, columns } of tables) {
    const text = await readFile(join(folder, csvOf(name)), 'utf8').catch(() => {
      throw noTables(say`${csvOf(name)} is missing`);
    });
    const [heading, ...rows] = csvRows(text);
    if (heading?.join() !== columns.join()) throw noTables(say`${csvOf(name)} has other columns`);
    for (const row of rows) {
      if (row.length !== columns.length)
        throw noTables(say`a row of ${csvOf(name)} has ${row.length} cells, not ${columns.length}`);
      yield { table: name, row };
    }
  }
}

/** Writes the tables of a folder as a backup. @throws JokulError `no-tables` */
export const backupFrom = async (folder: string, backup: string): Promise<void> => {
  const head = await headIn(folder);
  if (head.what !== 'jokul-backup' || !Array.isArray(head.tables))
    throw noTables(say`${about} does not say how they are made`);
  await writeBackup(backup, head, rowsIn(folder, head));
};
