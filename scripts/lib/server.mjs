import { spawn } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { inRoot, root } from './paths.mjs';
import { passOn } from './server-log.mjs';

/** The environment that tells the server where its database is and on which port to listen. */
export const serverEnv = (db, { port, database = 'jokul', ...rest }) => ({
  ...process.env,
  JOKUL_PORT: String(port),
  JOKUL_DB_PORT: String(db.port),
  JOKUL_DB_USER: db.user,
  JOKUL_DB_PASSWORD: db.password,
  JOKUL_DB_NAME: database,
  // What was baked by the model once is not computed again by the next server.
  JOKUL_BAKES: process.env.JOKUL_BAKES ?? inRoot('.jokul', 'bakes'),
  ...rest,
});

/**
 * Starts the server; it ends by itself when this process is gone, however it went. What it says is passed on, and
 * counts as a sign that it gets on.
 * @param log where all of it is written down too; the terminal shows plain words then
 */
export const spawnServer = (env, stdio = 'inherit', log = null) => {
  const child = spawn(process.execPath, [inRoot('apps/server/dist/bundle/main.js')], {
    cwd: root,
    env: { ...env, JOKUL_FOLLOW: 'stdin' },
    // By the last of them it says what only whoever started it can do, such as opening another bakery.
    stdio: ['pipe', stdio === 'inherit' ? 'pipe' : stdio, stdio === 'inherit' ? 'pipe' : stdio, 'ipc'],
    detached: true,
  });
  child.lastSignMs = Date.now();
  if (stdio === 'inherit') passOn(child, log, { onSaid: () => (child.lastSignMs = Date.now()) });
  return child;
};

/** The longest that a server may say nothing before it is ready: one bake of the demo takes seconds, not minutes. */
const longestSilenceMs = 180_000;

/** What a server that is up says is broken: no waiting for it alone puts it right. */
const brokenCodes = new Set(['records-broken', 'disk-full', 'read-only']);

/**
 * Waits until the server says that it is ready, for as long as it shows that it gets on.
 * @returns false when it does not; a sentence when it is up, but something is broken; else true
 */
export const untilReady = async (port, child) => {
  while (Date.now() - child.lastSignMs < longestSilenceMs) {
    if (child.exitCode !== null || child.signalCode !== null) return false;
    try {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`);
      if (answer.ok) return true;
      const { code, message } = await answer.json();
      if (brokenCodes.has(code)) return message;
    } catch {
      // not listening yet
    }
    await pause(50);
  }
  return false;
};

export const stopServer = (child) =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    const hard = setTimeout(() => child.kill('SIGKILL'), 8000);
    child.once('exit', () => {
      clearTimeout(hard);
      resolve();
    });
    child.kill('SIGTERM');
  });
