import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { demoFormulas, ingredient, type Formula } from '@jokul/core';
import type { BakeryView, DayView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

const lemon = () => {
  const found = demoFormulas.find((f) => f.code === 'LEM');
  if (!found) throw new Error('no formula');
  const { version: _version, ...body } = structuredClone(found);
  return body;
};
const bakery = async () => (await app.get<BakeryView>('bakery')).body;

describe('a new formula', () => {
  it('is stored as version 1 and is there for the bakery', async () => {
    const { status, body } = await app.post<Formula>('formulas', {
      ...lemon(),
      code: 'LEX',
      name: 'Lemon trial',
      method: { cream: 'long', egg: 'fully', finish: 'hand' },
    });
    expect([status, body.version, body.method?.cream]).toEqual([201, 1, 'long']);
    expect((await bakery()).formulas.map(({ code }) => code)).toContain('LEX');
  });
  it('with a code that is taken is refused', async () => {
    const { status, body } = await app.post('formulas', { ...lemon(), code: 'GNG' });
    expect([status, body.message]).toEqual([
      409,
      'There is a formula GNG already. Give this one another code.',
    ]);
  });
  it.each([
    ['gng', 'capital letters'],
    ['X', 'capital letters'],
    ['A-B', 'capital letters'],
  ])('with the code "%s" is refused', async (code, sentence) => {
    expect((await app.post('formulas', { ...lemon(), code })).body.message).toContain(sentence);
  });
  it('that cannot be a dough is refused', async () => {
    const { body } = await app.post('formulas', {
      ...lemon(),
      code: 'LEY',
      stages: lemon().stages.slice(0, 2),
    });
    expect(body.message).toContain('no flour');
  });
});

describe('ingredients of the bakery’s own', () => {
  const mill = () => {
    const { composition: _c, parts: _p, words: _w, ...flour } = structuredClone(ingredient('wheat-flour'));
    return { ...flour, id: 'own-mill-flour', name: 'Flour of the mill', source: 'label of the bag' };
  };
  it('are kept, offered, and used in a formula', async () => {
    const { ownIngredientsVersion: version } = await bakery();
    const saved = await app.put<BakeryView>('ingredients', { ingredients: [mill()], version });
    expect(saved.body.ownIngredients.map(({ name }) => name)).toEqual(['Flour of the mill']);
    const f = lemon();
    const stages = f.stages.map((s) => ({
      ...s,
      lines: s.lines.map((l) =>
        l.ingredientId === 'wheat-flour' ? { ...l, ingredientId: 'own-mill-flour' } : l,
      ),
    }));
    expect((await app.post('formulas', { ...f, code: 'MIL', stages })).status).toBe(201);
  });
  it('goes through the bakes and the plan of a day, in the worker threads too', async () => {
    const date = '2026-11-30';
    const line = { customer: 'Pier kiosk', productCode: 'MIL', pieces: 160, readyBy: '10:00' };
    expect((await app.post(`days/${date}/orders`, line)).status).toBe(201);
    const planned = await app.post<PlanView>(`days/${date}/plan`, {});
    expect(planned.status).toBe(201);
    expect(planned.body.plan.unplaced).toEqual([]);
    expect(planned.body.violations).toEqual([]);
    expect(planned.body.forecasts.MIL?.bakes[0]?.bake.pull?.value).toBeGreaterThan(300);
  });
  it('corrected afterwards, it makes the plan stale', async () => {
    const { ownIngredientsVersion: version } = await bakery();
    const wetter = { ...mill(), analysis: { ...mill().analysis, water: 0.14 } };
    expect((await app.put('ingredients', { ingredients: [wetter], version })).status).toBe(200);
    expect((await app.get<DayView>('days/2026-11-30')).body.plan?.stale).toBe(true);
  });
  it('a composition that misses 100 % is refused with its sum', async () => {
    const { ownIngredientsVersion: version } = await bakery();
    const wrong = { ...mill(), analysis: { ...mill().analysis, water: 0.2 } };
    const { status, body } = await app.put('ingredients', { ingredients: [wrong], version });
    expect(status).toBe(422);
    expect(body.message).toMatch(/add up to 10\d\.\d %/);
    expect((await bakery()).ownIngredients).toHaveLength(1);
  });
  it('an edit of an old list is refused', async () => {
    expect((await app.put('ingredients', { ingredients: [], version: 0 })).status).toBe(409);
  });
  it('stay while a version of a formula names them', async () => {
    const { ownIngredientsVersion: version } = await bakery();
    const spelt = { ...mill(), id: 'own-spelt', name: 'Spelt of the mill' };
    const added = await app.put<BakeryView>('ingredients', { ingredients: [mill(), spelt], version });
    expect(added.status).toBe(200);
    const gone = (ingredients: readonly object[]) =>
      app.put<BakeryView>('ingredients', { ingredients, version: added.body.ownIngredientsVersion });
    const { status, body } = await gone([spelt]);
    expect([status, body]).toMatchObject([
      422,
      { code: 'ingredient-in-use', message: expect.stringContaining('Flour of the mill is used in MIL') },
    ]);
    expect((await bakery()).ownIngredients).toHaveLength(2);
    expect((await gone([mill()])).status).toBe(200);
  });
  it('may be mixed from one another, and follow what is corrected', async () => {
    const mix = (id: string, parts: readonly object[]) => ({ ...mill(), id, name: `Mix ${id}`, parts });
    const halves = [
      { ingredientId: 'own-mill-flour', share: 0.5 },
      { ingredientId: 'ground-hazelnuts', share: 0.5 },
    ];
    const put = async (flour: object, parts: readonly object[] = halves) => {
      const { ownIngredientsVersion: version } = await bakery();
      return app.put<BakeryView>('ingredients', { ingredients: [mix('own-mix', parts), flour], version });
    };
    const mixed = async () => (await bakery()).ownIngredients.find(({ id }) => id === 'own-mix');
    expect((await put(mill())).status).toBe(200);
    expect(await mixed()).toMatchObject({ allergens: ['gluten', 'wheat', 'nuts'], which: ['hazelnut'] });
    const before = (await mixed())?.analysis.water ?? 0;
    const { analysis } = mill();
    const drier = { ...analysis, water: analysis.water - 0.02, starch: analysis.starch + 0.02 };
    expect((await put({ ...mill(), analysis: drier })).status).toBe(200);
    expect((await mixed())?.analysis.water).toBeCloseTo(before - 0.01, 4);
    for (const [parts, refused, why] of [
      [[{ ingredientId: 'own-mix', share: 1 }], 422, 'made of itself'],
      [[{ ingredientId: '__proto__', share: 1 }], 404, 'not in the ingredient library'],
      [[{ ingredientId: 'salt', share: 0.5 }], 422, 'add up to 50.0 %'],
    ] as const) {
      expect(await put(mill(), parts)).toMatchObject({
        status: refused,
        body: { message: expect.stringContaining(why) },
      });
    }
    expect(await mixed()).toMatchObject({ which: ['hazelnut'] });
    expect((await put(mill())).status).toBe(200);
  });
  it('cannot take the place of the library, and need a source and a density', async () => {
    const { ownIngredientsVersion: version } = await bakery();
    const refused = async (change: object) =>
      (await app.put('ingredients', { ingredients: [{ ...mill(), ...change }], version })).body.message;
    expect(await refused({ id: 'salt' })).toContain('begins with own-');
    expect(await refused({ source: '' })).toContain('where the figures are from');
    expect(await refused({ densityGPerMl: {} })).toContain('a density');
  });
});
