import { join } from 'node:path';
import { readConfig, type Config } from '../config/config.js';
import { JokulError, say } from '@jokul/core';
import { backupName, isBackupKind } from './backup-name.js';
import { BackupPlace } from './backup-place.js';
import { backUp, checkBackup, restore } from './backup.js';

/*
 * Run by `npm run backup`, `npm run restore`, every night and by Setup: backup|check|restore FILE, or backup-as KIND, into
 * the folder for backups; answers with one line of JSON.
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
const work = {
  backup: backUp,
  'backup-as': backUpAs,
  restore,
  check: (_: Config, path: string) => checkBackup(path),
}[what ?? ''];
try {
  if (!work)
    throw new JokulError(
      'bad-request',
      say`"${String(what)}" is none of backup, backup-as, restore and check.`,
    );
  process.stdout.write(`${JSON.stringify(await work(readConfig(), file))}\n`);
} catch (error) {
  const known = error instanceof JokulError;
  const { code, message } = error as JokulError & NodeJS.ErrnoException;
  if (!known) process.stderr.write(`${(error as Error).stack ?? message}\n`);
  process.stdout.write(`${JSON.stringify({ refused: { code: code ?? 'trouble', message } })}\n`);
  process.exitCode = 1;
}
