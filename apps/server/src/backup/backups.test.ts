import { mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BackupMadeView, BackupsView, TablesMadeView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/* Backups as Setup chooses, makes and shows them. */
const home = mkdtempSync(join(tmpdir(), 'jokul-backups-'));
let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start('demo', {
    backups: { usual: join(home, 'usual'), choice: join(home, 'backups.json') },
  });
}, 60_000);
afterAll(async () => {
  await app.stop();
  rmSync(home, { recursive: true, force: true });
});
const look = async () => (await app.get<{ backups: BackupsView }>('backups')).body.backups;

describe('backups in Setup', () => {
  it('are made at a press, one for all who press at once, and read back', async () => {
    expect(await look()).toMatchObject({ folder: join(home, 'usual'), count: 0, files: [], named: false });
    const made = await Promise.all([1, 2, 3].map(() => app.post<BackupMadeView>('backups', {})));
    expect(made.map(({ status }) => status)).toEqual([201, 201, 201]);
    expect(made[0]?.body.entries).toBeGreaterThan(500);
    expect(made[0]?.body.brokenSeq).toBeNull();
    expect(readdirSync(join(home, 'usual'))).toHaveLength(1);
    const { count, files } = await look();
    expect(count).toBe(1);
    expect(join(home, 'usual', files[0]?.name ?? '')).toBe(made[0]?.body.file);
    expect(files[0]?.bytes).toBeGreaterThan(1000);
  }, 60_000);

  it('all records are written as tables at a press, into a folder of their own, once for all who press', async () => {
    const made = await Promise.all([1, 2].map(() => app.post<TablesMadeView>('backups/tables', {})));
    expect(made.map(({ status }) => status)).toEqual([201, 201]);
    const [first] = made.map(({ body }) => body);
    expect(first?.entries).toBeGreaterThan(500);
    expect(first?.file).toMatch(/usual\/jokul-tables-\d{4}-\d\d-\d\d-\d{6}$/);
    expect(readdirSync(first?.file ?? '')).toHaveLength((first?.tables ?? 0) + 1);
    // It is no backup, and is not counted as one.
    expect((await look()).count).toBe(1);
  }, 60_000);

  it('go into the folder that is chosen, and say why they cannot', async () => {
    const stick = join(home, 'stick');
    const refused = await app.put('backups', { folder: stick, keep: 14 });
    expect(refused.status).toBe(422);
    expect(refused.body).toMatchObject({ code: 'bad-folder', path: 'folder' });
    mkdirSync(stick);
    const chosen = await app.put<{ backups: BackupsView }>('backups', { folder: ` ${stick} `, keep: 30 });
    expect(chosen.body.backups).toMatchObject({ folder: stick, keep: 30, count: 0 });
    expect((await app.post('backups', {})).status).toBe(201);
    expect((await look()).count).toBe(1);
    rmSync(stick, { recursive: true });
    expect(await look()).toMatchObject({ folder: join(home, 'usual'), missing: stick, count: 1 });
    for (const bad of [
      { folder: stick },
      { folder: 7, keep: 3 },
      { folder: null, keep: 0 },
      { folder: 'a\nb', keep: 3 },
    ])
      expect((await app.put('backups', bad)).status).toBe(400);
  }, 60_000);
});
