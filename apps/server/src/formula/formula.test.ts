import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { demoFormulas, type Formula } from '@jokul/core';
import type { BakeryView, DayView, FormulaVersionView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

const input = (code: string, change: (f: Formula) => Partial<Formula>, baseVersion: number) => {
  const formula = demoFormulas.find((f) => f.code === code);
  if (!formula) throw new Error(`no formula ${code}`);
  const { code: _code, version: _version, ...body } = formula;
  return { ...body, ...change(formula), baseVersion };
};
const percent = (f: Formula, id: string, value: number): Formula['stages'] =>
  f.stages.map((s) => ({
    ...s,
    lines: s.lines.map((l) => (l.ingredientId === id ? { ...l, percent: value } : l)),
  }));

describe('formulas', () => {
  it('an edit makes the next version and leaves the old one as it was', async () => {
    const saved = await app.post<Formula>(
      'formulas/GNG/versions',
      input('GNG', (f) => ({ stages: percent(f, 'butter', 58) }), 1),
    );
    expect(saved.status).toBe(201);
    expect(saved.body.version).toBe(2);
    const { body } = await app.get<FormulaVersionView[]>('formulas/GNG/versions');
    expect(body.map((v) => v.formula.version)).toEqual([2, 1]);
    expect(body[1]?.formula).toEqual(demoFormulas.find((f) => f.code === 'GNG'));
    expect(body[1]?.usedBy).toBe(1);
    expect(body[0]?.usedBy).toBe(0);
  });

  it('the newest one is what the bakery works with, and the plan is stale', async () => {
    const bakery = await app.get<BakeryView>('bakery');
    expect(bakery.body.formulas.find((f) => f.code === 'GNG')?.version).toBe(2);
    expect((await app.get<DayView>('days/2026-11-27')).body.plan?.stale).toBe(true);
  });

  it('an edit of an old version is refused and says which is newer', async () => {
    const { status, body } = await app.post(
      'formulas/GNG/versions',
      input('GNG', () => ({ name: 'Ginger' }), 1),
    );
    expect(status).toBe(409);
    expect(body.message).toContain('Somebody else saved version 2 meanwhile');
  });

  it.each<[string, (f: Formula) => Partial<Formula>, string]>([
    ['a zero amount', (f) => ({ stages: percent(f, 'salt', 0) }), 'An amount must be above 0'],
    [
      'an absurd amount',
      (f) => ({ stages: percent(f, 'salt', 900) }),
      'An amount must be above 0 and at most 500 %',
    ],
    ['no stages', () => ({ stages: [] }), 'no stages'],
    ['no flour', (f) => ({ stages: f.stages.slice(0, 2) }), 'no flour'],
    ['a piece of a kilo', () => ({ piece: { massG: 1000, shape: 'ball' } }), 'at most 200 g'],
    ['a cold oven', (f) => ({ bake: { ...f.bake, setC: 20 } }), '120 °C or more'],
  ])('%s is refused with a sentence', async (_, change, sentence) => {
    const { status, body } = await app.post('formulas/SES/versions', input('SES', change, 1));
    expect([400, 422]).toContain(status);
    expect(body.message).toContain(sentence);
  });

  it('what is made ready is stored, is due before the mixing, and is pressed away', async () => {
    const ready = (f: Formula, ways: readonly string[]) =>
      f.stages.map((s) => ({
        ...s,
        lines: s.lines.map((l) => (l.ingredientId === 'walnuts' ? { ...l, ready: ways } : l)),
      })) as Formula['stages'];
    const coded = demoFormulas.find((f) => JSON.stringify(f).includes('"walnuts"'))?.code ?? '';
    const refused = await app.post(
      `formulas/${coded}/versions`,
      input(coded, (f) => ({ stages: ready(f, ['burnt']) }), 1),
    );
    expect([refused.status, refused.body.message]).toEqual([
      400,
      expect.stringContaining('one of toasted, melted'),
    ]);
    const saved = await app.post<Formula>(
      `formulas/${coded}/versions`,
      input(coded, (f) => ({ stages: ready(f, ['toasted']) }), 1),
    );
    expect(saved.status).toBe(201);
    expect(JSON.stringify(saved.body)).toContain('"ready":["toasted"]');
    // Two days ahead: its dough rests a day, and the nuts need an hour before that.
    const order = { customer: 'Pier kiosk', productCode: coded, pieces: 80, readyBy: '09:00' };
    expect((await app.post('days/2026-11-29/orders', order)).status).toBe(201);
    const planned = await app.post<PlanView>('days/2026-11-29/plan', {});
    expect(planned.status).toBe(201);
    const { plan } = (await app.get<DayView>('days/2026-11-29')).body;
    const toast = plan?.preparations?.find(({ kind }) => kind === 'toast');
    const mix = plan?.plan.batches
      .find(({ batchId }) => batchId === toast?.batchId)
      ?.tasks.find(({ kind }) => kind === 'mix');
    expect(toast).toMatchObject({ productCode: coded, ingredientIds: ['walnuts'] });
    expect((mix?.startS ?? 0) - (toast?.startS ?? 0)).toBeGreaterThanOrEqual(3600);
    const pressed = await app.post('journal', {
      entries: [
        {
          id: randomUUID(),
          atMs: (toast?.startS ?? 0) * 1000,
          who: 'Mix hand',
          device: 'test',
          lot: toast?.batchId,
          kind: 'prepared',
          payload: { what: 'toast' },
        },
      ],
    });
    expect(pressed.status).toBe(201);
  }, 60_000);

  it('an unknown formula is not found', async () => {
    expect((await app.get<{ code: string }>('formulas/XYZ/versions')).body.code).toBe('unknown-formula');
  });
});
