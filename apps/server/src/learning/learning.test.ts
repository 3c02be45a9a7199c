import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { atWallClock, demoRules } from '@jokul/core';
import type { BakeryView, CalibrationView, DayView, PlanView, ProbesView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 90_000);
afterAll(() => app.stop());

const date = '2026-11-27';
const view = async () => (await app.get<CalibrationView>(`days/${date}/calibration`)).body;
const plan = async () => (await app.get<DayView>(`days/${date}`)).body.plan;
/** Loads that are in no oven yet: those that are stay as they are. */
const waiting = (of: PlanView | null | undefined) =>
  (of?.plan.batches ?? []).map((batch) => ({
    ...batch,
    loads: batch.loads.filter(({ startS }) => startS > atWallClock(date, '04:10', demoRules.timeZone)),
  }));
const pulls = (of: PlanView | null | undefined, ovenId: string) =>
  new Map(waiting(of).flatMap((b) => b.loads.filter((l) => l.ovenId === ovenId).map((l) => [l.id, l.pullS])));
const valueOf = (of: CalibrationView, key: string) =>
  of.learned.find((l) => l.key === key)?.value ?? Number.NaN;

describe('what the demo log teaches', () => {
  it('finds the hidden ovens and doughs of the made-up past, and is not in force by itself', async () => {
    const seen = await view();
    expect(seen.inForce).toBeNull();
    expect(seen.undoable).toBe(0);
    expect(seen.bakes.length).toBeGreaterThan(20);
    // Starboard drifted up to 11 K hot, Port runs 4 K cool; the doughs are softer than the model's.
    expect(valueOf(seen, 'offset/starboard')).toBeGreaterThan(3);
    expect(valueOf(seen, 'offset/port')).toBeLessThan(-1);
    expect(valueOf(seen, 'house-stiffness/all')).toBeLessThan(-0.05);
    expect(seen.changes.find(({ ovenId }) => ovenId === 'starboard')?.thenS).toBeLessThan(
      seen.changes.find(({ ovenId }) => ovenId === 'starboard')?.nowS ?? 0,
    );
    for (const { thenBandS, nowBandS, ovenId } of seen.changes.filter(({ ovenId: o }) => o === 'starboard'))
      expect([ovenId, thenBandS < nowBandS]).toEqual([ovenId, true]);
    expect(seen.next[0]?.gainS).toBeGreaterThan(0);
  }, 90_000);

  it('comes into force on a press, times the loads by it, and can be taken back', async () => {
    const before = await plan();
    const { version } = await view();
    const used = await app.post<CalibrationView>(`days/${date}/calibration/use`, { version });
    expect(used.status).toBe(201);
    expect(used.body.inForce?.bakes).toBe(used.body.bakes.length);
    expect((await app.get<BakeryView>('bakery')).body.learned?.values.length).toBeGreaterThan(5);
    expect((await plan())?.retimeDue).toBe(true);

    const retimed = (await app.post<PlanView>(`days/${date}/plan/retime`, {})).body;
    expect(retimed.retimeDue).toBe(false);
    expect(retimed.moves.length).toBeGreaterThan(3);
    const now = pulls(retimed, 'starboard');
    for (const [id, s] of pulls(before, 'starboard')) expect(now.get(id)).toBeLessThan(s);
    let timed = 0;
    for (const { ovenId, code, thenS } of used.body.changes) {
      const load = waiting(retimed)
        .filter((b) => b.productCode === code)
        .flatMap((b) => b.loads)
        .find((l) => l.ovenId === ovenId);
      if (!load) continue;
      timed += 1;
      expect(Math.abs(load.pullS - (thenS ?? 0))).toBeLessThan(1);
    }
    expect(timed).toBeGreaterThan(3);
    // No load begins before the one in front of it is out.
    for (const oven of ['port', 'starboard', 'keel-upper', 'keel-lower']) {
      const loads = retimed.plan.batches
        .flatMap((b) => b.loads)
        .filter((l) => l.ovenId === oven)
        .sort((a, b) => a.startS - b.startS);
      loads.forEach((load, i) => {
        const last = loads[i - 1];
        if (last) expect(load.startS).toBeGreaterThanOrEqual(last.startS + last.pullS);
      });
    }

    const undone = await app.post<CalibrationView>(`days/${date}/calibration/undo`, {
      version: used.body.version,
    });
    expect(undone.body.inForce).toBeNull();
    const back = (await app.post<PlanView>(`days/${date}/plan/retime`, {})).body;
    for (const [id, s] of pulls(before, 'starboard')) expect(pulls(back, 'starboard').get(id)).toBe(s);
  }, 120_000);

  it('leaves out a bake and holds a figure on request, and refuses a choice made on an old view', async () => {
    const seen = await view();
    const [bake] = seen.bakes;
    const choices = { leftOut: [bake?.id ?? ''], held: ['offset/starboard'], version: seen.version };
    const chosen = (await app.put<CalibrationView>(`days/${date}/calibration`, choices)).body;
    expect(chosen.bakes.find(({ id }) => id === bake?.id)).toMatchObject({ leftOut: true, figures: [] });
    expect(chosen.learned.find(({ key }) => key === 'offset/starboard')).toMatchObject({
      held: true,
      value: 0,
    });
    const late = await app.put(`days/${date}/calibration`, choices);
    expect([late.status, late.body.code]).toEqual([409, 'changed-meanwhile']);
    const bad = await app.put(`days/${date}/calibration`, { ...choices, leftOut: ['x'] });
    expect(bad.status).toBe(400);
    await app.put(`days/${date}/calibration`, { leftOut: [], held: [], version: chosen.version });
  }, 90_000);

  it('nothing to take back is said', async () => {
    const { version } = await view();
    const answer = await app.post(`days/${date}/calibration/undo`, { version });
    expect([answer.status, answer.body.code]).toEqual([422, 'nothing-to-undo']);
  }, 60_000);
});

