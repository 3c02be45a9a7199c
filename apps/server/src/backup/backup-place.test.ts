import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { backupName, isBackupName } from './backup-name.js';
import { BackupPlace } from './backup-place.js';

let home: string;
let place: BackupPlace;
beforeEach(() => {
  home = mkdtempSync(join(tmpdir(), 'jokul-place-'));
  place = new BackupPlace({ usual: join(home, 'usual'), choice: join(home, 'backups.json') });
});
afterEach(() => rmSync(home, { recursive: true, force: true }));

describe('the folder for backups', () => {
  it('is the usual one until another is chosen, and again when that is let go', async () => {
    const chosen = join(home, 'stick');
    mkdirSync(chosen);
    expect(place.look()).toMatchObject({ folder: join(home, 'usual'), keep: 14, missing: null });
    await place.choose({ folder: chosen, keep: 60 });
    expect(place.look()).toMatchObject({ folder: chosen, keep: 60, missing: null });
    // Another server of this machine reads the same.
    const other = new BackupPlace({ usual: join(home, 'usual'), choice: join(home, 'backups.json') });
    expect(other.look()?.folder).toBe(chosen);
    expect(readdirSync(chosen)).toEqual([]);
    await place.choose({ folder: null, keep: 7 });
    expect(place.look()).toMatchObject({ folder: join(home, 'usual'), keep: 7 });
  });

  it('that is gone is said, and the usual one is used meanwhile', async () => {
    const chosen = join(home, 'stick');
    mkdirSync(chosen);
    await place.choose({ folder: chosen, keep: 14 });
    rmSync(chosen, { recursive: true });
    expect(place.look()).toMatchObject({ folder: join(home, 'usual'), missing: chosen });
    mkdirSync(chosen);
    expect(place.look()).toMatchObject({ folder: chosen, missing: null });
  });

  it('of a disk that was taken out is gone too, though its empty folder stays', async () => {
    const chosen = join(home, 'stick');
    mkdirSync(chosen);
    let stick = 2;
    const told = { usual: join(home, 'usual'), choice: join(home, 'backups.json') };
    const mounted = new BackupPlace(told, (path) => (path.startsWith(chosen) ? stick : 1));
    await mounted.choose({ folder: chosen, keep: 14 });
    expect(mounted.look()).toMatchObject({ folder: chosen, missing: null });
    stick = 1;
    expect(mounted.look()).toMatchObject({ folder: join(home, 'usual'), missing: chosen });
    // Back in another socket, it may have another number.
    stick = 7;
    expect(mounted.look()).toMatchObject({ folder: chosen, missing: null });
  });

  it.each(['', '{', 'null', '[]', '{"folder":7,"keep":-1}', '{"keep":"many"}'])(
    'is the usual one where the choice cannot be read: %s',
    async (text) => {
      writeFileSync(join(home, 'backups.json'), text);
      expect(place.look()).toMatchObject({ folder: join(home, 'usual'), keep: 14, missing: null });
      expect(await place.made()).toBe(join(home, 'usual'));
      expect(readdirSync(home)).toContain('usual');
    },
  );

  it.each([
    ['backup', 'the whole way'],
    ['../backup', 'the whole way'],
    ['/there/is/none', 'no such folder'],
    ['file', 'no such folder'],
    ['/proc', 'Nothing can be written'],
  ])('is not %s', async (folder, why) => {
    writeFileSync(join(home, 'file'), '');
    const asked = folder === 'file' ? join(home, 'file') : folder;
    await expect(place.choose({ folder: asked, keep: 14 })).rejects.toThrow(why);
    expect(place.look()?.folder).toBe(join(home, 'usual'));
  });

  it('that was named at the start is not changed in Setup; how many nights are kept is', async () => {
    const named = new BackupPlace({
      named: '/mnt/stick',
      usual: join(home, 'usual'),
      choice: join(home, 'backups.json'),
    });
    await expect(named.choose({ folder: home, keep: 14 })).rejects.toThrow('JOKUL_BACKUPS');
    await named.choose({ folder: null, keep: 3 });
    expect(named.look()).toMatchObject({ folder: '/mnt/stick', named: true, keep: 3 });
    expect(new BackupPlace(null).look()).toBeNull();
    await expect(new BackupPlace(null).choose({ folder: home, keep: 3 })).rejects.toThrow('not told');
  });

  it('keeps names that sort by their time', () => {
    const names = [
      new Date(2026, 10, 27, 2, 30, 5),
      new Date(2026, 10, 27, 14, 3, 0),
      new Date(2026, 11, 1, 2, 30, 0),
    ].map((at) => backupName('nightly', at));
    expect(names[0]).toBe('jokul-nightly-2026-11-27-023005.jsonl.gz');
    expect([...names].sort()).toEqual(names);
    expect(names.every(isBackupName)).toBe(true);
  });
});
