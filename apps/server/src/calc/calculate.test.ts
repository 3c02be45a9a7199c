import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { demoFormulas, formulaToJson } from '@jokul/core';
import { formulaSchema, planSchema } from '@jokul/contracts';
import { calculate, readyFor } from './calculate.js';

beforeAll(() => readyFor('plan'));

const scale = {
  formula: {
    ingredients: [
      { id: 'wheat-flour', bakersPercent: 100, stage: 'dry' },
      { id: 'butter', bakersPercent: 60, stage: 'cream' },
      { id: 'white-sugar', bakersPercent: 39, stage: 'cream' },
      { id: 'salt', bakersPercent: 1, stage: 'dry' },
    ],
  },
  lines: [{ pieces: 100, pieceMassG: 30 }],
  losses: { bowlShare: 0, portionShare: 0, testPieces: 0 },
  mixers: [{ id: 'm', minMassG: 1000, maxMassG: 2000 }],
  scales: [
    { id: 'bench', maxMassG: 15_000, resolutionG: 1 },
    { id: 'fine', maxMassG: 200, resolutionG: 0.01 },
  ],
};
const cold = {
  body: { kind: 'sphere', massG: 35 },
  startC: 22,
  steps: [{ airC: 4, hWPerM2K: 12, durationS: 7200 }],
  until: { where: 'core', temperatureC: 7 },
};
const bake = {
  piece: { massG: 35, shape: 'ball', startC: 7 },
  tray: { material: 'bright-aluminium', liner: 'parchment' },
  oven: { setC: 177, fan: false },
  rest: { trayS: 240, airC: 24 },
  target: 'soft-centre',
};

