import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readConfig, type Config } from '../config/config.js';
import { JokulError, say } from '@jokul/core';
import { backupName, isBackupKind, tablesName } from './backup-name.js';
import { BackupPlace } from './backup-place.js';
import { backUp, checkBackup, checkLog, restore } from './backup.js';
import { backupFrom, tablesFrom } from './tables.js';

/*
 * Run by `npm run backup`, `npm run restore`, every night, by Setup and by the check of the log: backup|check|restore FILE,
 * tables FOLDER, check-log, or backup-as KIND and tables-as into the folder for backups; answers with one line of JSON. A
 * folder of tables is checked and restored like a file.
 */
const [, , what, file = ''] = process.argv;
const backUpAs = async (config: Config, kind: string) => {
  if (!isBackupKind(kind)) throw new JokulError('bad-request', say`"${kind}" is no kind of backup.`);
  const place = new BackupPlace(config.backups ?? null);
  const folder = await place.made();
  if (folder === null) throw new JokulError('bad-request', say`Nobody told where backups go.`);
  const made = join(folder, backupName(kind));
  const { keep, missing } = place.look() ?? {};
  return { ...(await backUp(config, made)), file: made, keep, missing };
};
const withPassing = async <T>(work: (file: string) => Promise<T>): Promise<T> => {
  const folder = await mkdtemp(join(tmpdir(), 'jokul-records-'));
  try {
    return await work(join(folder, 'records.jsonl.gz'));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
};
const asTables = (config: Config, folder: string) =>
  withPassing(async (passing) => {
    const { entries, brokenSeq } = await backUp(config, passing);
    return { entries, brokenSeq, file: folder, ...(await tablesFrom(passing, folder)) };
  });
const tablesAs = async (config: Config) => {
  const folder = await new BackupPlace(config.backups ?? null).made();
  if (folder === null) throw new JokulError('bad-request', say`Nobody told where backups go.`);
  return asTables(config, join(folder, tablesName()));
};
/** A file as it is, a folder of tables by way of a file that passes. */
const fromEither = async <T>(path: string, work: (file: string) => Promise<T>): Promise<T> => {
  const isFolder = await stat(path).then(
    (found) => found.isDirectory(),
    () => false,
  );
  if (!isFolder) return work(path);
  return withPassing(async (passing) => {
    await backupFrom(path, passing);
    return work(passing);
  });
};
const work = {
  backup: backUp,
  'backup-as': backUpAs,
  tables: asTables,
  'tables-as': tablesAs,
  restore: (config: Config, path: string) => fromEither(path, (from) => restore(config, from)),
  check: (_: Config, path: string) => fromEither(path, checkBackup),
  'check-log': checkLog,
}[what ?? ''];
try {
  if (!work)
    throw new JokulError(
      'bad-request',
      say`"${String(what)}" is none of backup, backup-as, tables, tables-as, restore, check and check-log.`,
    );
  process.stdout.write(`${JSON.stringify(await work(readConfig(), file))}\n`);
} catch (error) {
  const known = error instanceof JokulError;
  const { code, message } = error as JokulError & NodeJS.ErrnoException;
  if (!known) process.stderr.write(`${(error as Error).stack ?? message}\n`);
  process.stdout.write(`${JSON.stringify({ refused: { code: code ?? 'trouble', message } })}\n`);
  process.exitCode = 1;
}
