import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { atWallClock } from '@jokul/core';
import type { BakeryView, DayView, WeekView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const week = async (from: string) => (await app.get<WeekView>(`weeks/${from}`)).body;
const day = async (date: string) => (await app.get<DayView>(`days/${date}`)).body;

describe('a week at a glance', () => {
  it('says of each day what its list and its plan say', async () => {
    const found = await week('2026-11-26');
    expect(found.days.map(({ date }) => date)).toEqual([
      '2026-11-26',
      '2026-11-27',
      '2026-11-28',
      '2026-11-29',
      '2026-11-30',
      '2026-12-01',
      '2026-12-02',
    ]);
    for (const { date, lines, pieces, plan } of found.days) {
      const { orders, plan: own } = await day(date);
      expect([date, lines, pieces]).toEqual([
        date,
        orders.length,
        orders.reduce((sum, order) => sum + order.pieces, 0),
      ]);
      expect(plan === null).toBe(own === null);
      if (!plan || !own) continue;
      const loads = own.plan.batches.flatMap((batch) => batch.loads);
      expect(plan).toEqual({
        stale: own.stale,
        undone: own.quality?.undonePieces ?? 0,
        loads: loads.length,
        firstLoadS: Math.min(...loads.map(({ startS }) => startS)),
        readyS: Math.max(...loads.map(({ readyS }) => readyS)),
      });
    }
    expect(found.days.filter(({ plan }) => plan).length).toBeGreaterThan(0);
  });

  it('shows work on the day that it falls on, also of plans of days behind the week', async () => {
    // The dough of the demo's Friday is mixed on Wednesday and Thursday.
    const before = await week('2026-11-20');
    const mixes = before.work.filter(({ kind }) => kind === 'mix');
    expect(mixes.length).toBeGreaterThan(0);
    expect(new Set(mixes.map(({ bakeDay }) => bakeDay))).toEqual(new Set(['2026-11-27']));
    const [fromS, toS] = [
      atWallClock('2026-11-20', '00:00', 'Atlantic/Faroe'),
      atWallClock('2026-11-27', '00:00', 'Atlantic/Faroe'),
    ];
    for (const { startS, endS } of before.work) expect(endS > fromS && startS < toS).toBe(true);
    const { equipment } = (await app.get<BakeryView>('bakery')).body;
    const places = new Set([...equipment.mixers, ...equipment.ovens, { id: 'bench' }].map(({ id }) => id));
    for (const { placeId } of before.work) expect(places).toContain(placeId);
  });

  it('is small enough to be looked at often', async () => {
    const { body } = await app.get<WeekView>('weeks/2026-11-26');
    expect(JSON.stringify(body).length).toBeLessThan(60_000);
  });

  it('knows closed days, and a plan whose list changed', async () => {
    const { equipment, equipmentVersion, today } = (await app.get<BakeryView>('bakery')).body;
    await app.put('equipment', {
      ...equipment,
      places: equipment.places.map(({ learned: _learned, ...place }) => place),
      calendar: { closedWeekdays: [7], closedDays: [] },
      version: equipmentVersion,
    });
    await app.post(`days/${today}/orders`, {
      customer: 'Quay canteen',
      productCode: 'LEM',
      pieces: 10,
      readyBy: '11:00',
    });
    const { days } = await week('2026-11-26');
    expect(days.find(({ date }) => date === '2026-11-29')?.closed).toBeTruthy();
    expect(days.find(({ date }) => date === today)?.plan?.stale).toBe(true);
  });

  it.each(['2026-02-30', 'today', '0000-00-00'])('"%s" is no date', async (date) => {
    expect((await app.get(`weeks/${date}`)).status).toBe(422);
  });
});
