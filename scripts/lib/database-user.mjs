import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/* Which user of the system the database runs as: docs/decisions/0002-who-runs-mariadb.md. */

const name = 'jokul-db';

const find = () => {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((row) => row.startsWith(`${name}:`));
  const [, , uid, gid] = line?.split(':') ?? [];
  return uid && gid ? { name, uid: Number(uid), gid: Number(gid) } : null;
};

/** Whether that user can go as far as `dir`: a project inside a private folder cannot be reached. */
const canReach = ({ uid, gid }, dir) =>
  spawnSync('/usr/bin/test', ['-x', dir], { uid, gid, stdio: 'ignore' }).status === 0;

/**
 * The user that the database is run as when root starts Jokul: one of its own, made if need be, without a home and
 * without a way to sign in. Null where the starter's own rights are to be used: it is not root, or no other user can
 * be had or can reach `dir`.
 */
export const databaseUser = (dir) => {
  if (process.getuid?.() !== 0) return null;
  try {
    if (!find()) {
      const options = ['--system', '--no-create-home', '--home-dir', '/nonexistent'];
      spawnSync('/usr/sbin/useradd', [...options, '--shell', '/usr/sbin/nologin', name], { stdio: 'ignore' });
    }
    const user = find();
    return user && canReach(user, dir) ? user : null;
  } catch {
    return null;
  }
};
