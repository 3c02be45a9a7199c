import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import type { Connection as StreamConnection } from 'mysql2';
import { firstBrokenSeq, genesisHash, JokulError, type JournalEntry, say } from '@jokul/core';
import type { LogCheckView } from '@jokul/contracts';
import type { Config } from '../config/config.js';
import { sha256 } from '../journal/chain-on.js';
import { readBackup, writeBackup, type BackupHead, type Row, type TableForm } from './backup-file.js';

/** Prefixes of tables while records are put back; no table of Jokul begins so. */
const [incoming, outgoing] = ['incoming_', 'outgoing_'];
const isPassing = (name: string) => name.startsWith(incoming) || name.startsWith(outgoing);

const connect = ({ database }: Config): Promise<Connection> =>
  createConnection({
    host: '127.0.0.1',
    port: database.port,
    user: database.user,
    password: database.password,
    database: database.name,
    charset: 'utf8mb4',
    // Every value as the database writes it: nothing is rounded, nothing is taken for a date.
    typeCast: (field) => field.string(),
    multipleStatements: false,
  });

const tablesOf = async (db: Connection): Promise<readonly string[]> => {
  const [rows] = await db.query<RowDataPacket[]>("SHOW FULL TABLES WHERE Table_type = 'BASE TABLE'");
  return rows.map((row) => String(Object.values(row)[0])).sort();
};

const formOf = async (db: Connection, name: string): Promise<TableForm> => {
  const [[made]] = await db.query<RowDataPacket[]>(`SHOW CREATE TABLE \`${name}\``);
  const [columns] = await db.query<RowDataPacket[]>(`SHOW COLUMNS FROM \`${name}\``);
  return {
    name,
    create: String(made?.['Create Table']),
    columns: columns.map((column) => String(column['Field'])),
  };
};

/** From here on these tables are read as they are now, whatever is written meanwhile. */
const atOneMoment = async (db: Connection, names: readonly string[]): Promise<readonly TableForm[]> => {
  const tables = await Promise.all(names.map((name) => formOf(db, name)));
  await db.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
  await db.query('START TRANSACTION WITH CONSISTENT SNAPSHOT');
  return tables;
};

async function* rowsOf(db: Connection, tables: readonly TableForm[]) {
  for (const { name, columns } of tables) {
    const list = columns.map((column) => `\`${column}\``).join(', ');
    const order = name === 'journal_entry' ? ' ORDER BY `seq`' : '';
    const stream = (db as unknown as { connection: StreamConnection }).connection
      .query({ sql: `SELECT ${list} FROM \`${name}\`${order}`, rowsAsArray: true })
      .stream({ highWaterMark: 64 });
    for await (const row of stream) yield { table: name, row: row as Row };
  }
}

/** The chain of the ledger in a backup, followed as its rows are read. */
const chainOf = () => {
  let prev = genesisHash;
  let last = 0;
  let brokenAt: number | null = null;
  let head: { seq: number; hash: string } | null = null;
  let bakery: string | null = null;
  return {
    take: ({ name, columns }: TableForm, row: Row): void => {
      const at = (column: string) => row[columns.indexOf(column)] ?? '';
      if (name === 'bakery') bakery = at('id');
      if (name === 'journal_head') head = { seq: Number(at('seq')), hash: at('hash') };
      if (name !== 'journal_entry' || brokenAt !== null) return;
      const entry = Object.fromEntries(
        columns.map((column, i) => [column, row[i]]),
      ) as unknown as JournalEntry;
      const whole = {
        ...entry,
        seq: Number(at('seq')),
        atMs: Number(at('atMs')),
        payload: JSON.parse(at('payload')) as object,
      } as JournalEntry;
      if (whole.seq !== last + 1) brokenAt = last + 1;
      else brokenAt = firstBrokenSeq([whole], sha256, prev);
      last = whole.seq;
      prev = whole.hash;
    },
    /** Where it is broken, or ends before the head says; null when it is whole. */
    broken: (): number | null => {
      if (brokenAt !== null) return brokenAt;
      if (head && (head.seq !== last || (last > 0 && head.hash !== prev))) return last + 1;
      return null;
    },
    /** Whether a link that was read does not fit: then the rest need not be read. */
    isBroken: () => brokenAt !== null,
    entries: () => last,
    bakery: () => bakery,
  };
};

export interface BackupFacts {
  readonly entries: number;
  readonly rows: number;
  readonly madeAt: string;
  /** The first entry of the ledger that does not fit, null when all do. */
  readonly brokenSeq: number | null;
  /** Whose records they are; null in a backup of an older Jokul. */
  readonly bakery: string | null;
}

/** Whose records a database holds; null where none, or those of an older Jokul. */
const bakeryOf = async (db: Connection): Promise<string | null> => {
  if (!(await tablesOf(db)).includes('bakery')) return null;
  const [[row]] = await db.query<RowDataPacket[]>('SELECT `id` FROM `bakery`');
  return row ? String(row['id']) : null;
};

