import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { alive } from './alive.mjs';
import { writeWhole } from './write-whole.mjs';

/*
 * The private folder of a running database: its socket, and the statements with its secret. It is removed when the database is
 * stopped; what a start that was killed left behind, the next one removes.
 */

const prefix = 'jokul-db-';
/** One without an owner is of a start that is under way, or was cut then, ms. */
const cutMs = 3600e3;

/** What is in it. `files` is the only folder that a file could be read from or written to, and stays empty. */
export const inRunFolder = (folder) => ({
  init: join(folder, 'init.sql'),
  files: join(folder, 'files'),
  owner: join(folder, 'owner.pid'),
});

const remove = (folder) => rmSync(folder, { recursive: true, force: true });

const isLeft = (folder, nowMs) => {
  try {
    return !alive(Number(readFileSync(inRunFolder(folder).owner, 'utf8')));
  } catch {
    return nowMs - statSync(folder).mtimeMs > cutMs;
  }
};

/** Removes the folders of databases that run no more. */
export const removeLeftFolders = (home = tmpdir(), nowMs = Date.now()) => {
  for (const name of readdirSync(home).filter((own) => own.startsWith(prefix))) {
    const folder = join(home, name);
    try {
      if (isLeft(folder, nowMs)) remove(folder);
    } catch {
      // Somebody else's, or just removed.
    }
  }
};

/** The folder that the last start for these records made, where it was killed. */
const removeOwn = (dir, home) => {
  try {
    const left = readFileSync(join(dir, 'run-folder'), 'utf8');
    if (left.startsWith(join(home, prefix))) remove(left);
  } catch {
    // none was left
  }
};

/**
 * Makes the folder for a start, with what is to be said to the database first, readable by this account alone.
 * @param dir where the records are: it remembers the folder
 */
export const makeRunFolder = (dir, statements, home = tmpdir()) => {
  removeOwn(dir, home);
  removeLeftFolders(home);
  const folder = mkdtempSync(join(home, prefix));
  try {
    writeWhole(join(dir, 'run-folder'), folder);
    mkdirSync(inRunFolder(folder).files, { mode: 0o700 });
    writeFileSync(inRunFolder(folder).init, statements, { mode: 0o600 });
  } catch (error) {
    remove(folder);
    throw error;
  }
  return folder;
};

/** Says whose it is. */
export const nameOwner = (folder, pid) => {
  if (pid) writeFileSync(inRunFolder(folder).owner, String(pid));
};