describe('loads that wait', () => {
  it('for dough that is not ready: its loads and those behind them move, the others stay', async () => {
    const before = await plan();
    const batch = waiting(before).find(
      ({ batchId, loads }) =>
        loads.length > 0 &&
        loads.length === before?.plan.batches.find((b) => b.batchId === batchId)?.loads.length,
    );
    const first = Math.min(...(batch?.loads.map((l) => l.startS) ?? []));
    const { body } = await app.post<PlanView>(`days/${date}/plan/retime`, {
      notBefore: [{ batchId: batch?.batchId, atS: first + 1500 }],
    });
    const moved = body.plan.batches.find((b) => b.batchId === batch?.batchId);
    expect(Math.min(...(moved?.loads.map((l) => l.startS) ?? []))).toBe(first + 1500);
    expect(body.moves.find(({ batchId }) => batchId === batch?.batchId)?.startByS).toBe(1500);
    expect((await app.post(`days/2026-12-24/plan/retime`, {})).body.code).toBe('no-plan');
    expect((await app.post(`days/${date}/plan/retime`, { notBefore: [{ batchId: 'x' }] })).status).toBe(400);
  }, 60_000);

  it('a load that is in its oven stays', async () => {
    const before = await plan();
    const load = before?.plan.batches.flatMap((b) => b.loads).sort((a, b) => a.startS - b.startS)[0];
    await app.post('journal', {
      entries: [
        {
          id: randomUUID(),
          atMs: (load?.startS ?? 0) * 1000,
          who: 'Oven hand',
          device: 't',
          lot: load?.batchId,
          kind: 'loaded',
          payload: {
            loadId: load?.id,
            trayIds: load?.trays.map(({ id }) => id),
            ovenId: load?.ovenId,
            setC: load?.setC,
            pullS: load?.pullS,
            trayRestS: 300,
            pieces: load?.trays.map(({ pieces }) => pieces),
          },
        },
      ],
    });
    const { body } = await app.post<PlanView>(`days/${date}/plan/retime`, {
      notBefore: [{ batchId: load?.batchId, atS: (load?.startS ?? 0) + 3600 }],
    });
    expect(body.plan.batches.flatMap((b) => b.loads).find(({ id }) => id === load?.id)?.startS).toBe(
      load?.startS,
    );
  }, 60_000);
});

describe('the probes of the cold places', () => {
  it('read up to now, and play a fault that others see', async () => {
    const { nowMs } = (await app.get<{ nowMs: number }>('clock')).body;
    const from = nowMs - 3 * 3600e3;
    const seen = (await app.get<ProbesView>(`probes?from=${from}`)).body;
    expect(seen.places.map(({ placeId }) => placeId)).toEqual(['walk-in', 'freezer', 'bench']);
    expect(seen.places[0]?.readings).toHaveLength(181);
    const fault = { placeId: 'walk-in', kind: 'door-open', fromMs: nowMs - 3600e3, toMs: null };
    const played = await app.put<ProbesView>('probes/faults', { version: seen.version, faults: [fault] });
    expect(played.status).toBe(200);
    expect(played.body.places[0]?.readings.at(-1)?.airC).toBeGreaterThan(8);
    expect((await app.put('probes/faults', { version: seen.version, faults: [] })).status).toBe(409);
    const nowhere = { ...fault, placeId: 'cellar' };
    expect((await app.put('probes/faults', { version: seen.version + 1, faults: [nowhere] })).body.code).toBe(
      'unknown-place',
    );
  });
  it('of more than a day come every ten minutes', async () => {
    const { nowMs } = (await app.get<{ nowMs: number }>('clock')).body;
    const { places } = (await app.get<ProbesView>(`probes?from=${nowMs - 48 * 3600e3}`)).body;
    expect(places[0]?.readings.length).toBeLessThan(300);
  });
});
