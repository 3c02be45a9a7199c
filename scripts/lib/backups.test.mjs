import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { backupEnv, dropOld, untilNext } from './backups.mjs';

const night = (kind, i) => `jokul-${kind}-2026-11-${String(i + 1).padStart(2, '0')}-023000.jsonl.gz`;

describe('backups', () => {
  it('of old nights go, those that a person made stay', () => {
    const folder = mkdtempSync(join(tmpdir(), 'jokul-backups-'));
    const nights = Array.from({ length: 17 }, (_, i) => night('nightly', i));
    const own = Array.from({ length: 3 }, (_, i) => night('own-nightly', i));
    const second = Array.from({ length: 15 }, (_, i) => night('own-2-nightly', i));
    const others = ['jokul-backup-2025-01-01-000000.jsonl.gz', 'mine.jsonl.gz', 'jokul-nightly-notes.txt'];
    for (const name of [...nights, ...own, ...second, ...others]) writeFileSync(join(folder, name), '');
    expect(new Set(dropOld(folder, 14))).toEqual(new Set([...nights.slice(0, 3), second[0]]));
    expect(readdirSync(folder).sort()).toEqual(
      [...nights.slice(3), ...own, ...second.slice(1), ...others].sort(),
    );
    rmSync(folder, { recursive: true });
  });

  it('are made at the next half past two', () => {
    expect(untilNext(2, 30, new Date(2026, 10, 27, 2, 0))).toBe(30 * 60_000);
    expect(untilNext(2, 30, new Date(2026, 10, 27, 2, 30))).toBe(24 * 3600_000);
    expect(untilNext(2, 30, new Date(2026, 10, 27, 23, 30))).toBe(3 * 3600_000);
  });

  it('are told of the folder that is named, by its whole path, and of where a choice is kept', () => {
    expect(backupEnv({ JOKUL_BACKUPS: '/mnt/stick/../stick' }).JOKUL_BACKUPS).toBe('/mnt/stick');
    const { JOKUL_BACKUPS, ...told } = backupEnv({});
    expect(JOKUL_BACKUPS).toBeUndefined();
    expect(told.JOKUL_BACKUPS_USUAL).toMatch(/\.jokul\/backups$/);
    expect(told.JOKUL_BACKUPS_CHOICE).toMatch(/\.jokul\/backups\.json$/);
  });
});
