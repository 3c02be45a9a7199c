import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { readLotId, reduceLedger, type Formula, type LotRecord } from '@jokul/core';
import type { AppendView, BakeryView, DayView, JournalView, PlanView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { LotEntity } from '../database/entities.js';
import { rebuildLots } from './lot-rows.js';
import { LotsService } from './lots.service.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
  await app.put('clock', { mode: 'frozen', date: '2026-11-27', time: '04:10' });
}, 60_000);
afterAll(() => app.stop());

const date = '2026-11-27';
const nowMs = Date.parse('2026-11-27T04:10Z');
const day = async () => (await app.get<DayView>(`days/${date}`)).body;
const entry = (kind: string, lot: string, payload: object, atMs = nowMs) => ({
  id: randomUUID(),
  atMs,
  who: 'Mix hand',
  device: 'test',
  lot,
  kind,
  payload,
});
const append = (...entries: object[]) => app.post<AppendView>('journal', { entries });
const lotsNow = async () =>
  reduceLedger((await app.get<JournalView>(`journal?since=${nowMs - 86_400e3}`)).body.entries).lots;
const formula = async (code: string): Promise<Formula> => {
  const found = (await app.get<BakeryView>('bakery')).body.formulas.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return found;
};
/** Saves a formula as its next version, with a change. */
const save = async (code: string, change: (f: Formula) => Partial<Formula>) => {
  const { version, code: _, ...body } = await formula(code);
  const before = await formula(code);
  return app.post(`formulas/${code}/versions`, { ...body, ...change(before), baseVersion: version });
};

