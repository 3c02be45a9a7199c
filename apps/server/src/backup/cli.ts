import { join } from 'node:path';
import { readConfig, type Config } from '../config.js';
import { JokulError } from '@jokul/core';
import { backupKinds, backupName } from './backup-name.js';
import { backUp, checkBackup, restore } from './backup.js';

/*
 * Run by `npm run backup`, `npm run restore` and Setup: backup|check|restore FILE, or backup-into FOLDER KIND, which
 * names the file itself; answers with one line of JSON.
 */
const [, , what, file = '', kind = ''] = process.argv;
const into = async (config: Config, folder: string) => {
  const name = backupKinds.find((known) => known === kind);
  if (!name) throw new JokulError('bad-request', `"${kind}" is no kind of backup.`);
  const made = join(folder, backupName(name));
  return { ...(await backUp(config, made)), file: made };
};
const work = {
  backup: backUp,
  'backup-into': into,
  restore,
  check: (_: Config, path: string) => checkBackup(path),
}[what ?? ''];
try {
  if (!work)
    throw new JokulError('bad-request', `"${what}" is none of backup, backup-into, restore and check.`);
  process.stdout.write(`${JSON.stringify(await work(readConfig(), file))}\n`);
} catch (error) {
  const known = error instanceof JokulError;
  const { code, message } = error as JokulError & NodeJS.ErrnoException;
  if (!known) process.stderr.write(`${(error as Error).stack ?? message}\n`);
  process.stdout.write(`${JSON.stringify({ refused: { code: code ?? 'trouble', message } })}\n`);
  process.exitCode = 1;
}
