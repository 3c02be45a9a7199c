import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { DayView, OrderView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const date = '2026-11-27';
const day = async () => (await app.get<DayView>(`days/${date}`)).body;

describe('the plan of the demo day', () => {
  it('is there from the start, whole and unbroken', async () => {
    const { plan } = await day();
    expect(plan?.plan.unplaced).toEqual([]);
    expect(plan?.violations).toEqual([]);
    expect(plan?.stale).toBe(false);
    expect(plan?.plan.batches).toHaveLength(9);
    expect(Object.keys(plan?.forecasts ?? {}).sort()).toEqual([
      'CLM',
      'CRD',
      'GNG',
      'LEM',
      'MLT',
      'NIB',
      'PNT',
      'RYE',
      'SES',
    ]);
  });

  it('goes stale with the bake list and fresh again with a new plan; what has begun stays', async () => {
    const before = await day();
    const line = { customer: 'Farm shop', productCode: 'PNT', pieces: 40, readyBy: '10:15' };
    const added = await app.post<OrderView>(`days/${date}/orders`, line);
    expect((await day()).plan?.stale).toBe(true);
    const { body, status } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(status).toBe(201);
    expect(body.version).toBe((before.plan?.version ?? 0) + 1);
    expect(body.violations).toEqual([]);
    const gng = (plan: PlanView | null | undefined) =>
      plan?.plan.batches.find((b) => b.productCode === 'GNG');
    expect(gng(body)).toEqual(gng(before.plan));
    const peanut = body.plan.batches
      .filter((b) => b.productCode === 'PNT')
      .reduce((sum, b) => sum + b.pieces, 0);
    expect(peanut).toBeGreaterThanOrEqual(230);
    await app.call('DELETE', `orders/${added.body.id}`);
    await app.post(`days/${date}/plan`, {});
    expect((await day()).plan?.stale).toBe(false);
  });

  it('work that was logged pins its batch', async () => {
    const lem = (await day()).plan?.plan.batches.find((b) => b.productCode === 'LEM');
    await app.post('journal', {
      entries: [
        {
          id: randomUUID(),
          atMs: 1,
          who: 'Mix hand',
          device: 'test',
          lot: lem?.batchId,
          kind: 'weighed',
          payload: { key: 'cream/butter', massG: 1200, targetG: 1200, scaleId: 'bench' },
        },
      ],
    });
    await app.put('clock', { mode: 'frozen', date, time: '04:20' });
    const { body } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(body.plan.batches.find((b) => b.productCode === 'LEM')).toEqual(lem);
    await app.put('clock', { mode: 'frozen', date, time: '04:10' });
  });

  it('says what does not fit, and why', async () => {
    const added = await app.post<OrderView>(`days/${date}/orders`, {
      customer: 'Ferry galley',
      productCode: 'RYE',
      pieces: 200,
      readyBy: '09:00',
    });
    const { body } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(body.plan.unplaced).toHaveLength(1);
    expect(body.plan.unplaced[0]?.reason).toContain('resting at least 24 h');
    await app.call('DELETE', `orders/${added.body.id}`);
  });

  it('says of a ready-by that is past what to do, and plans the rest', async () => {
    const before = (await day()).plan;
    const added = await app.post<OrderView>(`days/${date}/orders`, {
      customer: 'Night ferry',
      productCode: 'LEM',
      pieces: 100,
      readyBy: '03:00',
    });
    const { status, body } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(status).toBe(201);
    expect(body.plan.unplaced).toHaveLength(1);
    expect(body.plan.unplaced[0]).toMatchObject({ productCode: 'LEM', pieces: 100 });
    expect(body.plan.unplaced[0]?.reason).toMatch(
      /Lemon Poppy Drop for Night ferry was to be ready 1 h 10 ago. Give it a later ready-by/,
    );
    const pieces = (plan: PlanView['plan'] | undefined) =>
      (plan?.batches ?? []).reduce((sum, batch) => sum + batch.pieces, 0);
    expect(pieces(body.plan)).toBe(pieces(before?.plan));
    await app.call('DELETE', `orders/${added.body.id}`);
  });

  it('of a day that is over is refused, and what was planned stays', async () => {
    await app.put('clock', { mode: 'frozen', date, time: '20:00' });
    const before = await day();
    const { status, body } = await app.post(`days/${date}/plan`, {});
    expect([status, body.code]).toEqual([422, 'day-over']);
    expect((await day()).plan?.version).toBe(before.plan?.version);
    await app.put('clock', { mode: 'frozen', date, time: '04:10' });
  });

  it('of a day without orders is refused', async () => {
    const { status, body } = await app.post('days/2027-01-05/plan', {});
    expect(status).toBe(422);
    expect(body.message).toContain('The bake list of this day is empty');
  });
});

describe('days beside each other', () => {
  const list = async (other: string, times = 1) => {
    const { orders } = await day();
    const lines = orders.map(({ customer, productCode, pieces, readyBy }) => ({
      id: randomUUID(),
      customer,
      productCode,
      pieces: pieces * times,
      readyBy,
    }));
    expect((await app.post(`days/${other}/orders/many`, { lines })).status).toBe(201);
  };
  const plans: PlanView[] = [];

  it('are planned with what the others hold left to them: no hand, mixer or oven is promised twice', async () => {
    for (const other of ['2026-11-30', '2026-12-01', '2026-12-02']) {
      await list(other);
      const { body, status } = await app.post<PlanView>(`days/${other}/plan`, {});
      expect(status).toBe(201);
      expect([other, body.violations, body.quality?.undonePieces]).toEqual([other, [], 0]);
      plans.push(body);
    }
    // What takes a mixer, over all days: no two at once.
    const mixes = plans
      .flatMap(({ plan }) => plan.batches)
      .flatMap(({ mixerId, tasks }) =>
        tasks.filter(({ kind }) => kind === 'mix').map((task) => ({ mixerId, ...task })),
      )
      .sort((a, b) => a.startS - b.startS);
    for (const [i, mix] of mixes.entries())
      for (const later of mixes.slice(i + 1))
        if (later.mixerId === mix.mixerId) expect(later.startS).toBeGreaterThanOrEqual(mix.endS);
  }, 120_000);

  it('say how good they are and how sure, and can be planned safer', async () => {
    const [plain] = plans;
    expect(plain?.quality?.leastUndone).toBe(0);
    expect(plain?.quality?.cost.minutes).toBeGreaterThanOrEqual(plain?.quality?.leastCost ?? Infinity);
    expect(plain?.quality?.wanted).toBeNull();
    const safe = (await app.post<PlanView>('days/2026-11-30/plan', { chance: 0.9 })).body;
    const least = (view: PlanView | undefined) =>
      Math.min(...(view?.quality?.sure.map(({ probability }) => probability) ?? [0]));
    expect(least(safe)).toBeGreaterThan(least(plain));
    expect(safe.violations).toEqual([]);
    // What was wished once stays until it is taken back.
    expect((await app.post<PlanView>('days/2026-11-30/plan', {})).body.quality?.wanted).toBe(0.9);
    expect((await app.post<PlanView>('days/2026-11-30/plan', { chance: 0 })).body.quality?.wanted).toBeNull();
    expect((await app.post('days/2026-11-30/plan', { chance: 2 })).status).toBe(400);
  }, 120_000);
});
