import { spawn } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { inRoot, root } from './paths.mjs';

/** The environment that tells the server where its database is and on which port to listen. */
export const serverEnv = (db, { port, database = 'jokul', ...rest }) => ({
  ...process.env,
  JOKUL_PORT: String(port),
  JOKUL_DB_PORT: String(db.port),
  JOKUL_DB_USER: db.user,
  JOKUL_DB_PASSWORD: db.password,
  JOKUL_DB_NAME: database,
  ...rest,
});

/** Starts the server; it ends by itself when this process is gone, however it went. */
export const spawnServer = (env, stdio = 'inherit') =>
  spawn(process.execPath, [inRoot('apps/server/dist/main.js')], {
    cwd: root,
    env: { ...env, JOKUL_FOLLOW: 'stdin' },
    stdio: ['pipe', stdio, stdio],
    detached: true,
  });

/** Waits until the server says that it is ready, or until its process is gone. */
export const untilReady = async (port, child, tries = 600) => {
  for (let i = 0; i < tries; i++) {
    if (child.exitCode !== null || child.signalCode !== null) return false;
    try {
      const answer = await fetch(`http://127.0.0.1:${port}/api/health`);
      if (answer.ok) return true;
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
