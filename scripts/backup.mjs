import { resolve } from 'node:path';
import { bakeryAsked, bakeryFolder, otherWords } from './lib/bakeries.mjs';
import { backUpAs, runBackup, runningDatabase } from './lib/backups.mjs';
import { ensureBuild, ensureDependencies } from './lib/build.mjs';
import { startMariadb } from './lib/mariadb.mjs';
import { orSay, say, Trouble } from './lib/say.mjs';

/*
 * npm run backup [-- FILE | --tables FOLDER] [--empty | --bakery ID]: all records in one file, read back, or as tables
 * (CSV) in a folder that is new; also while Jokul runs. `--empty` and `--bakery` take a bakery of one's own, as with npm
 * start.
 */
const sayBroken = (brokenSeq) =>
  brokenSeq !== null &&
  say(`But the log itself does not fit together from entry ${brokenSeq} on. Keep older backups.`);

await orSay(async () => {
  const args = process.argv.slice(2);
  const dir = bakeryFolder(bakeryAsked(args));
  const [wanted] = otherWords(args);
  const asTables = args.includes('--tables');
  if (asTables && !wanted) throw new Trouble('say which folder: npm run backup -- --tables FOLDER');
  await ensureDependencies();
  const running = await runningDatabase(dir);
  // Never built anew under a server that runs from it.
  if (!running) await ensureBuild();
  const started = running ? null : await startMariadb(dir);
  const db = running ?? started;
  try {
    const wantedFile = wanted && resolve(process.env.INIT_CWD ?? '.', wanted);
    if (asTables) {
      const { tables, rows, brokenSeq } = await runBackup('tables', wantedFile, db);
      say(`Wrote ${rows} rows in ${tables} tables (CSV) into\n  ${wantedFile}`);
      say('npm run restore -- FOLDER takes them in again, also on another machine.');
      sayBroken(brokenSeq);
      return;
    }
    const made = wantedFile ? await runBackup('backup', wantedFile, db) : await backUpAs('backup', db);
    const { entries, rows, brokenSeq, file = wantedFile } = made;
    say(
      `Backed up ${rows} rows, ${entries} entries of the log among them, into\n  ${file}\nand read it back: it is whole.`,
    );
    sayBroken(brokenSeq);
  } finally {
    await started?.stop();
  }
});
