import { randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ensureProgram } from './debian.mjs';
import { freePort, greets, isFree } from './port.mjs';
import { run } from './run.mjs';
import { say, Trouble } from './say.mjs';

/*
 * A private MariaDB: own data directory, own port on 127.0.0.1, a generated password.
 * It runs as whoever starts Jokul, root included (docs/decisions/0002-who-runs-mariadb.md).
 */

const alive = (pid) => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
};

/** The id of a server still running on this data directory, or null. */
const runningOn = (dir) => {
  try {
    const pid = Number(readFileSync(join(dir, 'mariadb.pid'), 'utf8'));
    if (!alive(pid)) return null;
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(join(dir, 'data')) ? pid : null;
  } catch {
    return null;
  }
};

const endAndWait = async (pid) => {
  process.kill(pid, 'SIGTERM');
  for (let i = 0; i < 200 && alive(pid); i++) await pause(50);
  if (alive(pid))
    throw new Trouble(`the database (process ${pid}) did not stop within 10 s. End it, then start again.`);
};

const readLogTail = (dir) => {
  try {
    return readFileSync(join(dir, 'mariadb.log'), 'utf8').split('\n').slice(-12).join('\n');
  } catch {
    return '(no log)';
  }
};

const loadInstance = (dir) => {
  const file = join(dir, 'instance.json');
  if (existsSync(file)) {
    try {
      const known = JSON.parse(readFileSync(file, 'utf8'));
      if (known.password && known.port) return known;
    } catch {
      // half-written: falls through to the sentence below
    }
    throw new Trouble(
      `${file} cannot be read. If its data may go, remove the folder ${dir} and start again.`,
    );
  }
  return { password: randomBytes(18).toString('base64url'), port: 0 };
};

/**
 * Starts the private MariaDB in `dir` and resolves to {port, password, user, stop()}.
 * `durable: false` relaxes flushing, for throw-away test databases only; `onLost` is called if it ends by itself.
 */
export const startMariadb = async (dir, { durable = true, database = 'jokul', onLost } = {}) => {
  // The core packages: programs only, no system-wide service. my_print_defaults is a part of the set-up.
  const packages = 'mariadb-server-core mariadb-client-core';
  await ensureProgram('my_print_defaults', packages, 'the database');
  const mariadbd = await ensureProgram('mariadbd', packages, 'the database');
  const install = await ensureProgram('mariadb-install-db', packages, 'the database');
  try {
    mkdirSync(dir, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new Trouble(
      `the folder ${dir} cannot be made (${error.code}). Give yourself the right to write there, or move the project.`,
    );
  }
  const left = runningOn(dir);
  if (left) {
    say(`A database of an earlier start (process ${left}) still runs here: stopping it first.`);
    await endAndWait(left);
  }
  const instance = loadInstance(dir);
  const data = join(dir, 'data');
  const ready = join(dir, 'data.ready');
  if (existsSync(data) && !existsSync(ready)) {
    say('The last first start was interrupted: making the data directory again.');
    rmSync(data, { recursive: true });
  }
  const me = process.getuid() === 0 ? ['--user=root'] : [];
  const fresh = !existsSync(ready);
  if (fresh) {
    const made = await run(
      install,
      [
        '--no-defaults',
        ...me,
        `--datadir=${data}`,
        '--auth-root-authentication-method=normal',
        '--skip-test-db',
      ],
      { quiet: true, allowFailure: true },
    );
    if (made.code !== 0) throw new Trouble(`the database could not be set up in ${data}:\n${made.output}`);
  }
  if (instance.port === 0 || !(await isFree(instance.port))) instance.port = await freePort();
  writeFileSync(join(dir, 'instance.json'), JSON.stringify(instance), { mode: 0o600 });

  // Socket paths are limited to 107 bytes and the project may lie deep: the socket goes to a private temporary folder.
  const run_ = mkdtempSync(join(tmpdir(), 'jokul-db-'));
  const init = join(run_, 'init.sql');
  const secret = instance.password;
  writeFileSync(
    init,
    [
      `CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
      `CREATE USER IF NOT EXISTS 'jokul'@'127.0.0.1' IDENTIFIED BY '${secret}';`,
      `ALTER USER 'jokul'@'127.0.0.1' IDENTIFIED BY '${secret}';`,
      "GRANT ALL PRIVILEGES ON `jokul%`.* TO 'jokul'@'127.0.0.1';",
      `ALTER USER 'root'@'localhost' IDENTIFIED BY '${secret}';`,
    ].join('\n'),
    { mode: 0o600 },
  );
  const child = spawn(
    mariadbd,
    [
      '--no-defaults',
      ...me,
      `--datadir=${data}`,
      `--socket=${join(run_, 'm.sock')}`,
      `--pid-file=${join(dir, 'mariadb.pid')}`,
      `--log-error=${join(dir, 'mariadb.log')}`,
      `--init-file=${init}`,
      '--bind-address=127.0.0.1',
      `--port=${instance.port}`,
      '--skip-log-bin',
      '--skip-name-resolve',
      '--innodb-buffer-pool-size=96M',
      `--innodb-flush-log-at-trx-commit=${durable ? 1 : 0}`,
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_unicode_ci',
    ],
    // Its own process group, so that Ctrl-C reaches it only through us, after the server has closed.
    { stdio: 'ignore', detached: true },
  );
  let exited = null;
  child.on('exit', (code, signal) => (exited = signal ?? code));
  child.on('error', (error) => (exited = error.code));
  for (let i = 0; i < 400 && exited === null && !(await greets(instance.port)); i++) await pause(50);
  if (exited !== null || !(await greets(instance.port))) {
    if (exited === null) child.kill('SIGTERM');
    rmSync(run_, { recursive: true, force: true });
    throw new Trouble(
      `the database did not start. The end of its log (${join(dir, 'mariadb.log')}):\n${readLogTail(dir)}`,
    );
  }
  if (fresh) writeFileSync(ready, new Date().toISOString());
  let stopping = false;
  child.on('exit', () => !stopping && onLost?.());
  return {
    port: instance.port,
    user: 'jokul',
    password: secret,
    pid: child.pid,
    stop: async () => {
      stopping = true;
      if (exited === null) await endAndWait(child.pid);
      rmSync(run_, { recursive: true, force: true });
    },
  };
};
