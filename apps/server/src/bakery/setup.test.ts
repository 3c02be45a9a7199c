import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import type { BakeryView, ClockView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { DemoSeed } from '../demo/seed.js';
import { SettingsService } from '../settings/settings.service.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

const bakery = async () => (await app.get<BakeryView>('bakery')).body;

describe('the bakery', () => {
  it('opens on the morning of the demo Friday', async () => {
    const { today, clock, name } = await bakery();
    expect(name).toBe('Hollin Quay Bakehouse');
    expect(today).toBe('2026-11-27');
    // It opened at ten past four, when the database was filled, and has run on since.
    const { body } = await app.app.get(SettingsService).read('clock');
    expect(new Date(body.frozenAtMs).toISOString()).toBe('2026-11-27T04:10:00.000Z');
    expect(Math.abs(clock.nowMs - Date.now() - body.offsetMs)).toBeLessThan(5000);
  });

  it('keeps its schema as the migrations made it', async () => {
    const { upQueries } = await app.app.get(DataSource).driver.createSchemaBuilder().log();
    // Whose a row is, is each database's own default: no class can know it.
    const whose = /^ALTER TABLE `\w+` CHANGE `bakery` `bakery` char\(36\) NOT NULL$/;
    expect(upQueries.map((q) => q.query).filter((query) => !whose.test(query))).toEqual([]);
  });
});

describe('the clock', () => {
  it('stands still, runs on, and is real again', async () => {
    const frozen = await app.put<ClockView>('clock', { mode: 'frozen', date: '2026-11-27', time: '05:00' });
    expect(frozen.body.nowMs).toBe(Date.parse('2026-11-27T05:00Z'));
    const running = await app.put<ClockView>('clock', { mode: 'running', date: '2026-11-27', time: '05:00' });
    expect(running.body.nowMs - Date.parse('2026-11-27T05:00Z')).toBeLessThan(5000);
    const real = await app.put<ClockView>('clock', { mode: 'real' });
    expect(Math.abs(real.body.nowMs - Date.now())).toBeLessThan(5000);
  });
  it.each([
    [{ mode: 'frozen' }, 'Say the date and the time'],
    [{ mode: 'frozen', date: '27.11.26', time: '05:00' }, 'The date is written 2026-11-27'],
    [{ mode: 'frozen', date: '2026-11-27', time: '5:99' }, 'The time is written 04:10'],
    [{ mode: 'running', date: '9999-12-31', time: '23:59' }, 'The clock shows the years 2000 to 2099'],
    [{ mode: 'frozen', date: '0021-11-27', time: '05:00' }, 'The clock shows the years 2000 to 2099'],
    [{ mode: 'backwards' }, 'mode must be one of'],
  ])('refuses %j', async (input, sentence) => {
    expect((await app.put('clock', input)).body.message).toContain(sentence);
  });
});

describe('house rules', () => {
  const input = async (change: object) => {
    const { rules, rulesVersion } = await bakery();
    const {
      bowlLossShare,
      portionLossShare,
      testPieces,
      trayMarginMm,
      doughC,
      readyCoreC,
      mixS,
      portionSPerPiece,
      coolS,
      packS,
      pieceToleranceShare,
      coldLimitC,
    } = rules;
    return {
      bowlLossShare,
      portionLossShare,
      testPieces,
      trayMarginMm,
      doughC,
      readyCoreC,
      mixS,
      portionSPerPiece,
      coolS,
      packS,
      pieceToleranceShare,
      coldLimitC,
      version: rulesVersion,
      ...change,
    };
  };
  it('are changed, and the rest of them stays', async () => {
    const { status, body } = await app.put<BakeryView>('rules', await input({ testPieces: 6 }));
    expect(status).toBe(200);
    expect(body.rules).toMatchObject({ testPieces: 6, timeZone: 'Atlantic/Faroe', liner: 'parchment' });
  });
  it('two people at once: the second is told', async () => {
    const stale = await input({ version: 1 });
    const { status, body } = await app.put('rules', stale);
    expect(status).toBe(409);
    expect(body.message).toContain('Somebody else changed this meanwhile');
  });
  it('a loss of half the dough is refused', async () => {
    expect((await app.put('rules', await input({ bowlLossShare: 0.5 }))).body.message).toContain(
      'A loss is between 0 and 20 %',
    );
  });
});

describe('going back to the demo', () => {
  it('empties everything and fills it the same way again', async () => {
    await app.app.get(DemoSeed).reset();
    const { rules, clock } = await bakery();
    expect(rules.testPieces).toBe(4);
    expect(clock.mode).toBe('running');
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  }, 60_000);
});