describe('calc', () => {
  it('convert: two cups of sugar', () => {
    expect(calculate('convert', { amount: 2, unit: 'cup', ingredient: 'white-sugar' })).toMatchObject({
      massG: expect.closeTo(399.8, 0),
      densityGPerMl: 0.845,
    });
  });

  it('scale: a line of 0 % weighs nothing, and nothing else changes', () => {
    const without = calculate('scale', scale) as { batches: { massG: number; ingredients: object[] }[] };
    const { ingredients } = scale.formula;
    const formula = {
      ingredients: [...ingredients, { id: 'dark-chocolate', bakersPercent: 0, stage: 'chips' }],
    };
    const result = calculate('scale', { ...scale, formula }) as typeof without;
    expect(result.batches.map(({ massG }) => massG)).toEqual(without.batches.map(({ massG }) => massG));
    expect(result.batches[0]?.ingredients.at(-1)).toMatchObject({ massG: 0, roundedG: 0 });
  });
  it.each<[string, string, object]>([
    [
      'a percent below nothing',
      'formula.ingredients.0.bakersPercent',
      {
        formula: { ingredients: [{ id: 'salt', bakersPercent: -1, stage: 'a' }] },
      },
    ],
    [
      'nothing but noughts',
      'formula.ingredients',
      {
        formula: { ingredients: [{ id: 'salt', bakersPercent: 0, stage: 'a' }] },
      },
    ],
    ['a scale of no step', 'scales.0.resolutionG', { scales: [{ id: 's', maxMassG: 6000, resolutionG: 0 }] }],
    [
      'a scale of a step below nothing',
      'scales.0.resolutionG',
      {
        scales: [{ id: 's', maxMassG: 6000, resolutionG: -1 }],
      },
    ],
    [
      'a scale that holds nothing',
      'scales.0.maxMassG',
      { scales: [{ id: 's', maxMassG: 0, resolutionG: 1 }] },
    ],
    [
      'a mixer from more to less',
      'mixers.0.minMassG',
      { mixers: [{ id: 'm', minMassG: 30_000, maxMassG: 20_000 }] },
    ],
    ['a mixer of nothing', 'mixers.0.maxMassG', { mixers: [{ id: 'm', minMassG: 0, maxMassG: 0 }] }],
    ['half a piece', 'lines.0.pieces', { lines: [{ pieces: 2.5, pieceMassG: 60 }] }],
    [
      'half a test piece',
      'losses.testPieces',
      { losses: { bowlShare: 0, portionShare: 0, testPieces: 0.5 } },
    ],
  ])('scale: %s is refused, with where it is', (_, path, change) => {
    expect(() => calculate('scale', { ...scale, ...change })).toThrow(expect.objectContaining({ path }));
  });
  it('scale: 3 kg in two batches of 1.5 kg, hand-worked', () => {
    const result = calculate('scale', scale) as {
      doughMassG: number;
      batches: { massG: number; ingredients: { id: string; roundedG: number; scaleId: string }[] }[];
    };
    expect(result.doughMassG).toBe(3000);
    expect(result.batches.map((b) => b.massG)).toEqual([1500, 1500]);
    expect(result.batches[0]?.ingredients).toMatchObject([
      { id: 'wheat-flour', roundedG: 750, scaleId: 'bench' },
      { id: 'salt', roundedG: 7.5, scaleId: 'fine' },
      { id: 'butter', roundedG: 450, scaleId: 'bench' },
      { id: 'white-sugar', roundedG: 293, scaleId: 'bench' },
    ]);
  });

  it('cold: a ball in the walk-in, and constant properties for checking', () => {
    expect(calculate('cold', cold)).toMatchObject({ reachedS: expect.closeTo(63 * 60, -2) });
    const properties = { conductivityWPerMK: 0.25, specificHeatJPerKgK: 2500, densityKgPerM3: 1200 };
    const result = calculate('cold', {
      ...cold,
      properties,
      body: { kind: 'slab', thicknessMm: 40, exposedFaces: 1 },
    }) as { coreC: number[]; iceFraction: number[] };
    expect(result.coreC[0]).toBe(22);
    expect(result.iceFraction.every((x) => x === 0)).toBe(true);
  });

  it('bake: the pull for a soft centre, from nothing but the typical dough', () => {
    const result = calculate('bake', bake) as {
      pullS: number;
      windows: unknown[];
      curves: { timesS: number[]; centreC: number[] };
    };
    expect(result.pullS / 60).toBeGreaterThan(10.5);
    expect(result.pullS / 60).toBeLessThan(13.5);
    expect(result.windows).toHaveLength(5);
    expect(result.curves.centreC).toHaveLength(result.curves.timesS.length);
  });

  it('bake: an oven that is known to be hot pulls earlier, one that cannot be is refused', () => {
    const hot = (calibration: object) =>
      calculate('bake', { ...bake, oven: { ...bake.oven, calibration } }) as { pullS: number };
    expect(hot({ offsetK: 12 }).pullS).toBeLessThan(hot({}).pullS - 20);
    expect(() => hot({ offsetK: 90 })).toThrow('The offset of the oven is 90');
    expect(() => hot({ hFactor: 0 })).toThrow('The factor hFactor is 0');
  });

  it('cold: a puck as a disc', () => {
    const result = calculate('cold', { ...cold, body: { kind: 'disc', diameterMm: 55, heightMm: 20 } }) as {
      coreC: number[];
    };
    expect(result.coreC.at(-1)).toBeLessThan(result.coreC[0] ?? 0);
  });

  it('bake: a formula and a given pull', () => {
    const { target: _, ...rest } = bake;
    expect(calculate('bake', { ...rest, formula: scale.formula, pullS: 600 })).toMatchObject({ pullS: 600 });
  });

  it('tray: the best layout', () => {
    expect(
      calculate('tray', {
        tray: { lengthMm: 600, widthMm: 400 },
        diameterMm: 79,
        gapMm: 20,
        marginMm: 10,
        pattern: 'best',
      }),
    ).toMatchObject({ count: 24, pattern: 'rows' });
  });
  it('tray: several sizes, open sides, bars that touch', () => {
    const tray = { lengthMm: 600, widthMm: 400, openSides: ['left', 'right'] };
    expect(
      calculate('tray', {
        tray,
        sizes: [{ diameterMm: 100, pieces: 6 }, { diameterMm: 50 }],
        gapMm: 10,
        marginMm: 10,
      }),
    ).toMatchObject({ pattern: 'mixed', sizes: [{ left: 0 }, { left: 0 }] });
    expect(
      calculate('tray', { tray, bar: { lengthMm: 100, widthMm: 50 }, touching: true, marginMm: 0 }),
    ).toMatchObject({ count: 48, pattern: 'bars' });
    const wide = { diameterMm: 82, gapMm: 10, marginMm: 30, pattern: 'rows' };
    const few = calculate('tray', { tray: { lengthMm: 600, widthMm: 400 }, ...wide }) as { count: number };
    expect((calculate('tray', { tray, ...wide }) as { count: number }).count).toBeGreaterThan(few.count);
  });
  it.each([
    [{ marginMm: 5, gapMm: 5 }, 'Say one of the three'],
    [{ marginMm: 5, gapMm: 5, diameterMm: 50, sizes: [{ diameterMm: 40 }] }, 'Say one of the three'],
    [{ marginMm: 5, diameterMm: 50 }, 'Say the gap'],
    [{ marginMm: 5, gapMm: 5, sizes: [] }, 'sizes'],
    [{ marginMm: 5, gapMm: 5, sizes: [{ diameterMm: 50, pieces: -1 }] }, 'pieces'],
  ])('tray: %j is refused', (change, sentence) =>
    expect(() => calculate('tray', { tray: { lengthMm: 600, widthMm: 400 }, ...change })).toThrow(sentence),
  );

  it('scale: no order is short for the pieces that batches cut in two', () => {
    const losses = { bowlShare: 0.013, portionShare: 0.007, testPieces: 3 };
    for (let pieces = 300; pieces < 340; pieces++) {
      const { batches } = calculate('scale', {
        ...scale,
        losses,
        lines: [{ pieces, pieceMassG: 31.7 }],
        mixers: [
          { id: 'a', minMassG: 1000, maxMassG: 3500 },
          { id: 'b', minMassG: 1000, maxMassG: 3500 },
        ],
      }) as { batches: { massG: number }[] };
      const counted = batches.map(({ massG }) => Math.floor((massG * (1 - 0.013) * (1 - 0.007)) / 31.7));
      expect(counted.reduce((sum, n) => sum + n, 0)).toBe(pieces + 3);
    }
  });

  it('bake: a raw centre is under, by the limit of the house', () => {
    const big = {
      ...bake,
      piece: { massG: 150, shape: 'ball', startC: -18 },
      oven: { setC: 230, fan: false },
    };
    const under = (rules?: object) => {
      const { windows } = calculate('bake', { ...big, ...(rules && { rules }) }) as {
        windows: { state: string; toS: number }[];
      };
      return windows.find(({ state }) => state === 'under')?.toS ?? Number.NaN;
    };
    expect(under({ centreC: 80 })).toBeGreaterThan(under());
    // A lower one asks for no less than what it takes to set the centre.
    expect(under({ centreC: 60 })).toBeLessThanOrEqual(under());
    expect(() => under({ centreC: 300 })).toThrow('limit of the centre');
    expect(calculate('bake', { ...big, target: undefined, pullS: 600 })).toMatchObject({
      warnings: expect.arrayContaining([expect.objectContaining({ code: 'raw-centre' })]),
    });
  });

  it('weigh-check: says no more than the sample proves', () => {
    const readings = [30.1, 29.8, 30.3, 29.9, 30.2];
    const answer = calculate('weigh-check', {
      nominalG: 30,
      toleranceG: 3,
      readingsG: readings,
      batchPieces: 200,
    });
    expect(answer).toMatchObject({ beyondTolerance: 0, beyondTwice: 0 });
    expect(answer).toHaveProperty('meanRangeG');
    expect(
      calculate('weigh-check', {
        nominalG: 30,
        toleranceG: 1,
        readingsG: [26, 26.1, 25.9, 26, 26, 26.1, 25.9, 26, 26, 26],
        batchPieces: 200,
      }),
    ).toMatchObject({ verdict: 'light', passes: false, beyondTwice: 10 });
  });

  it('read: a metric sheet with decimal commas and two sections', () => {
    const answer = calculate('read', {
      text: 'Dough\n0,250 kg butter\n300 g flour\nFor the glaze: 200 g icing sugar\nButter 250',
      decimal: 'comma',
    }) as { lines: { ingredient?: string; massG?: number; use: string; state: string; question?: string }[] };
    expect(answer.lines.find(({ ingredient }) => ingredient === 'butter')).toMatchObject({
      massG: 250,
      use: 'dough',
      state: 'read',
    });
    expect(answer.lines.find(({ massG }) => massG === 200)).toMatchObject({ use: 'icing' });
    expect(answer.lines.at(-1)).toMatchObject({ state: 'ask' });
  });

  it('several at once: each its own answer, an error in its place', () => {
    const answers = calculate('convert', [
      { amount: 1, unit: 'cup', ingredient: 'white-sugar' },
      { amount: 1, unit: 'cup', ingredient: 'moon-dust' },
      7,
    ]);
    expect(answers).toMatchObject([
      { massG: expect.any(Number) },
      { error: { code: expect.any(String), message: expect.any(String) } },
      { error: { code: 'bad-request' } },
    ]);
    expect(calculate('convert', [])).toEqual([]);
    expect(() =>
      calculate(
        'convert',
        Array.from({ length: 1001 }, () => ({})),
      ),
    ).toThrow('At most');
    expect(() => calculate('nonsense', [{}])).toThrow('There is no calculation');
  });

  describe('calibrate', () => {
    const at = (id: string, setC: number, pullS: number, measured: object) => ({
      piece: bake.piece,
      tray: bake.tray,
      oven: { id, setC, fan: false },
      pullS,
      measured,
    });
    const ask = {
      piece: bake.piece,
      tray: bake.tray,
      oven: { id: 'one', setC: 177, fan: false },
      target: 'chewy',
    };
    /** What an oven that is so much hotter than it says makes of the usual piece. */
    const seenAt = (offsetK: number, pullS: number) => {
      const { atPull } = calculate('bake', {
        ...bake,
        target: undefined,
        pullS,
        oven: { ...bake.oven, calibration: { offsetK } },
      }) as { atPull: { centreC: number } };
      return atPull.centreC;
    };

    it('finds an oven that is hotter than it says, and pulls earlier in it', () => {
      const bakes = [600, 660, 720].map((pullS) => at('one', 177, pullS, { coreC: seenAt(12, pullS) }));
      const { ovens, pulls } = calculate('calibrate', { bakes, ask: [ask] }) as {
        ovens: { id: string; offsetK: number; hFactor: number; sdK: number }[];
        pulls: { pullS: number; rangeS: [number, number] }[];
      };
      const plain = calculate('bake', { ...bake, target: 'chewy' }) as { pullS: number };
      expect(ovens).toHaveLength(1);
      expect((ovens[0]?.offsetK ?? 0) + 20 * Math.log(ovens[0]?.hFactor ?? 1)).toBeGreaterThan(2);
      expect(pulls[0]?.pullS).toBeLessThan(plain.pullS);
      expect(pulls[0]?.rangeS[0]).toBeLessThan(pulls[0]?.pullS ?? 0);
      expect(pulls[0]?.rangeS[1]).toBeGreaterThan(pulls[0]?.pullS ?? 0);
    });
    it('leaves an oven alone of which nothing was measured', () => {
      const bakes = [at('one', 177, 660, { coreC: 95, diameterMm: 80 })];
      const { ovens } = calculate('calibrate', {
        bakes,
        ask: [{ ...ask, oven: { ...ask.oven, id: 'two' } }],
      }) as {
        ovens: { id: string; offsetK: number; sdK: number }[];
      };
      expect(ovens[1]).toMatchObject({ id: 'two', offsetK: 0, hFactor: 1 });
    });
    it.each([
      [{ bakes: [], ask: [] }, 'bakes'],
      [{ bakes: [at('one', 177, 660, {})], ask: [] }, 'bakes.0.measured'],
      [{ bakes: [at('one', 177, 660, { coreC: 400 })], ask: [] }, 'bakes.0.measured.coreC'],
      [{ bakes: [at('one', 177, 660, { coreC: null })], ask: [] }, 'bakes.0.measured'],
      [{ bakes: [at('one', 177, 660, { colour: -5 })], ask: [] }, 'bakes.0.measured.colour'],
      [{ bakes: [at('one', 177, 660, { colour: { edge: 900 } })], ask: [] }, 'bakes.0.measured.colour'],
      [{ bakes: [at('one', 900, 660, { coreC: 90 })], ask: [] }, 'bakes.0'],
      [{ bakes: [at('one', 177, 660, { coreC: 90 })], ask: [{ ...ask, target: 'burnt' }] }, 'ask.0.target'],
    ])('%# is refused at its place', (question, path) => {
      let refused: unknown;
      try {
        calculate('calibrate', question);
      } catch (error) {
        refused = error;
      }
      expect(refused).toMatchObject({ path: expect.stringContaining(path) });
    });
  });

  it('plan: an empty day', () => {
    const problem = {
      nowS: 0,
      products: [],
      resources: [],
      ovens: [],
      ovenHours: [],
      loadGapS: 150,
      fixed: [],
    };
    expect(calculate('plan', problem)).toEqual({
      tasks: [],
      loads: [],
      unplaced: [],
      boundS: 0,
      objective: { undonePieces: 0, cost: 0 },
      bound: { undonePieces: 0, cost: 0 },
    });
  });

  it.each<[string, unknown, string, string]>([
    [
      'convert',
      { amount: 1, unit: 'cup', ingredient: 'butter', more: 1 },
      '"more" is not known here.',
      'more',
    ],
    ['convert', { unit: 'cup', ingredient: 'butter' }, 'amount must be a number', 'amount'],
    ['convert', { amount: 0, unit: 'cup', ingredient: 'butter' }, 'must be above 0', 'amount'],
    ['convert', null, 'one JSON object', ''],
    [
      'scale',
      { ...scale, lines: [{ pieces: 0, pieceMassG: 30 }] },
      'The number of pieces is 0',
      'lines.0.pieces',
    ],
    ['scale', { ...scale, mixers: [] }, 'No mixer can take this dough', 'mixers'],
    [
      'scale',
      { ...scale, formula: { ingredients: [{ id: 'x', bakersPercent: 1 }] } },
      'stage must be a string',
      'formula.ingredients.0.stage',
    ],
    ['cold', { ...cold, body: { kind: 'cube' } }, 'kind must be one of', 'body.kind'],
    [
      'cold',
      {
        ...cold,
        composition: { water: 1, fat: 0, protein: 0, carbohydrate: 0, fibre: 0, ash: 0 },
        properties: { conductivityWPerMK: 1, specificHeatJPerKgK: 1, densityKgPerM3: 1 },
      },
      'not both',
      'properties',
    ],
    ['bake', { ...bake, oven: { setC: 500, fan: false } }, 'The oven temperature is 500', 'oven.setC'],
    [
      'bake',
      { ...bake, piece: { massG: 35, shape: 'ball' } },
      'Give the start temperature or a profile',
      'piece.startC',
    ],
    [
      'tray',
      { tray: { lengthMm: 100, widthMm: 100 }, diameterMm: 200, gapMm: 0, marginMm: 0, pattern: 'best' },
      'does not fit on a tray',
      'diameterMm',
    ],
    ['plan', { nowS: 0 }, "must have required property 'products'", ''],
    [
      'plan',
      { nowS: 0, products: [], resources: [], ovens: [{ id: 'o' }], ovenHours: [], loadGapS: 0, fixed: [] },
      "must have required property 'name'",
      '/ovens/0',
    ],
    ['sorcery', {}, 'There is no calculation "sorcery"', 'name'],
  ])('%s refuses %j', (name, input, sentence, path) => {
    try {
      calculate(name, input);
    } catch (error) {
      expect(error).toMatchObject({ path });
      expect((error as Error).message).toContain(sentence);
      return;
    }
    throw new Error('it was not refused');
  });

  it('null is as left out, wherever something may be left out', () => {
    const asked = {
      piece: { massG: 35, shape: 'ball' },
      tray: { material: 'bright-aluminium', liner: 'parchment' },
      oven: { setC: 177, fan: false },
      rest: { trayS: 300, airC: 24 },
      target: 'chewy',
    };
    // A start is needed, as a figure or as a profile; an oven's own learning is not.
    expect(() => calculate('bake', { ...asked, piece: { ...asked.piece, startC: null } })).toThrow(
      'Give the start temperature or a profile.',
    );
    const whole = { ...asked, piece: { ...asked.piece, startC: 5 } };
    expect(calculate('bake', { ...whole, pullS: null })).toEqual(calculate('bake', whole));
    expect(() => calculate('bake', { ...asked, target: '\ud800' })).toThrow('half a letter');
  });
  it('the published schema of the plan is the one that checks', () => {
    const published = readFileSync(join(import.meta.dirname, '../../../../docs/plan.schema.json'), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(planSchema)));
  });
  it('the published schema of a formula is the one that fits what is given out', () => {
    const published = readFileSync(join(import.meta.dirname, '../../../../docs/formula.schema.json'), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(formulaSchema)));
    const fits = new Ajv2020({ strict: false }).compile(formulaSchema);
    for (const formula of demoFormulas) {
      expect(fits(JSON.parse(formulaToJson(formula)))).toBe(true);
      expect(fits({ ...JSON.parse(formulaToJson(formula)), format: 'other' })).toBe(false);
    }
  });
});
