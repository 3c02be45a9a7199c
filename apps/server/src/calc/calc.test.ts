import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals';
import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { ProbesView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { CalcService } from './calc.service.js';

/* No one question may hold the floor up: what is too much is refused before it begins, the rest runs beside. */

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const cold = (durationS: number, steps: number) => ({
  body: { kind: 'sphere', massG: 1 },
  startC: 20,
  steps: Array.from({ length: steps }, () => ({ airC: 4, hWPerM2K: 12, durationS })),
});

describe('the same question', () => {
  it('asked by several at once is computed once; asked again, again', async () => {
    const { pool } = app.app.get<{ pool: { run: () => Promise<unknown> } }>(CalcService);
    const runs = jest.spyOn(pool, 'run');
    const question = cold(3600, 3);
    const ask = async (body: object) => (await app.post<{ reachedS: number | null }>('calc/cold', body)).body;
    const answers = await Promise.all([
      ...Array.from({ length: 8 }, () => ask(question)),
      ask({ ...question, startC: 21 }),
    ]);
    expect(runs).toHaveBeenCalledTimes(2);
    expect(new Set(answers.map((answer) => JSON.stringify(answer))).size).toBe(2);
    await ask(question);
    expect(runs).toHaveBeenCalledTimes(3);
    runs.mockRestore();
  });
});

describe('questions that would take minutes', () => {
  it('long stays of a small body are refused with a sentence', async () => {
    const { status, body } = await app.post('calc/cold', cold(90 * 86_400, 50));
    expect([status, body.code]).toEqual([422, 'too-long']);
  });
  it('a plan of 2^31 pieces is refused with a sentence', async () => {
    const { status, body } = await app.post('calc/plan', {
      nowS: 0,
      products: [
        {
          code: 'ONE',
          name: 'One',
          rest: { form: 'pieces', placeKind: 'walk-in', minS: 1800, bestS: 3600, maxS: 7200, temperS: 0 },
          demands: [{ name: 'Kiosk', readyByS: 30_000, pieces: 2 ** 31 }],
          batches: [{ id: 'ONE-A', mixerId: 'mixer', massG: 1500, pieces: 2 ** 31 }],
          perTray: 12,
          restingPerTray: 40,
          bakes: [{ ovenId: 'oven', setC: 170, pullS: 720 }],
          mixS: 1500,
          portionSetUpS: 240,
          portionSPerPiece: 5,
          trayRestS: 300,
          coolS: 2100,
          packS: 600,
        },
      ],
      resources: [],
      ovens: [{ id: 'oven', name: 'Oven', places: 2, degreesPerMin: 5 }],
      ovenHours: [{ fromS: 0, toS: 40_000, capacity: 1 }],
      loadGapS: 150,
      fixed: [],
    });
    expect([status, body.code]).toEqual([422, 'too-much']);
  });
  it('a fault of 1970 is refused, and one that is stored already costs no more than one of today', async () => {
    const { version, places } = (await app.get<ProbesView>('probes')).body;
    const fault = { placeId: 'walk-in', kind: 'door-open', fromMs: 0, toMs: null };
    const { status, body } = await app.put('probes/faults', { version, faults: [fault] });
    expect([status, body.code]).toEqual([422, 'out-of-range']);
    expect(places.length).toBeGreaterThan(0);
  });
  it('while one computes, the floor is answered', async () => {
    // In and out of the cold, so that nothing is gone through at once: a second of one core.
    const question = cold(3600, 48);
    const steps = question.steps.map((step, i) => ({ ...step, airC: i % 2 ? -20 : 4 }));
    const long = app.post('calc/cold', { ...question, steps });
    let answered = 0;
    const done = long.then(() => true);
    while (!(await Promise.race([done, new Promise((r) => setTimeout(() => r(false), 5))]))) {
      const entry = {
        id: randomUUID(),
        atMs: 1,
        who: 'x',
        device: 'y',
        lot: 'CALC-A',
        kind: 'note',
        payload: { text: 'meanwhile' },
      };
      expect((await app.post('journal', { entries: [entry] })).status).toBe(201);
      answered += 1;
    }
    expect((await long).status).toBe(200);
    // In the event loop none would have come through.
    expect(answered).toBeGreaterThan(3);
  }, 60_000);
  it('who asks for nonsense is told by the same sentences as before', async () => {
    const { status, body } = await app.post('calc/nothing', {});
    expect([status, body.code]).toEqual([404, 'unknown-calculation']);
  });
});
