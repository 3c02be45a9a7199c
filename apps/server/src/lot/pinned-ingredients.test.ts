import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import {
  demoFormulas,
  doughOf,
  ingredient,
  reduceLedger,
  withoutFoods,
  type DraftEntry,
  type Formula,
  type Ingredient,
} from '@jokul/core';
import type { BakeryView, JournalView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

/*
 * A bakery's own flour is corrected after a dough of it was begun: the dough stays what it was mixed from, in what is
 * said of it and in what is computed of it; what is only planned follows.
 */

const date = '2026-11-28';
let app: TestApp;
let lot: string;
let before: PlanView;

const mill = (water: number, allergens: readonly string[]) => {
  const { composition: _c, parts: _p, words: _w, ...flour } = structuredClone(ingredient('wheat-flour'));
  const { analysis } = flour;
  return {
    ...flour,
    id: 'own-mill-flour',
    name: 'Flour of the mill',
    source: 'label of the bag',
    allergens,
    analysis: { ...analysis, water, starch: analysis.starch + analysis.water - water },
  };
};
const usual = ingredient('wheat-flour').analysis.water;
/** A dusting that the house mixes itself, from its own flour. */
const dusting = () => ({
  ...mill(usual, []),
  id: 'own-dusting',
  name: 'Dusting of the house',
  parts: [
    { ingredientId: 'own-mill-flour', share: 0.5 },
    { ingredientId: 'ground-hazelnuts', share: 0.5 },
  ],
});
const store = async (row: object) => {
  const { ownIngredientsVersion: version } = (await app.get<BakeryView>('bakery')).body;
  const { status } = await app.put('ingredients', { ingredients: [dusting(), row], version });
  expect(status).toBe(200);
};
const planned = async () => {
  const { status, body } = await app.post<PlanView>(`days/${date}/plan`, {});
  expect(status).toBe(201);
  return body;
};
const record = async () => {
  const { entries } = (await app.get<JournalView>('journal?since=0')).body;
  return reduceLedger(entries).lots.get(lot)?.begun;
};
const latest = async () =>
  (await app.get<BakeryView>('bakery')).body.formulas.find(({ code }) => code === 'MIL') as Formula;

beforeAll(async () => {
  app = await TestApp.start();
  await store(mill(usual, ['gluten', 'wheat']));
  const { version: _v, ...lemon } = structuredClone(
    demoFormulas.find(({ code }) => code === 'LEM') as Formula,
  );
  const stages = lemon.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.map((line) =>
      line.ingredientId === 'wheat-flour' ? { ...line, ingredientId: 'own-mill-flour' } : line,
    ),
  }));
  const toppings = [{ ingredientId: 'own-dusting', percent: 4 }];
  const formula = { ...lemon, code: 'MIL', name: 'Mill drop', stages, toppings };
  expect((await app.post('formulas', formula)).status).toBe(201);
  const order = { customer: 'Pier kiosk', productCode: 'MIL', pieces: 160, readyBy: '10:00' };
  expect((await app.post(`days/${date}/orders`, order)).status).toBe(201);
  before = await planned();
  lot = before.plan.batches.find(({ productCode }) => productCode === 'MIL')?.batchId ?? '';
  const weighed: DraftEntry = {
    id: randomUUID(),
    atMs: (await app.get<BakeryView>('bakery')).body.clock.nowMs,
    who: 'mix',
    device: 'tablet',
    lot,
    kind: 'weighed',
    payload: { key: 'cream/butter', massG: 800, targetG: 800, scaleId: 'bench' },
  };
  expect((await app.post('journal', { entries: [weighed] })).status).toBe(201);
  await store(mill(usual + 0.08, ['gluten', 'lupin', 'wheat']));
}, 120_000);
afterAll(() => app.stop());

describe('a dough that was begun before its flour was corrected', () => {
  it('keeps the flour that it was mixed from, though its record names it by its id alone', async () => {
    const begun = await record();
    expect(begun?.ingredients.find(({ id }) => id === 'own-mill-flour')?.own?.allergens).toEqual([
      'gluten',
      'wheat',
    ]);
    expect(begun?.allergens).not.toContain('lupin');
    const { entries } = (await app.get<JournalView>('journal?since=0')).body;
    const stored = entries.find((entry) => entry.lot === lot && entry.kind === 'begun');
    expect(JSON.stringify((stored?.payload as { formula: Formula } | undefined)?.formula)).not.toContain(
      'Flour of the mill',
    );
    const now = await latest();
    expect(doughOf(now).composition.water).toBeGreaterThan(
      doughOf(begun?.formula as Formula).composition.water + 0.01,
    );
  });
  it('keeps what was mixed from it too, whole, and the nut in it by name', async () => {
    const begun = await record();
    expect(begun?.which).toEqual(['hazelnut']);
    const partOf = (food: Ingredient | undefined) =>
      food?.parts.find(({ ingredientId }) => ingredientId === 'own-mill-flour')?.food;
    const pinned = begun?.ingredients.find(({ id }) => id === 'own-dusting')?.own;
    expect(partOf(pinned)?.analysis.water).toBeCloseTo(usual, 3);
    const { ownIngredients } = (await app.get<BakeryView>('bakery')).body;
    const now = ownIngredients.find(({ id }) => id === 'own-dusting');
    expect(partOf(now)?.analysis.water).toBeGreaterThan(usual + 0.05);
    expect(now?.allergens).toContain('lupin');
    expect(pinned?.allergens).not.toContain('lupin');
  });
  it('a part of it, sent by a page, is taken with all that it carries', async () => {
    const { atMs: _a, who: _w, entryId: _e, ...begun } = (await record()) ?? {};
    const entry = {
      id: randomUUID(),
      atMs: (await app.get<BakeryView>('bakery')).body.clock.nowMs,
      who: 'mix',
      device: 'tablet',
      lot: `${lot}.1`,
      kind: 'begun',
      payload: {
        ...begun,
        formula: withoutFoods((begun as { formula: Formula }).formula),
        massG: 400,
        parents: [{ lot, massG: 400 }],
      },
    };
    expect(await app.post('journal', { entries: [entry] })).toMatchObject({ status: 201 });
  });
  it('bakes as it would have, and what is planned of the same formula bakes by the new flour', async () => {
    const pulls = ({ forecasts, batchForecasts }: PlanView) =>
      [batchForecasts[lot] ?? forecasts.MIL, forecasts.MIL].map(
        (forecast) => forecast?.bakes[0]?.bake.pull?.value ?? Number.NaN,
      );
    const [wasOfLot] = pulls(before);
    const [ofLot, ofProduct] = pulls(await planned());
    expect(ofLot).toBeCloseTo(wasOfLot ?? Number.NaN, 6);
    expect(Math.abs((ofLot ?? Number.NaN) - (ofProduct ?? Number.NaN))).toBeGreaterThan(2);
  }, 60_000);
});
