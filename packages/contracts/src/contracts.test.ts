import 'reflect-metadata';
import { describe, expect, it } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { demoFormulas, entryKinds, lotRecord, type EntryKind, type Formula } from '@jokul/core';
import { FormulaInput } from './formula.js';
import { JournalEntryInput, payloadClasses } from './journal.js';
import { OrderLineInput } from './orders.js';
import { ClockInput, RulesInput } from './setup.js';

const errors = (type: new () => object, value: object): string[] => {
  const deep = (list: ReturnType<typeof validateSync>): string[] =>
    list.flatMap((e) => [...Object.values(e.constraints ?? {}), ...deep(e.children ?? [])]);
  return deep(validateSync(plainToInstance(type, value), { whitelist: true, forbidNonWhitelisted: true }));
};

describe('a line of the bake list', () => {
  const line = { customer: 'Pier kiosk', productCode: 'LEM', pieces: 90, readyBy: '05:40' };
  it('is taken as a form sends it, with numbers as text', () => {
    expect(errors(OrderLineInput, line)).toEqual([]);
    expect(errors(OrderLineInput, { ...line, pieces: '90' })).toEqual([]);
  });
  it.each([
    [{ pieces: '' }, 'At least one piece; take the line off the list to bake none.'],
    [{ pieces: 0 }, 'At least one piece; take the line off the list to bake none.'],
    [{ pieces: 20_001 }, 'That is more than 20,000 pieces; check the figure, or split the line.'],
    [{ readyBy: '5:40' }, 'Ready-by is a time of day such as 05:40.'],
    [{ readyBy: '24:00' }, 'Ready-by is a time of day such as 05:40.'],
    [{ customer: '' }, 'Say who it is for (1 to 80 letters).'],
    [{ productCode: 'lem' }, 'Choose a product.'],
  ])('%j is refused: %s', (change, sentence) =>
    expect(errors(OrderLineInput, { ...line, ...change })).toContain(sentence),
  );
});

