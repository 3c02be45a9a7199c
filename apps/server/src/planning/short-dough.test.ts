import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BatchPlan } from '@jokul/core';
import type { DayView, PlanView, ReplanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/* A dough that falls short: part of it goes to the floor, or on to another product. */

let app: TestApp;
const date = '2026-11-27';
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date, time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const batchesOf = (batches: readonly BatchPlan[]) =>
  batches.filter(({ productCode }) => productCode === 'MLT');
const piecesOf = (batches: readonly BatchPlan[]) =>
  batches
    .flatMap(({ loads }) => loads.flatMap(({ trays }) => trays))
    .reduce((sum, { pieces }) => sum + pieces, 0);

describe('a dough that is short', () => {
  it('is named at once, and mixed anew when the day is planned again', async () => {
    const before = (await app.get<DayView>(`days/${date}`)).body.plan?.plan.batches ?? [];
    const [batch] = batchesOf(before);
    if (!batch) throw new Error('the demo bakes it');
    const offer = async () => (await app.post<ReplanView>(`days/${date}/plan/replan`, {})).body;
    expect((await offer()).before).toEqual([]);
    const { status } = await app.post('journal', {
      entries: [
        {
          id: randomUUID(),
          atMs: Date.parse(`${date}T04:10:00Z`),
          who: 'Mix hand',
          device: 'test',
          lot: batch.batchId,
          kind: 'discarded',
          payload: { massG: 0.6 * batch.massG, pieces: 0, reason: 'fell on the floor' },
        },
      ],
    });
    expect(status).toBe(201);
    const late = (await offer()).before;
    expect(late.length).toBeGreaterThan(0);
    expect(new Set(late.map(({ order }) => order.productCode))).toEqual(new Set(['MLT']));

    const { body } = await app.post<PlanView>(`days/${date}/plan`, {});
    const after = batchesOf(body.plan.batches);
    const [short] = after.filter(({ batchId }) => batchId === batch.batchId);
    expect(short && piecesOf([short])).toBeLessThan(0.45 * batch.pieces);
    // It rests for twelve hours: what no dough of today can give is said, and nothing of it is forgotten.
    const unplaced = body.plan.unplaced
      .filter(({ productCode }) => productCode === 'MLT')
      .reduce((sum, { pieces }) => sum + pieces, 0);
    expect(unplaced).toBeGreaterThan(0);
    expect(piecesOf(after) + unplaced).toBeGreaterThanOrEqual(piecesOf([batch]) - 4);
    expect(body.violations).toEqual([]);
  });

  it('that is gone altogether is no batch any more, and the day can still be planned', async () => {
    const [batch] = batchesOf((await app.get<DayView>(`days/${date}`)).body.plan?.plan.batches ?? []);
    if (!batch) throw new Error('some of it was left');
    await app.post('journal', {
      entries: [
        {
          id: randomUUID(),
          atMs: Date.parse(`${date}T04:10:30Z`),
          who: 'Mix hand',
          device: 'test',
          lot: batch.batchId,
          kind: 'discarded',
          payload: { massG: 20_000, pieces: 0, reason: 'the rest as well' },
        },
      ],
    });
    const offer = await app.post<ReplanView>(`days/${date}/plan/replan`, {});
    expect(offer.status).toBe(201);
    expect(offer.body.before.length).toBeGreaterThan(0);
    const { status, body } = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(status).toBe(201);
    expect(body.plan.batches.map(({ batchId }) => batchId)).not.toContain(batch.batchId);
    expect(body.violations).toEqual([]);
  });
});
