import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { checkPlan, lotId, wallClock, type BatchPlan, type Formula } from '@jokul/core';
import type { DaysPlanView, DayView, JournalView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-12-01', time: '06:00' });
}, 60_000);
afterAll(() => app.stop());

const day = async (date: string) => (await app.get<DayView>(`days/${date}`)).body;
const batchesOn = async (date: string) => (await day(date)).plan?.plan.batches ?? [];
const stockOf = (batches: readonly BatchPlan[]) => batches.filter(({ stock }) => stock);
const order = (date: string, productCode: string, pieces: number) =>
  app.post(`days/${date}/orders`, { customer: 'Farm shop', productCode, pieces, readyBy: '09:00' });

describe('the demo', () => {
  it('takes its shortbites from the freezer: the older bag first, a part of it, mixed by nobody', async () => {
    const [used, ...more] = stockOf(await batchesOn('2026-11-27'));
    expect(more).toEqual([]);
    expect(used?.productCode).toBe('CRD');
    expect(used?.pieces).toBe(200);
    expect(used?.batchId).toBe(`${used?.stock?.from}.101`);
    const { body } = await app.get<JournalView>('journal?since=0');
    const about = body.entries.filter(({ lot }) => lot === used?.batchId).map(({ kind }) => kind);
    expect(about).toEqual(expect.arrayContaining(['begun', 'rest-in', 'rest-out']));
    expect(about).not.toContain('mixed');
  });
});

describe('a day with dough in the cold', () => {
  const date = '2026-12-04';
  it('uses what is left there; told to leave it, it mixes new dough, and remembers that', async () => {
    await order(date, 'CRD', 150);
    const first = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(first.status).toBe(201);
    const [used] = stockOf(first.body.plan.batches);
    expect(used?.pieces).toBe(150);
    const lot = used?.stock?.from ?? '';
    const left = await app.post<PlanView>(`days/${date}/plan`, { leave: [lot] });
    expect(left.body.leave).toEqual([lot]);
    expect(stockOf(left.body.plan.batches).map(({ stock }) => stock?.from)).not.toContain(lot);
    const again = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(again.body.leave).toEqual([lot]);
    const back = await app.post<PlanView>(`days/${date}/plan`, { leave: [] });
    expect(stockOf(back.body.plan.batches)[0]?.stock?.from).toBe(lot);
    expect(back.body.violations).toEqual([]);
  });

  it('promises the same dough to one day only', async () => {
    await order('2026-12-05', 'CRD', 150);
    const [before] = stockOf(await batchesOn(date));
    const { body } = await app.post<PlanView>('days/2026-12-05/plan', {});
    const used = stockOf(body.plan.batches);
    for (const batch of used)
      if (batch.stock?.from === before?.stock?.from) expect(batch.pieces).toBeLessThanOrEqual(50);
    expect(new Set([...used, before].map((batch) => batch?.batchId)).size).toBe(used.length + 1);
  });

  it('also to a day far ahead, or far before it', async () => {
    await order('2026-12-12', 'CRD', 200);
    const used = stockOf((await app.post<PlanView>('days/2026-12-12/plan', {})).body.plan.batches);
    const before = stockOf([...(await batchesOn(date)), ...(await batchesOn('2026-12-05'))]);
    const names = [...used, ...before].map(({ batchId }) => batchId);
    expect(new Set(names).size).toBe(names.length);
    const of = (lot: string | undefined) =>
      [...used, ...before].filter(({ stock, batchId }) => (stock?.from ?? batchId) === lot);
    for (const lot of new Set([...used, ...before].map(({ stock, batchId }) => stock?.from ?? batchId)))
      expect(of(lot).reduce((sum, { pieces }) => sum + pieces, 0)).toBeLessThanOrEqual(300);
  });

  it('keeps a part that was taken out when it is planned again', async () => {
    const [used] = stockOf(await batchesOn(date));
    const entry = (kind: string, payload: object, lot = used?.batchId) => ({
      id: randomUUID(),
      atMs: Date.parse('2026-12-03T20:00:00Z'),
      who: 'Mix hand',
      device: 'test',
      lot,
      kind,
      payload,
    });
    const posted = await app.post('journal', {
      entries: [
        entry('rest-in', {
          placeId: 'walk-in',
          form: 'bag',
          cover: 'covered',
          startC: -19,
          massG: 2700,
          pieces: 150,
        }),
      ],
    });
    expect(posted.status).toBe(201);
    const { body } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(body.plan.batches.find(({ batchId }) => batchId === used?.batchId)?.loads).toEqual(used?.loads);
    // Nobody pinned what the part is: it is what the lot was that it comes from, and as old.
    const { entries } = (await app.get<JournalView>('journal?since=0')).body;
    const pinned = entries.find(({ lot, kind }) => lot === used?.batchId && kind === 'begun')?.payload;
    expect(pinned).toMatchObject({ productCode: 'CRD', pieces: 150, parents: [{ lot: used?.stock?.from }] });
    expect((pinned as { age?: { frozenS: number } }).age?.frozenS).toBeGreaterThan(86_400);
  });

  it.each([[{ leave: 'RYE' }], [{ leave: [1] }], [{ leave: [''] }]])('refuses %j', async (body) => {
    expect((await app.post(`days/${date}/plan`, body)).status).toBe(400);
  });
});

