import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DataSource } from 'typeorm';
import { readLotId, reduceLedger } from '@jokul/core';
import type { BakeryView, DayView, JournalView, PlanView } from '@jokul/contracts';
import type { Config } from '../config/config.js';
import { makeApp } from '../make-app.js';
import { LotEntity } from '../database/entities.js';
import { fillFirstPhase, firstPhase as left } from './first-phase.testkit.js';
import { testDatabase } from '../database/test-database.testkit.js';

/* The demo's database as the first phase left it, table by table: a start brings it along, and nothing is lost. */

let app: NestExpressApplication;
let url: string;
let drop: () => Promise<void>;
let config: Config;
beforeAll(async () => {
  const database = await testDatabase();
  drop = database.drop;
  config = database.config;
  await fillFirstPhase(config);
  app = await makeApp({ ...database.config, seedDemo: true }, false);
  await app.listen(0, '127.0.0.1');
  url = await app.getUrl();
}, 120_000);
afterAll(async () => {
  await app.close();
  await drop();
});

const get = async <T>(path: string): Promise<T> => (await (await fetch(`${url}/api/${path}`)).json()) as T;
const entries = left.journal_entry?.rows ?? [];

describe('the database of the first phase', () => {
  it('has lost nothing, and its chain still verifies', async () => {
    expect(entries.length).toBeGreaterThan(700);
    expect(await get('journal/verify')).toEqual({ entries: entries.length, firstBrokenSeq: null });
    const { entries: now } = await get<JournalView>('journal?since=0');
    expect(now.map(({ id }) => id)).toEqual(entries.map(({ id }) => id));
    const bakery = await get<BakeryView>('bakery');
    expect(bakery.formulas).toHaveLength(9);
    expect((await get<DayView>('days/2026-11-27')).orders).toHaveLength(left.order_line?.rows.length ?? 0);
  });
  it('has a row for each of its lots, as the entries say', async () => {
    const rows = await app.get(DataSource).manager.find(LotEntity);
    expect(new Set(rows.map(({ lot }) => lot))).toEqual(new Set(entries.map(({ lot }) => lot)));
    const { entries: now } = await get<JournalView>('journal?since=0');
    for (const [lot, state] of reduceLedger(now).lots) {
      const inside = state.stays.some(({ outMs }) => outMs === null);
      expect([lot, rows.find((row) => row.lot === lot)?.inside]).toEqual([lot, inside]);
    }
  });
  it('goes on: what has begun keeps its name, what is planned anew gets one that was never there', async () => {
    const before = await get<DayView>('days/2026-11-27');
    expect(before.plan?.plan.batches).toHaveLength(9);
    expect(before.plan?.batchForecasts).toEqual({});
    await fetch(`${url}/api/clock`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ mode: 'frozen', date: '2026-11-27', time: '04:10' }),
    });
    const made = await fetch(`${url}/api/days/2026-11-27/plan`, { method: 'POST' });
    expect(made.status).toBe(201);
    const { plan } = (await made.json()) as PlanView;
    const begun = new Set(entries.map(({ lot }) => lot));
    const names = plan.batches.map(({ batchId }) => batchId);
    expect(names.filter((name) => begun.has(name)).length).toBeGreaterThan(4);
    const anew = names.filter((name) => !begun.has(name));
    expect(anew.length).toBeGreaterThan(0);
    for (const name of anew) expect(readLotId(name)).not.toBeNull();
  }, 60_000);
  it('a second start changes nothing', async () => {
    const again = await makeApp({ ...config, seedDemo: true }, false);
    await again.close();
    expect(await get('journal/verify')).toMatchObject({ firstBrokenSeq: null });
    expect((await get<BakeryView>('bakery')).formulas).toHaveLength(9);
  }, 60_000);
});
