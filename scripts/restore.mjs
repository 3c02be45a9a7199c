import { resolve } from 'node:path';
import { bakeryAsked, bakeryFolder, bakeryLock, otherWords } from './lib/bakeries.mjs';
import { backUpAs, runBackup } from './lib/backups.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { holdLock } from './lib/lock.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { orSay, say, Trouble } from './lib/say.mjs';

/*
 * npm run restore -- FILE [--empty | --bakery ID]: puts the records of a backup, or of a folder of tables, in place of
 * those that are there. The backup is checked first, what was there is backed up before it goes, and nothing is changed
 * unless all of it is written. Refuses while Jokul runs.
 */
await orSay(async () => {
  const args = process.argv.slice(2);
  const bakery = bakeryAsked(args);
  const [wanted] = otherWords(args);
  if (!wanted) throw new Trouble('say which backup: npm run restore -- FILE');
  const file = resolve(process.env.INIT_CWD ?? '.', wanted);
  const release = holdLock(bakeryLock(bakery), 'the running Jokul');
  process.on('exit', release);
  await ensureDependencies();
  await ensureBuild();
  const db = await startMariadb(bakeryFolder(bakery));
  try {
    const { madeAt, brokenSeq } = await runBackup('check', file, db);
    if (brokenSeq !== null)
      say(
        `The log in this backup does not fit together from entry ${brokenSeq} on; it is put back as it is.`,
      );
    try {
      const { file: before } = await backUpAs('before-restore', db);
      say(`What was there is kept in\n  ${before}`);
    } catch (error) {
      // Nothing is there yet on a new machine; anything else must not be lost in silence.
      if (!/There are no records/.test(error.message)) throw error;
    }
    const { entries, rows, bakery: whose, before } = await runBackup('restore', file, db);
    if (whose !== null && before !== null && whose !== before)
      say('This backup is from a different bakery than the one it replaced.');
    say(
      `Put back ${rows} rows, ${entries} entries of the log among them, as of ${madeAt}. Start with: npm start`,
    );
  } finally {
    await db.stop();
  }
});
