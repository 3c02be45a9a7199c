import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { inRoot } from './paths.mjs';
import { greets } from './port.mjs';
import { say, Trouble } from './say.mjs';
import { serverEnv } from './server.mjs';

/**
 * What the server is told of backups: the folder that JOKUL_BACKUPS names, the usual one, and the file that keeps what was
 * chosen in Setup for this machine.
 */
export const backupEnv = (env = process.env) => ({
  ...(env.JOKUL_BACKUPS && { JOKUL_BACKUPS: resolve(env.JOKUL_BACKUPS) }),
  JOKUL_BACKUPS_USUAL: inRoot('.jokul', 'backups'),
  JOKUL_BACKUPS_CHOICE: inRoot('.jokul', 'backups.json'),
});

/** Lets go of each bakery's nightly backups but the newest. Others are never touched. */
export const dropOld = (folder, keep) => {
  const nights = new Map();
  for (const name of readdirSync(folder).sort()) {
    const [, kind] = /^jokul-((?:own(?:-\d{1,2})?-)?nightly)-[\d-]+\.jsonl\.gz$/.exec(name) ?? [];
    if (kind) nights.set(kind, [...(nights.get(kind) ?? []), name]);
  }
  const old = [...nights.values()].flatMap((names) => names.slice(0, Math.max(0, names.length - keep)));
  for (const name of old) rmSync(join(folder, name), { force: true });
  return old;
};

/** Milliseconds until it is next so late by this machine's clock. */
export const untilNext = (hour, minute, now = new Date()) => {
  const next = new Date(now);
  next.setHours(hour, minute, 0, 0);
  if (next <= now) next.setDate(next.getDate() + 1);
  return next - now;
};

/** The database of a running Jokul on this folder, or null. */
export const runningDatabase = async (dir) => {
  try {
    const { port, password } = JSON.parse(readFileSync(join(dir, 'instance.json'), 'utf8'));
    return Number.isInteger(port) && (await greets(port)) ? { port, password, user: 'jokul' } : null;
  } catch {
    return null;
  }
};

/**
 * Backs up into the folder for it: the answer says which file, and how many nights are kept. A disk that somebody took away
 * costs no backup: that is said, and the usual folder used. @throws Trouble with its sentence
 */
export const backUpAs = async (kind, db) => {
  const answer = await runBackup('backup-as', kind, db);
  if (answer.missing)
    say(`The folder ${answer.missing} for backups is not there: this one went into ${dirname(answer.file)}.`);
  return answer;
};

/** Backs up, restores or checks in a process of its own. @throws Trouble with its sentence */
export const runBackup = (what, file, db) =>
  new Promise((done, fail) => {
    const child = spawn(process.execPath, [inRoot('apps/server/dist/bundle/backup.js'), what, file], {
      env: serverEnv(db, { port: 0, ...backupEnv() }),
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const where = what === 'backup-as' ? 'the folder for backups' : file;
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.on('error', fail);
    child.on('close', () => {
      let answer = null;
      try {
        answer = JSON.parse(said.trim().split('\n').at(-1));
      } catch {
        // It ended without an answer.
      }
      const why = answer?.refused
        ? ({
            ENOSPC: 'the disk is full. Make room, then try again.',
            EACCES: `${where} cannot be written: no right to.`,
            EROFS: `${where} cannot be written: the disk is read-only.`,
          }[answer.refused.code] ?? answer.refused.message)
        : 'it ended without an answer; what it said stands above.';
      if (answer && !answer.refused) done(answer);
      else fail(new Trouble(why));
    });
  });
