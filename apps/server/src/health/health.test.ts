import { mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import type { DayView, WellbeingView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { JournalFeed } from '../journal/journal-feed.js';
import { BackupPlace } from '../backup/backup-place.js';
import { WellbeingService } from './wellbeing.service.js';

let app: TestApp;
const folder = mkdtempSync(join(tmpdir(), 'jokul-health-'));
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(async () => {
  await app.stop();
  rmSync(folder, { recursive: true });
});
const look = async () => (await app.get<WellbeingView>('wellbeing')).body;

/** The same server, told of a folder for backups. */
const told = (path: string) =>
  new WellbeingService(
    app.app.get(DataSource),
    app.app.get(JournalFeed),
    new BackupPlace({ usual: path, choice: '' }),
  ).look();

describe('whether all is well', () => {
  it('says how the database answers, and who wrote down what last', async () => {
    const before = await look();
    expect(before.database.entries).toBeGreaterThan(500);
    expect(before.database.answeredMs).toBeGreaterThanOrEqual(0);
    expect(before.backup).toBeNull();
    expect(before.disk).toBeNull();
    const entry = {
      id: randomUUID(),
      atMs: 1_795_752_600_000,
      who: 'Oven hand',
      device: 'the tablet at the ovens',
      lot: (await app.get<DayView>('days/2026-11-27')).body.plan?.plan.batches[0]?.batchId,
      kind: 'note',
      payload: { text: 'x' },
    };
    expect((await app.post('journal', { entries: [entry] })).status).toBe(201);
    const after = await look();
    expect(after.database.entries).toBe(before.database.entries + 1);
    expect(after.devices[0]).toEqual({
      device: 'the tablet at the ovens',
      who: 'Oven hand',
      lastMs: 1_795_752_600_000,
    });
    expect(new Set(after.devices.map(({ device }) => device)).size).toBe(after.devices.length);
  });
  it('finds the newest backup and the room on its disk, also before there is a folder', async () => {
    const none = await told(join(folder, 'not', 'there', 'yet'));
    expect(none.backup).toEqual({ count: 0, ageS: null, bytes: 0, missing: null });
    expect(none.disk?.freeBytes).toBeGreaterThan(0);
    expect(none.disk?.totalBytes).toBeGreaterThanOrEqual(none.disk?.freeBytes ?? 0);
    const file = (name: string, bytes: number, hoursAgo: number) => {
      writeFileSync(join(folder, name), 'x'.repeat(bytes));
      const then = new Date(Date.now() - hoursAgo * 3600e3);
      utimesSync(join(folder, name), then, then);
    };
    file('jokul-nightly-2026-11-25-023000.jsonl.gz', 100, 50);
    file('jokul-nightly-2026-11-26-023000.jsonl.gz', 200, 26);
    file('something-else.txt', 5, 0);
    const found = await told(folder);
    expect(found.backup).toMatchObject({ count: 2, bytes: 200 });
    expect(Math.round((found.backup?.ageS ?? 0) / 3600)).toBe(26);
  });
  it('gives a monitor its figures, and counts what it answered', async () => {
    await app.get('days/2026-11-27');
    await app.get('nothing/here');
    const { status, type, body } = await app.get<string>('metrics');
    expect(status).toBe(200);
    expect(type).toContain('application/openmetrics-text');
    expect(body).toMatch(/^jokul_journal_entries \d+$/m);
    expect(body).toMatch(/^jokul_screens 0$/m);
    expect(body).toMatch(/jokul_request_seconds_count\{method="GET",status="2xx"\} [1-9]/);
    expect(body).toMatch(/jokul_request_seconds_count\{method="GET",status="4xx"\} [1-9]/);
    expect(body).toMatch(/^process_resident_memory_bytes \d+/m);
    expect(body.trimEnd().endsWith('# EOF')).toBe(true);
    // Nobody and nothing of the bakery is named.
    expect(body).not.toMatch(/Oven hand|RYE|Hollin/);
  });
});
