import { randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import {
  chownSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { accountStatements } from './accounts.mjs';
import { alive } from './alive.mjs';
import { folderToMake } from './data-folder.mjs';
import { databaseUser } from './database-user.mjs';
import { ensureProgram } from './debian.mjs';
import { freePort, greets, isFree } from './port.mjs';
import { inRunFolder, makeRunFolder, nameOwner } from './run-folder.mjs';
import { run } from './run.mjs';
import { say, Trouble } from './say.mjs';
import { writeWhole } from './write-whole.mjs';

/*
 * A private MariaDB: own data directory, own port on 127.0.0.1, a generated password.
 * Started by root it runs as a user of its own (docs/decisions/0002-who-runs-mariadb.md).
 */

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

/** Port and password of the last start; made anew where they cannot be read, since every start sets them. */
const loadInstance = (dir) => {
  const file = join(dir, 'instance.json');
  try {
    const known = JSON.parse(readFileSync(file, 'utf8'));
    if (typeof known.password === 'string' && known.password && Number.isInteger(known.port)) return known;
    say(`${file} is not whole: the database gets a new password.`);
  } catch (error) {
    if (error.code !== 'ENOENT') say(`${file} cannot be read: the database gets a new password.`);
  }
  return { password: randomBytes(18).toString('base64url'), port: 0 };
};

const giveTo = (user, dir) => {
  if (!user) return;
  chownSync(dir, user.uid, user.gid);
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) giveTo(user, path);
    else chownSync(path, user.uid, user.gid);
  }
};

/**
 * Starts the private MariaDB in `dir` and resolves to {port, password, user, stop()}.
 * `durable: false` relaxes flushing and `databases` opens every database of a pattern, for throw-away test databases
 * only; `onLost` is called if it ends by itself.
 */
export const startMariadb = async (dir, { durable = true, database = 'jokul', databases, onLost } = {}) => {
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
  const user = databaseUser(dirname(dir));
  // Root is named where nobody else can be: MariaDB refuses to take it by itself.
  const runAs = process.getuid() === 0 ? [`--user=${user?.name ?? 'root'}`] : [];
  // It writes its log and its number beside its data.
  if (user) chownSync(dir, user.uid, user.gid);
  const making = folderToMake(dir);
  if (making) {
    const options = ['--auth-root-authentication-method=normal', '--skip-test-db'];
    const made = await run(install, ['--no-defaults', `--datadir=${making}`, ...runAs, ...options], {
      quiet: true,
      allowFailure: true,
    });
    if (made.code !== 0) throw new Trouble(`the database could not be set up in ${making}:\n${made.output}`);
    renameSync(making, data);
  }
  // An earlier Jokul ran it as root: the files are handed over once.
  if (user && statSync(data).uid !== user.uid) giveTo(user, data);
  if (instance.port === 0 || !(await isFree(instance.port))) instance.port = await freePort();
  const known = join(dir, 'instance.json');
  const told = JSON.stringify(instance);
  // What stands there already needs no room on a full disk.
  if (!existsSync(known) || readFileSync(known, 'utf8') !== told) writeWhole(known, told, 0o600);

  // Socket paths are limited to 107 bytes and the project may lie deep: the socket goes to a private temporary folder.
  const secret = instance.password;
  const run_ = makeRunFolder(dir, accountStatements({ database, databases, secret }).join('\n'));
  const { init, files } = inRunFolder(run_);
  const log = join(dir, 'mariadb.log');
  const pidFile = join(dir, 'mariadb.pid');
  if (user) {
    giveTo(user, run_);
    if (existsSync(log)) chownSync(log, user.uid, user.gid);
    rmSync(pidFile, { force: true });
  }
  const child = spawn(
    mariadbd,
    [
      '--no-defaults',
      ...runAs,
      `--datadir=${data}`,
      `--socket=${join(run_, 'm.sock')}`,
      `--pid-file=${pidFile}`,
      `--log-error=${log}`,
      `--init-file=${init}`,
      `--secure-file-priv=${files}`,
      '--local-infile=0',
      '--skip-symbolic-links',
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
  nameOwner(run_, child.pid);
  // After a loss of power it first mends its tables, which may take minutes; it ends by itself when it cannot.
  for (let i = 0; i < 6000 && exited === null && !(await greets(instance.port)); i++) await pause(50);
  if (exited !== null || !(await greets(instance.port))) {
    if (exited === null) child.kill('SIGTERM');
    rmSync(run_, { recursive: true, force: true });
    const tail = readLogTail(dir);
    if (/No space left on device|Disk is full|\berrno: 28\b|Error number 28\b/i.test(tail))
      throw Object.assign(new Error(tail), { code: 'ENOSPC' });
    throw new Trouble(
      `the database did not start. The end of its log (${join(dir, 'mariadb.log')}):\n${tail}`,
    );
  }
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
