import { spawn } from 'node:child_process';
import { once } from 'node:events';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { inRunFolder, makeRunFolder, nameOwner, removeLeftFolders } from './run-folder.mjs';

let home;
let dir;
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'jokul-runs-'));
  dir = join(home, 'records');
  mkdirSync(dir);
});
afterEach(() => rmSync(home, { recursive: true, force: true }));
const left = () => readdirSync(home).filter((name) => name.startsWith('jokul-db-'));
const deadPid = async () => {
  const child = spawn(process.execPath, ['-e', '']);
  await once(child, 'exit');
  return child.pid;
};

describe('the folder of a running database', () => {
  it('is for this account alone, and so is the secret in it', () => {
    const folder = makeRunFolder(dir, 'SECRET', home);
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    expect(statSync(inRunFolder(folder).init).mode & 0o777).toBe(0o600);
    expect(readdirSync(inRunFolder(folder).files)).toEqual([]);
    expect(readFileSync(join(dir, 'run-folder'), 'utf8')).toBe(folder);
  });
  it('of a start that was killed is removed by the next one for these records', () => {
    const first = makeRunFolder(dir, 'SECRET', home);
    const second = makeRunFolder(dir, 'SECRET', home);
    expect([existsSync(first), existsSync(second)]).toEqual([false, true]);
  });
  it('of other records is removed once its database is gone, and left alone while it runs', async () => {
    const other = join(home, 'other');
    mkdirSync(other);
    const gone = makeRunFolder(other, 'SECRET', home);
    nameOwner(gone, await deadPid());
    rmSync(join(other, 'run-folder'));
    const runs = makeRunFolder(other, 'SECRET', home);
    nameOwner(runs, process.pid);
    removeLeftFolders(home);
    expect([existsSync(gone), existsSync(runs)]).toEqual([false, true]);
  });
  it('without an owner is of a start under way, and of one that was cut after an hour', () => {
    const folder = makeRunFolder(dir, 'SECRET', home);
    removeLeftFolders(home);
    expect(existsSync(folder)).toBe(true);
    const then = new Date(Date.now() - 2 * 3600e3);
    utimesSync(folder, then, then);
    removeLeftFolders(home);
    expect(left()).toEqual([]);
  });
  it('is not left behind where the records take nothing in', () => {
    const file = join(home, 'file');
    writeFileSync(file, 'no folder');
    expect(() => makeRunFolder(file, 'SECRET', home)).toThrow();
    expect(left()).toEqual([]);
  });
  it('removes nothing else', () => {
    mkdirSync(join(home, 'jokul-other'));
    writeFileSync(join(dir, 'run-folder'), '/etc');
    makeRunFolder(dir, 'SECRET', home);
    expect(existsSync(join(home, 'jokul-other'))).toBe(true);
    expect(existsSync('/etc/passwd')).toBe(true);
  });
});
