import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { backupFolder, backupName, dropOld, untilNext } from './backups.mjs';

describe('backups', () => {
  it('have names that sort by their time', () => {
    const names = [
      new Date(2026, 10, 27, 2, 30, 5),
      new Date(2026, 10, 27, 14, 3, 0),
      new Date(2026, 11, 1, 2, 30, 0),
    ].map((at) => backupName('nightly', at));
    expect(names[0]).toBe('jokul-nightly-2026-11-27-023005.jsonl.gz');
    expect([...names].sort()).toEqual(names);
  });

  it('of old nights go, those that a person made stay', () => {
    const folder = mkdtempSync(join(tmpdir(), 'jokul-backups-'));
    const nights = Array.from({ length: 17 }, (_, i) => backupName('nightly', new Date(2026, 10, 1 + i)));
    const own = Array.from({ length: 3 }, (_, i) => backupName('own-nightly', new Date(2026, 10, 1 + i)));
    const others = ['jokul-backup-2025-01-01-000000.jsonl.gz', 'mine.jsonl.gz', 'jokul-nightly-notes.txt'];
    for (const name of [...nights, ...own, ...others]) writeFileSync(join(folder, name), '');
    expect(dropOld(folder, 14)).toEqual(nights.slice(0, 3));
    expect(readdirSync(folder).sort()).toEqual([...nights.slice(3), ...own, ...others].sort());
    rmSync(folder, { recursive: true });
  });

  it('are made at the next half past two', () => {
    expect(untilNext(2, 30, new Date(2026, 10, 27, 2, 0))).toBe(30 * 60_000);
    expect(untilNext(2, 30, new Date(2026, 10, 27, 2, 30))).toBe(24 * 3600_000);
    expect(untilNext(2, 30, new Date(2026, 10, 27, 23, 30))).toBe(3 * 3600_000);
  });

  it('go where one says', () => {
    expect(backupFolder({ JOKUL_BACKUPS: '/mnt/stick' })).toBe('/mnt/stick');
    expect(backupFolder({})).toMatch(/\.jokul\/backups$/);
  });
});
