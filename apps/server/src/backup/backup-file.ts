import { createHash, type Hash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { createInterface } from 'node:readline';
import { once } from 'node:events';
import { createGunzip, createGzip } from 'node:zlib';
import { JokulError, say } from '@jokul/core';

/*
 * One file holds all records of a bakery: gzipped JSON Lines. The first line says what it is and how each table is made,
 * then comes a line for each row, the values as text in the order of the columns, and last a line with the number of rows
 * of each table and the SHA-256 of all lines before it.
 */

export interface TableForm {
  readonly name: string;
  /** The statement that makes it. */
  readonly create: string;
  readonly columns: readonly string[];
}

export interface BackupHead {
  readonly what: 'jokul-backup';
  readonly form: 1;
  readonly madeAt: string;
  readonly tables: readonly TableForm[];
}

export type Row = readonly (string | null)[];

interface RowLine {
  readonly table: string;
  readonly row: Row;
}
interface EndLine {
  readonly rows: Readonly<Record<string, number>>;
  readonly sha256: string;
}

const broken = (file: string, why: string) =>
  new JokulError(
    'broken-backup',
    say`${file} is no whole backup: ${why}. Take another one; nothing was changed.`,
  );

/** Writes a backup beside its name and gives it the name when it is whole and on the disk. */
export const writeBackup = async (
  file: string,
  head: BackupHead,
  rows: AsyncIterable<RowLine>,
): Promise<Readonly<Record<string, number>>> => {
  const part = `${file}.part`;
  const zip = createGzip({ level: 6 });
  const out = createWriteStream(part, { mode: 0o600 });
  const failed = new Promise<never>((_, reject) => {
    out.on('error', reject);
    zip.on('error', reject);
  });
  // An error that comes before anybody waits for it is met at the end.
  failed.catch(() => undefined);
  zip.pipe(out);
  const sum = createHash('sha256');
  const counts: Record<string, number> = Object.fromEntries(head.tables.map(({ name }) => [name, 0]));
  const line = async (value: object, hashed = true) => {
    const text = `${JSON.stringify(value)}\n`;
    if (hashed) sum.update(text);
    if (!zip.write(text)) await Promise.race([once(zip, 'drain'), failed]);
  };
  try {
    await line(head);
    for await (const row of rows) {
      counts[row.table] = (counts[row.table] ?? 0) + 1;
      await line(row);
    }
    await line({ rows: counts, sha256: sum.digest('hex') } satisfies EndLine, false);
    zip.end();
    await Promise.race([once(out, 'close'), failed]);
    const handle = await open(part, 'r');
    await handle.sync();
    await handle.close();
    await rename(part, file);
    return counts;
  } catch (error) {
    zip.destroy();
    out.destroy();
    await rm(part, { force: true });
    throw error;
  }
};

const parsed = (file: string, text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    throw broken(file, say`a line of it cannot be read`);
  }
};

const headOf = (file: string, value: unknown): BackupHead => {
  const head = value as Partial<BackupHead> | null;
  if (head?.what !== 'jokul-backup') throw broken(file, say`it does not say that it is one`);
  if (head.form !== 1 || !Array.isArray(head.tables))
    throw broken(file, say`it was made by another Jokul, in a form that this one does not know`);
  return head as BackupHead;
};

const checkEnd = (file: string, end: EndLine | null, counts: Record<string, number>, sum: Hash): void => {
  if (!end) throw broken(file, say`its end is missing`);
  if (end.sha256 !== sum.digest('hex')) throw broken(file, say`its checksum is another one`);
  for (const [table, count] of Object.entries(end.rows))
    if (counts[table] !== count)
      throw broken(file, say`${counts[table] ?? 0} rows of ${table} are in it, not ${count}`);
};

/**
 * Reads a backup from end to end: its head to `begin`, each row to `row`; and checks its checksum and its counts at the
 * end, so that nothing is believed before this resolves.
 * @throws JokulError `broken-backup`
 */
export const readBackup = async (
  file: string,
  on: {
    readonly begin?: (head: BackupHead) => void | Promise<void>;
    readonly row?: (table: TableForm, row: Row) => void | Promise<void>;
  } = {},
): Promise<{ readonly head: BackupHead; readonly rows: Readonly<Record<string, number>> }> => {
  const unzip = createReadStream(file)
    .on('error', (error) => unzip.destroy(error))
    .pipe(createGunzip());
  const sum = createHash('sha256');
  let head: BackupHead | null = null;
  let tables = new Map<string, TableForm>();
  let end: EndLine | null = null;
  const counts: Record<string, number> = {};
  try {
    for await (const text of createInterface({ input: unzip, crlfDelay: Infinity })) {
      const value = parsed(file, text);
      if (end) throw broken(file, say`something stands after its end`);
      if (head === null) {
        head = headOf(file, value);
        tables = new Map(head.tables.map((table) => [table.name, table]));
        await on.begin?.(head);
      } else if (typeof value === 'object' && value !== null && 'sha256' in value) {
        end = value as EndLine;
        continue;
      } else {
        const { table: name, row } = value as RowLine;
        const table = tables.get(name);
        if (!table || !Array.isArray(row) || row.length !== table.columns.length)
          throw broken(file, say`a row of it belongs to no table`);
        counts[name] = (counts[name] ?? 0) + 1;
        await on.row?.(table, row);
      }
      sum.update(`${text}\n`);
    }
  } catch (error) {
    if (error instanceof JokulError) throw error;
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new JokulError('no-backup', say`There is no file ${file}.`);
    if (
      /^Z_|unexpected end|incorrect header/i.test(
        `${(error as NodeJS.ErrnoException).code} ${(error as Error).message}`,
      )
    )
      throw broken(file, say`it is cut short or damaged`);
    throw error;
  }
  if (head === null) throw broken(file, say`it is empty`);
  checkEnd(file, end, { ...Object.fromEntries(head.tables.map(({ name }) => [name, 0])), ...counts }, sum);
  return { head, rows: counts };
};
