import { mkdtempSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import type { DayView, LogCheckView, ProblemView, WellbeingView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { JournalFeed } from '../journal/journal-feed.js';
import { JournalCheck } from '../journal/journal-check.js';
import { BackupPlace } from '../backup/backup-place.js';
import { LastTrouble } from '../common/last-trouble.js';
import { ReadinessService } from './readiness.service.js';
import { TabletsService } from './tablets.service.js';
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
    app.app.get(JournalCheck),
    app.app.get(ReadinessService),
    app.app.get(TabletsService),
  ).look();
const tablet = (more: object = {}) => ({
  device: 'the tablet at the bench',
  kept: 0,
  setAside: 0,
  clockAheadS: 0,
  ...more,
});

describe('whether all is well', () => {
  it('says how the database answers, and who wrote down what last', async () => {
    const before = await look();
    expect(before.database.entries).toBeGreaterThan(500);
    expect(before.database.answeredMs).toBeGreaterThanOrEqual(0);
    expect(before.backup).toBeNull();
    // The disk of the records is found where the database says that they are.
    expect(before.disk?.freeBytes).toBeGreaterThan(0);
    expect(before.broken).toBeNull();
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
      wrote: { who: 'Oven hand', atMs: 1_795_752_600_000 },
      heard: null,
    });
    expect(new Set(after.devices.map(({ device }) => device)).size).toBe(after.devices.length);
  });
  it('finds the newest backup and the room on its disk, also before there is a folder', async () => {
    const none = await told(join(folder, 'not', 'there', 'yet'));
    expect(none.backup).toEqual({ count: 0, ageS: null, bytes: 0, missing: null, disk: null });
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
  it('tells when the log was followed last, and what was found', async () => {
    expect((await look()).log).toBeNull();
    const { body } = await app.get<LogCheckView>('journal/verify');
    expect((await look()).log).toEqual({ ...body, ageS: expect.any(Number) });
    expect((await app.get<string>('metrics')).body).toMatch(/^jokul_journal_first_broken_entry 0$/m);
  });
  it('hears what devices say of themselves, the one heard last first', async () => {
    expect((await app.post('tablets', tablet({ kept: 3, clockAheadS: -300 }))).status).toBe(204);
    await app.post('tablets', tablet({ device: 'the tablet at the ovens', setAside: 1 }));
    const { devices } = await look();
    expect(devices[0]).toMatchObject({
      device: 'the tablet at the ovens',
      wrote: { who: 'Oven hand' },
      heard: { kept: 0, setAside: 1, clockAheadS: 0, left: false },
    });
    expect(devices[1]).toEqual({
      device: 'the tablet at the bench',
      wrote: null,
      heard: { agoS: expect.any(Number), kept: 3, setAside: 0, clockAheadS: -300, left: false },
    });
    await app.post('tablets', tablet({ leaving: true }));
    expect((await look()).devices[0]).toMatchObject({ heard: { kept: 0, left: true } });
  });
  it.each([[{ kept: -1 }], [{ kept: 1.5 }], [{ device: '' }], [{ device: 'x'.repeat(81) }], [{ spy: true }]])(
    'hears nothing of %j',
    async (wrong) => {
      expect((await app.post('tablets', tablet(wrong))).status).toBe(400);
    },
  );
  it('hears a device whose clock has lost its battery', async () => {
    expect((await app.post('tablets', tablet({ clockAheadS: -1_796_000_000 }))).status).toBe(204);
  });
  it('forgets the device that was silent for longest, however many there are', async () => {
    const tablets = new TabletsService(app.app.get(DataSource));
    for (let i = 0; i < 700; i++) tablets.hear(tablet({ device: `tablet-${i}` }));
    const { size } = (tablets as unknown as { heard: Map<string, object> }).heard;
    expect(size).toBe(500);
    expect((await tablets.look())[0]?.device).toBe('tablet-699');
    expect((await tablets.look()).length).toBeLessThan(30);
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

describe('health', () => {
  it('answers while work can be done, and says that the server lives whatever becomes of the records', async () => {
    const db = app.app.get(DataSource);
    for (const path of ['health', 'health/ready'])
      expect((await app.get(path)).body).toEqual({ status: 'ready' });
    await db.query('RENAME TABLE `standing_order` TO `standing_order_away`');
    for (const path of ['health', 'health/ready']) {
      const answer = await app.get<ProblemView>(path);
      expect([answer.status, answer.body.code]).toEqual([503, 'records-broken']);
      expect(answer.body.message).toContain('(standing_order)');
    }
    expect((await app.get('health/live')).body).toEqual({ status: 'alive' });
    // Whether all is well can be asked all the same, and says it.
    expect((await look()).broken).toMatchObject({
      code: 'records-broken',
      message: expect.stringContaining('standing_order'),
    });
    await db.query('RENAME TABLE `standing_order_away` TO `standing_order`');
    expect((await app.get('health')).status).toBe(200);
    expect((await look()).broken).toBeNull();
  });

  it.each([
    ['disk-full', 'is full'],
    ['read-only', 'can only be read'],
  ] as const)('tells that nothing can be written down (%s) until something is again', async (kind, says) => {
    const trouble = app.app.get(LastTrouble);
    trouble.note({ kind });
    const answer = await app.get<ProblemView>('health');
    expect([answer.status, answer.body.code]).toEqual([503, kind]);
    expect(answer.body.message).toContain(says);
    expect((await look()).broken?.code).toBe(kind);
    const entry = {
      id: randomUUID(),
      atMs: 1_795_752_600_000,
      who: 'Oven hand',
      device: 'test',
      lot: 'TEST-1',
      kind: 'note',
      payload: { text: 'there is room again' },
    };
    expect((await app.post('journal', { entries: [entry] })).status).toBe(201);
    expect((await app.get('health')).status).toBe(200);
  });

  it('forgets a trouble that nobody met for minutes, and keeps no table in mind: that is read anew', () => {
    let nowMs = 1000;
    const clock = jest.spyOn(performance, 'now').mockImplementation(() => nowMs);
    const trouble = new LastTrouble();
    trouble.note({ kind: 'table', table: 'lot' });
    expect(trouble.now()).toBeNull();
    trouble.note({ kind: 'disk-full' });
    nowMs += 119_000;
    expect(trouble.now()).toEqual({ kind: 'disk-full' });
    nowMs += 2000;
    expect(trouble.now()).toBeNull();
    clock.mockRestore();
  });
});
