import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { inRoot } from './paths.mjs';
import { greets } from './port.mjs';
import { say, Trouble } from './say.mjs';
import { serverEnv } from './server.mjs';

/** Where backups go where nobody chose, and the file that keeps what was chosen in Setup for this machine. */
export const usualFolder = () => inRoot('.jokul', 'backups');
export const choiceFile = () => inRoot('.jokul', 'backups.json');
const usualKeep = 14;

/** What was chosen in Setup; the usual where nobody did, or where it cannot be read. As backup-place.ts writes it. */
export const backupChoice = (file = choiceFile()) => {
  try {
    const { folder, keep } = JSON.parse(readFileSync(file, 'utf8'));
    return {
      folder: typeof folder === 'string' ? folder : null,
      keep: Number.isInteger(keep) && keep > 0 ? keep : usualKeep,
    };
  } catch {
    return { folder: null, keep: usualKeep };
  }
};

/**
 * Where backups go: JOKUL_BACKUPS, or what was chosen in Setup while it is there, or a folder beside the records. A disk
 * that somebody took away must not cost a night's backup.
 */
export const backupFolder = (env = process.env, { folder } = backupChoice()) => {
  if (env.JOKUL_BACKUPS) return resolve(env.JOKUL_BACKUPS);
  if (folder === null) return usualFolder();
  if (existsSync(folder)) return folder;
  say(`The folder ${folder} for backups is not there: they go into ${usualFolder()} meanwhile.`);
  return usualFolder();
};

/** The folder for backups, made where it is not there yet. */
export const madeBackupFolder = () => {
  const folder = backupFolder();
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new Trouble(
      `the folder ${folder} for backups cannot be made (${error.code}). Name another one: JOKUL_BACKUPS=/somewhere`,
    );
  }
  return folder;
};

/** Lets go of nightly backups but the newest. Others are never touched. */
export const dropOld = (folder, keep) => {
  const old = ['nightly', 'own-nightly'].flatMap((kind) => {
    const nights = readdirSync(folder)
      .filter((name) => new RegExp(`^jokul-${kind}-[\\d-]+\\.jsonl\\.gz$`).test(name))
      .sort();
    return nights.slice(0, Math.max(0, nights.length - keep));
  });
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

/** Backs up into the folder for it; the answer says which file. @throws Trouble with its sentence */
export const backUpInto = (kind, db) => runBackup('backup-into', madeBackupFolder(), db, kind);

/** Backs up, restores or checks in a process of its own. @throws Trouble with its sentence */
export const runBackup = (what, file, db, ...rest) =>
  new Promise((done, fail) => {
    const child = spawn(process.execPath, [inRoot('apps/server/dist/backup/cli.js'), what, file, ...rest], {
      env: serverEnv(db, { port: 0 }),
      stdio: ['ignore', 'pipe', 'inherit'],
    });
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
            EACCES: `${file} cannot be written: no right to.`,
            EROFS: `${file} cannot be written: the disk is read-only.`,
          }[answer.refused.code] ?? answer.refused.message)
        : 'it ended without an answer; what it said stands above.';
      if (answer && !answer.refused) done(answer);
      else fail(new Trouble(why));
    });
  });