describe('the names of lots', () => {
  it('of the demo all carry year, number and a check character, each once', async () => {
    const { plan } = await day();
    const names = plan?.plan.batches.map(({ batchId }) => batchId) ?? [];
    expect(names).toHaveLength(9);
    for (const name of names) expect(readLotId(name)?.year).toBe(2026);
    const all = await app.app.get(DataSource).manager.find(LotEntity);
    const whole = all.map(({ lot }) => readLotId(lot)).filter((name) => name?.part === null);
    expect(new Set(whole.map((name) => name?.number)).size).toBe(whole.length);
    expect(whole.length).toBeGreaterThan(60);
  });

  it('stay with lots that are planned anew, and a lot more gets a number that was never there', async () => {
    const before = (await day()).plan?.plan.batches.map(({ batchId }) => batchId) ?? [];
    const added = await app.post(`days/${date}/orders`, {
      customer: 'Farm shop',
      productCode: 'PNT',
      pieces: 40,
      readyBy: '10:15',
    });
    expect(added.status).toBe(201);
    const { body } = await app.post<PlanView>(`days/${date}/plan`, {});
    const after = body.plan.batches.map(({ batchId }) => batchId);
    expect(after.filter((id) => !before.includes(id)).length).toBe(after.length - before.length);
    const known = new Set((await app.app.get(DataSource).manager.find(LotEntity)).map(({ lot }) => lot));
    for (const id of after) expect(known.has(id)).toBe(true);
  }, 60_000);

  it('of the same product on the same date of two years stand apart', async () => {
    const lots = app.app.get(LotsService);
    const [now] = await lots.name(['GNG'], '2026-12-24');
    const [then] = await lots.name(['GNG'], '2027-12-24');
    expect(now).not.toBe(then);
    expect([readLotId(now ?? '')?.year, readLotId(then ?? '')?.year]).toEqual([2026, 2027]);
  });

  it('are handed out once to many who ask at the same time', async () => {
    const lots = app.app.get(LotsService);
    const asked = await Promise.all(
      Array.from({ length: 12 }, () => lots.name(['RYE', 'LEM'], '2031-05-05')),
    );
    const numbers = asked.flat().map((id) => readLotId(id)?.number ?? 0);
    expect([...numbers].sort((a, b) => a - b)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
  });

  it.each([
    ['whole', (name: string) => `${name.slice(0, -1)}${name.endsWith('A') ? 'B' : 'A'}`],
    ['part', (name: string) => `${name}.10B`],
  ])('of a %s, mistyped, are refused with a sentence, and nothing is stored', async (_, mistype) => {
    const names = (await day()).plan?.plan.batches.map(({ batchId }) => batchId) ?? [];
    const wrong = mistype(names.find((name) => readLotId(name)?.part === null) ?? '');
    const { status, body } = await app.post('journal', { entries: [entry('note', wrong, { text: 'x' })] });
    expect([status, body.code]).toEqual([422, 'bad-lot']);
    expect(body.message).toContain('Read it off the tub again');
  });
});

describe('what a lot is', () => {
  const batchOf = async (code: string) => {
    const found = (await day()).plan?.plan.batches.find((b) => b.productCode === code);
    if (!found) throw new Error(code);
    return found;
  };

  it('is pinned when somebody begins it, even by a program that pins nothing', async () => {
    const { batchId, massG } = await batchOf('CLM');
    const known = (await lotsNow()).get(batchId);
    // It may have been begun by the demo's crew already.
    if (!known?.begun) {
      await append(
        entry('weighed', batchId, { key: 'cream/butter', massG: 800, targetG: 800, scaleId: 'bench' }),
      );
    }
    const begun = (await lotsNow()).get(batchId)?.begun;
    expect(begun).toMatchObject({
      productCode: 'CLM',
      massG,
      day: date,
      formula: { code: 'CLM', version: 1 },
    });
    expect(begun?.allergens).toContain('milk');
    expect(begun?.sheet.length).toBeGreaterThan(5);
    const entries = (await app.get<JournalView>(`journal?since=${nowMs - 86_400e3}`)).body.entries;
    const own = entries.filter(({ lot, kind }) => lot === batchId && kind !== 'prepared');
    expect(own[0]?.kind).toBe('begun');
  });

  it('stays when the formula changes: allergens, window, minutes, target; what is planned follows', async () => {
    const { batchId } = await batchOf('GNG');
    const before = (await lotsNow()).get(batchId)?.begun as LotRecord;
    expect(before.allergens).not.toContain('sesame');
    const saved = await save('GNG', (f) => ({
      rest: { ...f.rest, maxS: f.rest.maxS + 3600 },
      bake: { ...f.bake, target: 'chewy', trayRestS: 999 },
      stages: f.stages.map((stage, i) =>
        i === 0 ? { ...stage, lines: [...stage.lines, { ingredientId: 'tahini', percent: 2 }] } : stage,
      ),
    }));
    expect(saved.status).toBe(201);
    const { body: plan } = await app.post<PlanView>(`days/${date}/plan`, {});
    const after = (await lotsNow()).get(batchId)?.begun;
    expect(after?.allergens).toEqual(before.allergens);
    expect(after?.formula.rest).toEqual(before.formula.rest);
    expect(after?.formula.bake).toEqual(before.formula.bake);
    expect(plan.batchFormula[batchId]).toBe(1);
    // The forecast of the dough that exists is its own; the one of the product is of the new version.
    expect(plan.batchForecasts[batchId]?.formulaVersion).toBe(1);
    expect(plan.forecasts.GNG?.formulaVersion).toBe(2);
    const pull = (f: { bakes: readonly { bake: { pull: { value: number } | null } }[] } | undefined) =>
      f?.bakes[0]?.bake.pull?.value ?? 0;
    expect(Math.abs(pull(plan.batchForecasts[batchId]) - pull(plan.forecasts.GNG))).toBeGreaterThan(20);
    const load = plan.plan.batches.find((b) => b.batchId === batchId)?.loads[0];
    const own = plan.batchForecasts[batchId]?.bakes.find(({ ovenIds }) =>
      ovenIds.includes(load?.ovenId ?? ''),
    );
    expect(load?.pullS).toBe(Math.round(own?.bake.pull?.value ?? 0));
  }, 60_000);

  it('is pinned once: a later record changes nothing', async () => {
    const { batchId } = await batchOf('GNG');
    const begun = (await lotsNow()).get(batchId)?.begun;
    const { atMs, who, entryId, ...record } = begun ?? ({} as never);
    expect([typeof atMs, typeof who, typeof entryId]).toEqual(['number', 'string', 'string']);
    await append(entry('begun', batchId, { ...(record as LotRecord), allergens: ['fish'] }));
    expect((await lotsNow()).get(batchId)?.begun?.allergens).toEqual(begun?.allergens);
  });
});

describe('the table of lots', () => {
  const rows = async () =>
    (await app.app.get(DataSource).manager.find(LotEntity, { order: { lot: 'ASC' } })).filter(
      ({ firstMs }) => firstMs !== null,
    );
  const restIn = (lot: string, atMs = nowMs) =>
    entry(
      'rest-in',
      lot,
      { placeId: 'walk-in', form: 'tub', cover: 'covered', startC: 22, massG: 6000, pieces: 0 },
      atMs,
    );

  it('follows entries, strikes and parts as if it were made anew from all entries', async () => {
    const first = restIn('TABLE-1');
    const mixed = entry('mixed', 'TABLE-2', { doughC: 22, massG: 100, missing: [] }, nowMs - 5000);
    await append(first, restIn('TABLE-1', nowMs + 1000), mixed);
    await append(entry('struck', 'TABLE-2', { entryId: mixed.id, reason: 'wrong lot' }));
    await append(
      entry('note', 'Table-1', { text: 'another name' }),
      entry('note', 'TABLE-1 ', { text: 'and another' }),
      entry('discarded', 'TABLE-1', { massG: 6000, pieces: 0, reason: 'warm for a night' }, nowMs + 2000),
    );
    const kept = await rows();
    const of = (lot: string) => kept.find((row) => row.lot === lot);
    expect(of('TABLE-1')).toMatchObject({ inside: false, worked: true, lastMs: nowMs + 2000 });
    expect(of('TABLE-2')).toMatchObject({ worked: false });
    expect(of('Table-1')).toMatchObject({ worked: false });
    expect(of('TABLE-1 ')).toBeDefined();
    await rebuildLots(app.app.get(DataSource).manager);
    expect(await rows()).toEqual(kept);
  });

  it('a lot that was only struck is not begun: it is planned anew', async () => {
    const lots = app.app.get(LotsService);
    const [name = ''] = await lots.name(['LEM'], date);
    const weighed = entry('weighed', name, { key: 'dry/salt', massG: 9, targetG: 9, scaleId: 'pocket' });
    await append(weighed);
    expect(await lots.begun([name])).toEqual(new Set([name]));
    await append(entry('struck', name, { entryId: weighed.id, reason: 'wrong lot' }));
    expect(await lots.begun([name])).toEqual(new Set());
  });
});

describe('names that people give', () => {
  it.each(['constructor', 'toString', '__proto__', 'hasOwnProperty'])(
    'a note on a lot named %s is stored, and every page still loads',
    async (name) => {
      const { status } = await append(
        entry('note', name, { text: 'hello' }),
        entry('loaded', name, {
          loadId: name,
          trayIds: [name],
          ovenId: 'port',
          setC: 170,
          pullS: 600,
          trayRestS: 60,
          pieces: [10],
        }),
      );
      expect(status).toBe(201);
      const { body } = await app.get<JournalView>(`journal?since=${nowMs - 86_400e3}`);
      const { lots, trays } = reduceLedger(body.entries);
      expect(lots.get(name)?.notes[0]?.text).toBe('hello');
      expect(trays.get(name)?.pieces).toBe(10);
      for (const path of ['bakery', `days/${date}`, `days/${date}/calibration`, 'probes', 'journal/verify'])
        expect([path, (await app.get(path)).status]).toEqual([path, 200]);
    },
    60_000,
  );
});