/** Reads a backup from end to end without touching anything. @throws JokulError `broken-backup`, `no-backup` */
export const checkBackup = async (file: string): Promise<BackupFacts> => {
  const chain = chainOf();
  const { head, rows } = await readBackup(file, { row: (table, row) => chain.take(table, row) });
  return {
    entries: chain.entries(),
    rows: Object.values(rows).reduce((sum, n) => sum + n, 0),
    madeAt: head.madeAt,
    brokenSeq: chain.broken(),
    bakery: chain.bakery(),
  };
};

/**
 * Writes all records as they are at one moment into a file, while Jokul goes on, and reads the file back.
 * @throws JokulError `empty-database`
 */
export const backUp = async (config: Config, file: string): Promise<BackupFacts> => {
  const db = await connect(config);
  try {
    const names = (await tablesOf(db)).filter((name) => !isPassing(name));
    if (names.length === 0)
      throw new JokulError(
        'empty-database',
        say`There are no records to back up yet: start Jokul once first.`,
      );
    const tables = await atOneMoment(db, names);
    const head: BackupHead = { what: 'jokul-backup', form: 1, madeAt: new Date().toISOString(), tables };
    await writeBackup(file, head, rowsOf(db, tables));
    await db.query('COMMIT');
  } finally {
    db.destroy();
  }
  return checkBackup(file);
};

/** Rows go in together, up to so many characters. */
const mostTogether = 2_000_000;

const named = (name: string) => `\`${incoming}${name}\``;
const createAs = ({ name, create }: TableForm): string => {
  const made = create.replace(/^CREATE TABLE `[^`]+`/, `CREATE TABLE ${named(name)}`);
  if (made === create)
    throw new JokulError('broken-backup', say`The backup does not say how ${name} is made.`);
  return made;
};

/**
 * Puts the records of a backup in place of those that are there, all at one moment: they are written beside them first,
 * counted, and only then exchanged. What was there is to be backed up before; it is gone after.
 * @returns what the backup holds, and whose records were there `before`; null where nobody's, or an older Jokul's
 * @throws JokulError `broken-backup`, `no-backup`; nothing is changed then
 */
export const restore = async (
  config: Config,
  file: string,
): Promise<BackupFacts & { readonly before: string | null }> => {
  const facts = await checkBackup(file);
  const db = await connect(config);
  const dropPassing = async () => {
    for (const name of (await tablesOf(db)).filter(isPassing)) await db.query(`DROP TABLE \`${name}\``);
  };
  try {
    // Of a restore that was cut.
    await dropPassing();
    const before = await bakeryOf(db);
    let waiting: { table: TableForm; rows: Row[]; size: number } | null = null;
    const flush = async () => {
      if (!waiting || waiting.rows.length === 0) return;
      const { table, rows } = waiting;
      const list = table.columns.map((column) => `\`${column}\``).join(', ');
      await db.query(`INSERT INTO ${named(table.name)} (${list}) VALUES ?`, [rows]);
      waiting = null;
    };
    const { head, rows } = await readBackup(file, {
      begin: async ({ tables }) => {
        for (const table of tables) await db.query(createAs(table));
      },
      row: async (table, row) => {
        if (waiting && (waiting.table !== table || waiting.size > mostTogether)) await flush();
        waiting ??= { table, rows: [], size: 0 };
        waiting.rows.push(row);
        waiting.size += row.reduce((sum, value) => sum + (value?.length ?? 0), 0);
      },
    });
    await flush();
    for (const { name } of head.tables) {
      const [[count]] = await db.query<RowDataPacket[]>(`SELECT COUNT(*) AS n FROM ${named(name)}`);
      if (Number(count?.['n']) !== (rows[name] ?? 0))
        throw new Error(`${count?.['n']} rows of ${name} were written, not ${rows[name] ?? 0}.`);
    }
    const there = (await tablesOf(db)).filter((name) => !isPassing(name));
    // One statement: all tables change at once, or none does.
    await db.query(
      `RENAME TABLE ${[
        ...there.map((name) => `\`${name}\` TO \`${outgoing}${name}\``),
        ...head.tables.map(({ name }) => `${named(name)} TO \`${name}\``),
      ].join(', ')}`,
    );
    await dropPassing();
    return { ...facts, before };
  } catch (error) {
    await dropPassing().catch(() => undefined);
    throw error;
  } finally {
    db.destroy();
  }
};

/** Follows the whole chain of the log as it is at one moment, while Jokul goes on. */
export const checkLog = async (config: Config): Promise<LogCheckView> => {
  const db = await connect(config);
  try {
    const tables = await atOneMoment(db, ['journal_head', 'journal_entry']);
    const chain = chainOf();
    const forms = new Map(tables.map((table) => [table.name, table]));
    let entries = 0;
    for await (const { table, row } of rowsOf(db, tables)) {
      const form = forms.get(table);
      if (!form) continue;
      chain.take(form, row);
      if (table === 'journal_entry') entries += 1;
      // What comes behind a broken link says nothing more.
      if (chain.isBroken()) break;
    }
    return { entries, firstBrokenSeq: chain.broken() };
  } finally {
    db.destroy();
  }
};
