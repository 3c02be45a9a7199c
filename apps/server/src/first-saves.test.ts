import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import type { BakeryView, CalibrationView, ProbesView } from '@jokul/contracts';
import { TestApp } from './app.testkit.js';

/* Ten people save the same thing at the same moment, where nothing was there before: one is stored, nine are told. */

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const ten = <T>(save: (i: number) => Promise<T>) =>
  Promise.all(Array.from({ length: 10 }, (_, i) => save(i)));
const statuses = (answers: readonly { status: number }[]) => {
  const counts = new Map<number, number>();
  for (const { status } of answers) counts.set(status, (counts.get(status) ?? 0) + 1);
  return Object.fromEntries(counts);
};

describe('first saves at the same moment', () => {
  it('of faults of the probes', async () => {
    const { version } = (await app.get<ProbesView>('probes')).body;
    expect(statuses(await ten(() => app.put('probes/faults', { version, faults: [] })))).toEqual({
      200: 1,
      409: 9,
    });
  });
  it('of own ingredients', async () => {
    const { ownIngredientsVersion: version } = (await app.get<BakeryView>('bakery')).body;
    expect(statuses(await ten(() => app.put('ingredients', { version, ingredients: [] })))).toEqual({
      200: 1,
      409: 9,
    });
  });
  it('of choices about learning', async () => {
    const { version } = (await app.get<CalibrationView>('days/2026-11-27/calibration')).body;
    const choices = { leftOut: [], held: [], version };
    const answers = await ten(() => app.put('days/2026-11-27/calibration', choices));
    expect(statuses(answers)).toEqual({ 200: 1, 409: 9 });
  }, 60_000);
  it('of house rules', async () => {
    const { rules, rulesVersion: version } = (await app.get<BakeryView>('bakery')).body;
    const { timeZone, portionSetUpS, loadGapS, eggIntoButterC, liner, trayId, ...input } = rules;
    expect([timeZone, portionSetUpS, loadGapS, eggIntoButterC, liner, trayId]).not.toContain(undefined);
    const answers = await ten((i) => app.put('rules', { ...input, testPieces: i, version }));
    expect(statuses(answers)).toEqual({ 200: 1, 409: 9 });
  });
  it('of a new formula, and of a next version', async () => {
    const { body } = await app.get<BakeryView>('bakery');
    const found = body.formulas.find((f) => f.code === 'LEM');
    if (!found) throw new Error('LEM');
    const { version, code: _, ...formula } = found;
    expect(statuses(await ten(() => app.post('formulas', { ...formula, code: 'NEW' })))).toEqual({
      201: 1,
      409: 9,
    });
    expect(
      statuses(await ten(() => app.post('formulas/LEM/versions', { ...formula, baseVersion: version }))),
    ).toEqual({ 201: 1, 409: 9 });
  });
  it('of a first plan', async () => {
    const day = '2026-12-11';
    await app.post(`days/${day}/orders`, {
      customer: 'Kiosk',
      productCode: 'LEM',
      pieces: 40,
      readyBy: '09:00',
    });
    const answers = await ten(() => app.post(`days/${day}/plan`, {}));
    const counts = statuses(answers);
    expect(counts[201]).toBeGreaterThanOrEqual(1);
    // Who came after the first one was stored plans on from it; all others are told.
    expect((counts[201] ?? 0) + (counts[409] ?? 0)).toBe(10);
  }, 60_000);
});
