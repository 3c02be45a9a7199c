import { readConfig } from '../config.js';
import { JokulError } from '@jokul/core';
import { backUp, checkBackup, restore } from './backup.js';

/* Run by `npm run backup` and `npm run restore`: backup|check|restore FILE; answers with one line of JSON. */
const [, , what, file = ''] = process.argv;
const work = { backup: backUp, restore, check: (_: unknown, path: string) => checkBackup(path) }[what ?? ''];
try {
  if (!work) throw new JokulError('bad-request', `"${what}" is none of backup, restore and check.`);
  process.stdout.write(`${JSON.stringify(await work(readConfig(), file))}\n`);
} catch (error) {
  const known = error instanceof JokulError;
  const { code, message } = error as JokulError & NodeJS.ErrnoException;
  if (!known) process.stderr.write(`${(error as Error).stack ?? message}\n`);
  process.stdout.write(`${JSON.stringify({ refused: { code: code ?? 'trouble', message } })}\n`);
  process.exitCode = 1;
}