describe('several days planned together', () => {
  // All of the week where the closed day is looked at, else as few as show it.
  const [from, until, week] = ['2026-12-14', '2026-12-16', '2026-12-18'];
  it('are each whole, promise everything once, and skip the closed day', async () => {
    await app.put('clock', { mode: 'frozen', date: '2026-12-12', time: '08:00' });
    const { status, body } = await app.post<DaysPlanView>(`days/${from}/plan/days`, { until: week });
    expect(status).toBe(201);
    expect(body.days.map(({ date }) => date)).toEqual(
      ['2026-12-14', '2026-12-15', '2026-12-16', '2026-12-17', '2026-12-18'].filter((d) =>
        body.days.some(({ date }) => date === d),
      ),
    );
    const open = body.days.filter(({ date }) => date !== '2026-12-17');
    expect(open.length).toBeGreaterThanOrEqual(4);
    for (const { undone, violations, ordered } of open)
      expect([undone, violations, ordered > 0]).toEqual([0, 0, true]);
    expect(body.cost).toBeGreaterThanOrEqual(body.leastCost);
    const days = await Promise.all(open.map(({ date }) => day(date)));
    const all = days.flatMap(({ plan }) => plan?.plan.batches ?? []);
    expect(new Set(all.map(({ batchId }) => batchId)).size).toBe(all.length);
    for (const { date, plan } of days) {
      expect(plan?.stale).toBe(false);
      const { cost, leastCost } = plan?.quality ?? {};
      expect(leastCost).toBeGreaterThan(300);
      expect(cost?.minutes).toBeGreaterThanOrEqual(leastCost ?? Infinity);
      for (const load of plan?.plan.batches.flatMap(({ loads }) => loads) ?? [])
        expect(wallClock(load.dueS, 'Atlantic/Faroe').date).toBe(date);
    }
    // All days at once, counted by what they hold: no mixer, tray or pair of hands twice.
    const { equipment } = (
      await app.get<{
        equipment: {
          mixers: { id: string }[];
          ovens: { id: string; places: number; degreesPerMin: number; name: string }[];
        };
      }>('bakery')
    ).body;
    const problem = {
      nowS: 0,
      products: [],
      resources: equipment.mixers.map(({ id }) => ({ id, name: id, capacity: 1 })),
      ovens: equipment.ovens,
      ovenHours: [{ fromS: 0, toS: 1e11, capacity: 1 }],
      loadGapS: 0,
      fixed: [],
    };
    const faults = checkPlan(problem, { batches: all, unplaced: [], boundS: 0 });
    expect(faults.filter(({ where }) => equipment.mixers.some(({ id }) => id === where))).toEqual([]);
    expect(faults.filter(({ code }) => code === 'oven')).toEqual([]);
  }, 60_000);

  it('follow the latest formula in all that nobody began, in its pulls too', async () => {
    const { formulas } = (await app.get<{ formulas: Formula[] }>('bakery')).body;
    const { code, version, ...body } = formulas.find((formula) => formula.code === 'GNG') as Formula;
    const saved = await app.post(`formulas/${code}/versions`, {
      ...body,
      bake: { ...body.bake, trayRestS: body.bake.trayRestS + 60, target: 'soft-centre' },
      baseVersion: version,
    });
    expect(saved.status).toBe(201);
    const before = (await batchesOn(from)).find(({ productCode }) => productCode === 'GNG');
    expect((await app.post(`days/${from}/plan/days`, { until: from })).status).toBe(201);
    const plan = (await day(from)).plan;
    const after = plan?.plan.batches.find(({ productCode }) => productCode === 'GNG');
    expect(plan?.batchFormula[after?.batchId ?? '']).toBe(version + 1);
    expect(plan?.batchForecasts).toEqual({});
    const [was, is] = [before?.loads[0]?.pullS ?? 0, after?.loads[0]?.pullS ?? 0];
    // Pulled with a soft centre it is out earlier.
    expect(is).toBeLessThan(was);
  }, 60_000);

  it('again are planned from what is there: begun and held batches stay', async () => {
    const [held] = await batchesOn('2026-12-15');
    await app.post(`days/2026-12-15/plan/held`, { batchId: held?.batchId, held: true });
    const { status } = await app.post(`days/${from}/plan/days`, { until });
    expect(status).toBe(201);
    expect((await batchesOn('2026-12-15')).find(({ batchId }) => batchId === held?.batchId)?.loads).toEqual(
      held?.loads,
    );
    expect((await day('2026-12-15')).plan?.held).toEqual([held?.batchId]);
  }, 60_000);

  it('asked for twice at once are planned once', async () => {
    const answers = await Promise.all(
      [1, 2, 3].map(() => app.post<DaysPlanView>(`days/${from}/plan/days`, { until })),
    );
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201]);
    expect(
      new Set(answers.map(({ body }) => JSON.stringify(body.days.map(({ version }) => version)))).size,
    ).toBe(1);
  }, 60_000);

  it('promise a dough to one of two days that are planned by two people at once', async () => {
    const dates = ['2026-12-22', '2026-12-23'];
    for (const date of dates) await order(date, 'CRD', 180);
    const lot = lotId('CRD', 2026, 900_001);
    const atMs = Date.parse('2026-12-10T15:00:00Z');
    const write = (kind: string, payload: object) => ({
      id: randomUUID(),
      atMs,
      who: 'Mix hand',
      device: 'test',
      lot,
      kind,
      payload,
    });
    const put = await app.post('journal', {
      entries: [
        write('mixed', { doughC: 21, massG: 4000, missing: [] }),
        write('portioned', { pieces: 200, scoop: 0, samplesG: [], targetG: 18, remainderG: 0 }),
        write('rest-in', {
          placeId: 'freezer',
          form: 'bag',
          cover: 'covered',
          startC: 20,
          massG: 3600,
          pieces: 200,
        }),
      ],
    });
    expect(put.status).toBe(201);
    const plans = () => Promise.all(dates.map((date) => app.post<PlanView>(`days/${date}/plan`, {})));
    const statuses = (await plans()).map(({ status }) => status).toSorted((a, b) => a - b);
    expect(statuses).toEqual([201, 409]);
    // Whoever was told to look again does so.
    for (const date of dates) if (!(await day(date)).plan) await app.post(`days/${date}/plan`, {});
    const used = stockOf((await Promise.all(dates.map(batchesOn))).flat());
    expect(used.some(({ stock }) => stock?.from === lot)).toBe(true);
    expect(new Set(used.map(({ batchId }) => batchId)).size).toBe(used.length);
    for (const own of new Set(used.map(({ stock, batchId }) => stock?.from ?? batchId)))
      expect(
        used
          .filter(({ stock, batchId }) => (stock?.from ?? batchId) === own)
          .reduce((sum, { pieces }) => sum + pieces, 0),
      ).toBeLessThanOrEqual(200);
  }, 60_000);

  it('are written together, or none of them when somebody planned one meanwhile', async () => {
    const was = (await day('2026-12-14')).plan?.version;
    const [together, alone] = await Promise.all([
      app.post<DaysPlanView>(`days/${from}/plan/days`, { until }),
      app.post<PlanView>(`days/2026-12-16/plan`, {}),
    ]);
    const statuses = [together.status, alone.status].toSorted((a, b) => a - b);
    expect(statuses).toEqual([201, 409]);
    const versions = await Promise.all(
      ['2026-12-14', '2026-12-16'].map(async (d) => (await day(d)).plan?.version),
    );
    if (together.status === 201)
      expect(versions).toEqual(
        ['2026-12-14', '2026-12-16'].map((d) => together.body.days.find(({ date }) => date === d)?.version),
      );
    else expect(versions).toEqual([was, alone.body.version]);
  }, 60_000);

  it.each([
    ['2026-12-13', 422, 'days'],
    ['2027-02-01', 422, 'days'],
    ['2026-13-40', 422, 'days'],
    ['soon', 400, 'bad-request'],
    [undefined, 400, 'bad-request'],
  ])('up to %s are refused', async (last, status, code) => {
    const answer = await app.post(`days/${from}/plan/days`, { until: last });
    expect([answer.status, answer.body.code]).toEqual([status, code]);
  });

  it('that are over, or have no orders, say so', async () => {
    expect((await app.post('days/2026-12-01/plan/days', { until: '2026-12-03' })).body.code).toBe('past');
    expect((await app.post('days/2027-03-01/plan/days', { until: '2027-03-03' })).body.code).toBe(
      'nothing-to-bake',
    );
  });
});