describe('payloads of the journal', () => {
  const good: Readonly<Record<EntryKind, object>> = {
    begun: lotRecord(demoFormulas[3] as Formula, {
      massG: 6000,
      pieces: 80,
      day: '2026-11-27',
      mixerId: 'mixer-20qt',
      sheet: [{ key: 'cream/butter', ingredientId: 'butter', targetG: 900, scaleId: 'bench' }],
      parents: [{ lot: 'RYE-26-3-K', massG: 200 }],
      age: { chilledS: 3600, frozenS: 0, outS: 60, stays: 1, byPlace: { 'walk-in': 3600 } },
    }),
    split: { into: 'RYE-26-4-K.2', massG: 2000, pieces: 0 },
    merged: {
      from: 'RYE-26-3-K',
      massG: 200,
      age: { chilledS: 3600, frozenS: 0, outS: 60, stays: 1, byPlace: { 'walk-in': 3600 } },
    },
    discarded: { massG: 100, pieces: 0, reason: 'Fell on the floor.' },
    weighed: {
      key: 'dry/salt',
      massG: 12.3,
      targetG: 12,
      scaleId: 'pocket',
      lotCode: 'S-4',
      decision: 'accept',
      late: true,
    },
    prepared: { what: 'butter-out' },
    browned: { inG: 900, outG: 742 },
    measured: { what: 'browned butter', temperatureC: 38 },
    'stage-done': { stageId: 'cream', durationS: 182 },
    adjusted: { look: 'crumbly', ingredientId: 'whole-milk', massG: 10 },
    mixed: { doughC: 22, massG: 6000, missing: [] },
    portioned: { pieces: 190, scoop: 40, samplesG: [31, 32.5], targetG: 32, remainderG: 12 },
    'rest-in': { placeId: 'walk-in', form: 'pieces', cover: 'open', startC: 22, massG: 6000, pieces: 190 },
    'rest-out': { placeId: 'walk-in' },
    released: {
      why: 'over-window',
      clock: 'out',
      ageS: 90_000,
      limitS: 86_400,
      reason: 'Smelled and looked at; head baker.',
    },
    loaded: {
      loadId: 'L',
      trayIds: ['T1'],
      ovenId: 'port',
      setC: 165,
      pullS: 720,
      trayRestS: 300,
      pieces: [20],
    },
    turned: { loadId: 'L', trayIds: ['T1'] },
    pulled: { loadId: 'L', trayIds: ['T1'] },
    flattened: { loadId: 'L', trayIds: ['T1'] },
    racked: { loadId: 'L', trayIds: ['T1'] },
    iced: { loadId: 'L', trayIds: ['T1'] },
    packed: { loadId: 'L', trayIds: ['T1'] },
    inspected: { trayId: 'T1', diameterMm: 80 },
    note: { text: 'fine' },
    struck: { entryId: '7d9f0c4e-62d9-4c2f-9a0e-0d5c1a4d9b11', reason: 'pressed by mistake' },
  };
  it.each(entryKinds)('%s has a class that takes it', (kind) =>
    expect(errors(payloadClasses[kind], good[kind])).toEqual([]),
  );
  it.each(entryKinds)('%s refuses what it does not know', (kind) =>
    expect(errors(payloadClasses[kind], { ...good[kind], extra: 1 })).toHaveLength(1),
  );
  it.each<[EntryKind, object, string]>([
    ['measured', { temperatureC: 400 }, 'A temperature above 300 °C makes no sense here.'],
    ['measured', { reason: 'x' }, 'The reason needs 3 to 400 letters.'],
    ['weighed', { massG: -1 }, 'A weight cannot be below 0 g.'],
    ['weighed', { massG: 2e6 }, 'That weight is more than a tonne.'],
    ['weighed', { massG: Number.NaN }, 'A weight must be a number of grams.'],
    ['mixed', { doughC: -60 }, 'A temperature below −45 °C makes no sense here.'],
    ['portioned', { samplesG: [32, 0] }, 'each value in samplesG must not be less than 1'],
    ['loaded', { pullS: 5 }, 'pullS must not be less than 60'],
    ['inspected', { colourScore: 400 }, 'colourScore must not be greater than 100'],
    ['portioned', { toppingsG: { salt: -1 } }, 'Each topping needs its grams: a number from 0 to a tonne.'],
    ['portioned', { toppingsG: { salt: '3' } }, 'Each topping needs its grams: a number from 0 to a tonne.'],
    ['discarded', { reason: 'x' }, 'The reason needs 3 to 400 letters.'],
    ['begun', { massG: -1 }, 'A weight cannot be below 0 g.'],
    ['begun', { parents: [{ lot: '', massG: 1 }] }, 'lot must be longer than or equal to 1 characters'],
    ['struck', { reason: '' }, 'Say why it is struck (3 to 400 letters).'],
  ])('%s with %j is refused: %s', (kind, change, sentence) =>
    expect(errors(payloadClasses[kind], { ...good[kind], ...change })).toContain(sentence),
  );
  it('a dough that lay in one place for eight weeks is as old as it is, also where it is split or worked in', () => {
    const eightWeeks = 8 * 7 * 86_400;
    const age = {
      chilledS: 0,
      frozenS: eightWeeks,
      outS: 900,
      stays: 1,
      byPlace: { freezer: eightWeeks },
    };
    expect(errors(payloadClasses.begun, { ...good.begun, age })).toEqual([]);
    expect(errors(payloadClasses.merged, { ...good.merged, age })).toEqual([]);
    const limits = { ...good.released, ageS: eightWeeks, limitS: eightWeeks - 1 };
    expect(errors(payloadClasses.released, limits)).toEqual([]);
    expect(
      errors(payloadClasses.begun, { ...good.begun, age: { ...age, byPlace: { freezer: -1 } } }),
    ).toContain('An age is a number of seconds, at most some years.');
  });
  it('an entry needs a UUID, a time and a kind', () => {
    const entry = {
      id: '7d9f0c4e-62d9-4c2f-9a0e-0d5c1a4d9b11',
      atMs: 1,
      who: 'Oven hand',
      device: 'x',
      lot: 'A',
      kind: 'note',
      payload: {},
    };
    expect(errors(JournalEntryInput, entry)).toEqual([]);
    expect(errors(JournalEntryInput, { ...entry, kind: 'eaten' })).toHaveLength(1);
    expect(errors(JournalEntryInput, { ...entry, atMs: -1 })).toHaveLength(1);
  });
});

describe('settings', () => {
  it('a clock knows three modes', () => {
    for (const mode of ['real', 'running', 'frozen']) expect(errors(ClockInput, { mode })).toEqual([]);
    expect(errors(ClockInput, { mode: 'fast' })).toHaveLength(1);
  });
  it('house rules have ranges, in words', () => {
    const rules = {
      bowlLossShare: 0.9,
      portionLossShare: 0.01,
      testPieces: 4,
      trayMarginMm: 10,
      doughC: 22,
      readyCoreC: 8,
      mixS: 1500,
      portionSPerPiece: 5,
      coolS: 2100,
      packS: 600,
      pieceToleranceShare: 0.05,
      coldLimitC: 5,
      version: 1,
    };
    expect(errors(RulesInput, rules)).toEqual(['A loss is between 0 and 20 %.']);
    expect(errors(RulesInput, { ...rules, bowlLossShare: 0.01 })).toEqual([]);
  });
  it('a formula without stages is refused in words', () => {
    expect(errors(FormulaInput, { name: '', stages: [], toppings: [], baseVersion: 1 })).toEqual(
      expect.arrayContaining(['The formula needs a name.', 'The formula has no stages.']),
    );
  });
});
