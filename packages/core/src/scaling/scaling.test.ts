import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { amountsFor, ingredientOfKey } from '../formula/index.js';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { doughNeeded, doughPerPiece } from './dough-needed.js';
import { mixerRange, splitBatches } from './split.js';
import { digitsOf, pickScale, roundToScale, weighSheet } from './weigh-sheet.js';

const losses = { bowlShare: 0.01, portionShare: 0.01, testPieces: 4 };
const [small, large] = [
  { id: 'small', minMassG: 3000, maxMassG: 7000 },
  { id: 'large', minMassG: 7000, maxMassG: 15_000 },
];

describe('dough for the bake list', () => {
  it('hand-worked: 196 pieces of 32 g, 4 test pieces, 1 % in the bowl, 1 % at the scoop', () => {
    // (196 × 32 + 4 × 32) / (0.99 × 0.99) = 6400 / 0.9801
    const dough = doughNeeded(
      [
        { pieces: 96, pieceMassG: 32 },
        { pieces: 100, pieceMassG: 32 },
      ],
      losses,
    );
    expect(dough.value).toBeCloseTo(6529.946, 3);
    expect(dough.relation).toBe('M = (P + T) / ((1 − b) × (1 − s))');
    expect(dough.filled).toContain('6272 g + 128 g');
  });

  it('leaves the ordered pieces after the losses', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            pieces: fc.integer({ min: 1, max: 5000 }),
            pieceMassG: fc.double({ min: 5, max: 400, noNaN: true }),
          }),
          { minLength: 1, maxLength: 8 },
        ),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (lines, bowlShare, portionShare) => {
          const { value } = doughNeeded(lines, { bowlShare, portionShare, testPieces: 0 });
          const left = value * (1 - bowlShare) * (1 - portionShare);
          const ordered = lines.reduce((sum, line) => sum + line.pieces * line.pieceMassG, 0);
          expect(left / ordered).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it.each([
    [[], 'no pieces on the bake list'],
    [[{ pieces: 0, pieceMassG: 32 }], 'The number of pieces is 0'],
    [[{ pieces: -3, pieceMassG: 32 }], 'The number of pieces is -3'],
    [[{ pieces: 1e7, pieceMassG: 32 }], 'The number of pieces is 10000000'],
    [[{ pieces: 10, pieceMassG: 2 }], 'The piece weight is 2'],
    [[{ pieces: 10, pieceMassG: Number.NaN }], 'The piece weight is missing'],
  ])('%j is refused', (lines, sentence) => expect(() => doughNeeded(lines, losses)).toThrow(sentence));

  it('a loss of half the dough is refused', () => {
    expect(() => doughNeeded([{ pieces: 1, pieceMassG: 30 }], { ...losses, bowlShare: 0.5 })).toThrow(
      'The loss in the bowl',
    );
  });
});

describe('splitting over the mixers', () => {
  it.each([
    [5000, ['small 5000']],
    [9000, ['large 9000']],
    [22_000, ['large 11000', 'large 11000']],
    [3000, ['small 3000']],
  ])('%d g: %j', (massG, batches) => {
    const [best] = splitBatches(massG, [small, large]);
    expect(best?.batches.map((b) => `${b.mixerId} ${Math.round(b.massG)}`)).toEqual(batches);
    expect(best?.even).toBe(true);
  });

  it('goes uneven where even batches fit no bowl', () => {
    const [best] = splitBatches(8200, [
      { id: 'a', minMassG: 1000, maxMassG: 3000 },
      { id: 'b', minMassG: 5000, maxMassG: 6000 },
    ]);
    expect(best?.even).toBe(false);
    expect(best?.batches.map((b) => b.mixerId)).toEqual(['a', 'b']);
    expect(best?.reason).toContain('uneven');
  });

  it.each([
    ['two of the same bowl share two batches', 11_000, ['a', 'b']],
    ['and take turns at five', 27_500, ['a', 'b', 'a', 'b', 'a']],
  ])('%s', (_, massG, ids) => {
    const twins = ['a', 'b'].map((id) => ({ id, minMassG: 2000, maxMassG: 6000 }));
    const [best] = splitBatches(massG, twins);
    expect(best?.batches.map(({ mixerId }) => mixerId)).toEqual(ids);
  });

  it('fills a small bowl many times where the large one takes no part of it', () => {
    const bowls = [
      { id: 'table', minMassG: 500, maxMassG: 1000 },
      { id: 'spiral', minMassG: 12_000, maxMassG: 30_000 },
    ];
    for (const massG of [4500, 9300, 11_500, 45_300]) {
      const [best] = splitBatches(massG, bowls);
      expect(best?.batches.reduce((sum, batch) => sum + batch.massG, 0)).toBeCloseTo(massG, 6);
    }
    expect(splitBatches(9300, bowls)[0]?.batches).toHaveLength(10);
    expect(splitBatches(9300, bowls, 31)[0]?.batches).toHaveLength(10);
  });

  it('bowls of several sizes go together beyond six batches too', () => {
    // Eight of the large one leave 700 g: too little for another of it, enough for the small one.
    const bowls = [
      { id: 'hand', minMassG: 500, maxMassG: 1500 },
      { id: 'big', minMassG: 9900, maxMassG: 10_000 },
    ];
    const [best] = splitBatches(80_700, bowls);
    expect(best?.batches.filter(({ mixerId }) => mixerId === 'big')).toHaveLength(8);
    expect(best?.batches.filter(({ mixerId }) => mixerId === 'hand')).toHaveLength(1);
    expect(splitBatches(300_900, bowls)[0]?.batches).toHaveLength(31);
  });

  it.each([6, 30, 400])('%d different mixers are not tried in every mixture', (count) => {
    const many = Array.from({ length: count }, (_, i) => ({
      id: `m${i}`,
      minMassG: 400 + i,
      maxMassG: 1000 + i,
    }));
    const [best] = splitBatches(40_000, many);
    expect(best?.batches.reduce((sum, b) => sum + b.massG, 0)).toBeCloseTo(40_000, 6);
    expect(best?.batches.length).toBe(Math.ceil(40_000 / (999 + count)));
  });

  it('no order is short for the pieces that batches cut in two', () => {
    const bowls = fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('a', 'b', 'c'),
        minMassG: fc.double({ min: 500, max: 4000, noNaN: true }),
        maxMassG: fc.double({ min: 4500, max: 15_000, noNaN: true }),
      }),
      { minLength: 1, maxLength: 3, selector: ({ id }) => id },
    );
    fc.assert(
      fc.property(
        bowls,
        fc.integer({ min: 20, max: 4000 }),
        fc.double({ min: 8, max: 160, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.integer({ min: 0, max: 12 }),
        (mixers, pieces, pieceMassG, share, testPieces) => {
          const own = { bowlShare: share, portionShare: share / 2, testPieces };
          const lines = [{ pieces, pieceMassG }];
          let splits;
          try {
            splits = splitBatches(doughNeeded(lines, own).value, mixers, doughPerPiece(lines, own));
          } catch {
            return;
          }
          for (const { batches } of splits) {
            const counted = batches.map(({ massG }) =>
              Math.floor((massG * (1 - own.bowlShare) * (1 - own.portionShare)) / pieceMassG),
            );
            expect(counted.reduce((sum, n) => sum + n, 0)).toBe(pieces + testPieces);
          }
        },
      ),
      { numRuns: 400 },
    );
  });

  it('every alternative conserves the mass and stays in its ranges', () => {
    const range = fc
      .record({
        id: fc.constantFrom('a', 'b', 'c'),
        minMassG: fc.double({ min: 500, max: 5000, noNaN: true }),
        span: fc.double({ min: 500, max: 9000, noNaN: true }),
      })
      .map(({ id, minMassG, span }) => ({ id, minMassG, maxMassG: minMassG + span }));
    fc.assert(
      fc.property(
        fc.double({ min: 500, max: 60_000, noNaN: true }),
        fc.uniqueArray(range, { minLength: 1, maxLength: 3, selector: (r) => r.id }),
        (massG, ranges) => {
          let splits;
          try {
            splits = splitBatches(massG, ranges);
          } catch {
            return;
          }
          for (const { batches } of splits) {
            expect(batches.reduce((sum, b) => sum + b.massG, 0) / massG).toBeCloseTo(1, 9);
            for (const batch of batches) {
              const own = ranges.find((r) => r.id === batch.mixerId);
              expect(batch.massG).toBeGreaterThanOrEqual((own?.minMassG ?? 0) - 1e-6);
              expect(batch.massG).toBeLessThanOrEqual((own?.maxMassG ?? 0) + 1e-6);
            }
          }
          const counts = splits.map((s) => s.batches.length);
          expect(counts[0]).toBe(Math.min(...counts));
        },
      ),
    );
  });

  it.each([
    [1000, 'too little for any mixer'],
    [950_000, '64 batches; that is no one day'],
  ])('%d g cannot be mixed, and says so', (massG, sentence) => {
    expect(() => splitBatches(massG, [small, large])).toThrow(new RegExp(sentence));
  });

  it('a mass between the ranges is named as such', () => {
    expect(() =>
      splitBatches(8200, [
        { id: 'a', minMassG: 6600, maxMassG: 7000 },
        { id: 'b', minMassG: 14_000, maxMassG: 15_000 },
      ]),
    ).toThrow('falls between the working ranges');
  });

  it('without a mixer says where to add one', () => {
    expect(() => splitBatches(5000, [])).toThrow('add one in Setup');
  });

  it('the working range is the tighter of bowl and motor', () => {
    const [planetary] = demoEquipment.mixers;
    if (!planetary) throw new Error('no mixer');
    const range = mixerRange(planetary, 1.2);
    expect(range.minMassG).toBeCloseTo(0.15 * 19_000 * 1.2, 6);
    expect(range.maxMassG).toBe(7000);
    expect(mixerRange(planetary, 0.4).maxMassG).toBeCloseTo(0.7 * 19_000 * 0.4, 6);
  });
});

describe('the scale for an amount', () => {
  it.each([
    [2000, 0.01, 'bench'],
    [200, 0.01, 'counter'],
    [60, 0.01, 'counter'],
    [20, 0.005, 'pocket'],
    [1.2, 0.005, 'pocket'],
    [14_000, 0.01, 'bench'],
    [40_000, 0.01, 'bench'],
  ])('%d g within %d: %s', (massG, tolerance, id) =>
    expect(pickScale(massG, tolerance, demoEquipment.scales).id).toBe(id),
  );
});

describe('a scale that is right to less than it shows', () => {
  const off = { id: 'off', maxMassG: 3000, resolutionG: 0.5, toleranceG: 8 };
  const coarse = { id: 'coarse', maxMassG: 15_000, resolutionG: 5 };
  it('is taken for what it can weigh well enough', () => {
    // 1 % of 500 g is 5 g: the one of 5 g steps reads it, the one that is off by 8 g does not.
    expect(pickScale(500, 0.01, [off, coarse]).id).toBe('coarse');
    expect(pickScale(1000, 0.01, [off, coarse]).id).toBe('off');
    expect(pickScale(500, 0.01, [{ ...off, toleranceG: 0.2 }, coarse]).id).toBe('coarse');
    expect(pickScale(100, 0.01, [{ ...off, toleranceG: 0.2 }, coarse]).id).toBe('off');
  });
  it('says so on the sheet, and is not asked for more', () => {
    const [gng] = demoFormulas;
    if (!gng) throw new Error('no formula');
    const { lines, warnings } = weighSheet(amountsFor(gng, 2000), [off]);
    const [flour] = lines.toSorted((a, b) => b.exact.value - a.exact.value);
    expect(flour?.errorShare).toBeCloseTo(8 / (flour?.exact.value ?? 0), 9);
    expect(lines.every(({ toleranceG }) => toleranceG >= 8)).toBe(true);
    expect(warnings[0]?.message).toContain('a scale that is right to 8 g may be off by');
  });
});

describe('a weigh sheet', () => {
  const rounding = (f: (typeof demoFormulas)[number], massG: number) =>
    weighSheet(amountsFor(f, massG), demoEquipment.scales);

  it.each(demoFormulas.map((f) => [f.code, f] as const))(
    '%s: every amount is within half a division of its scale',
    (_, f) => {
      const sheet = rounding(f, 6400);
      for (const line of sheet.lines) {
        expect(Math.abs(line.roundedG - line.exact.value)).toBeLessThanOrEqual(line.resolutionG / 2 + 1e-9);
        expect(line.errorShare).toBeCloseTo(line.resolutionG / 2 / line.exact.value, 9);
      }
      const most = sheet.lines.reduce((sum, line) => sum + line.resolutionG / 2, 0);
      expect(Math.abs(sheet.roundedTotalG - sheet.exactTotalG)).toBeLessThanOrEqual(most);
      expect(sheet.warnings).toEqual([]);
    },
  );

  it('warns where the only scale is too coarse for the soda', () => {
    const [gng] = demoFormulas;
    if (!gng) throw new Error('no formula');
    const sheet = weighSheet(amountsFor(gng, 2000), [{ id: 'bench', maxMassG: 15_000, resolutionG: 5 }]);
    const warning = sheet.warnings.find((w) => w.message.startsWith('Baking soda'));
    expect(warning?.code).toBe('scale-too-coarse');
    expect(warning?.figures?.errorShare).toBeCloseTo(2.5 / 15.714, 2);
  });

  it('warns where an amount must be weighed in parts', () => {
    const [gng] = demoFormulas;
    if (!gng) throw new Error('no formula');
    const sheet = weighSheet(amountsFor(gng, 60_000), [{ id: 'counter', maxMassG: 3000, resolutionG: 0.5 }]);
    expect(
      sheet.warnings.find((w) => w.code === 'weigh-in-parts' && w.message.startsWith('Wheat flour'))?.message,
    ).toContain('in 8 parts');
  });

  it('names butter that is to be browned', () => {
    const rye = demoFormulas.find((f) => f.code === 'RYE');
    if (!rye) throw new Error('no formula');
    expect(rounding(rye, 6000).lines[0]?.name).toBe('Butter, unsalted, to brown');
  });
});

describe('what a scale can show', () => {
  it.each([
    [12.34, 0.25, 12.25],
    [12.4, 0.25, 12.5],
    [7.77, 2.5, 7.5],
    [8.9, 2.5, 10],
    [3.3333, 0.01, 3.33],
    [101, 5, 100],
    [0.1 + 0.2, 0.1, 0.3],
    [1.26, 0.125, 1.25],
    [1000.4, 0.2, 1000.4],
  ])('%d g on a scale of %d g is %d g', (massG, resolutionG, shown) =>
    expect(roundToScale(massG, resolutionG)).toBe(shown),
  );
  it.each([
    [0.25, 2],
    [2.5, 1],
    [0.01, 2],
    [5, 0],
    [0.125, 3],
    [1e-7, 7],
  ])('a scale of %d g has %d digits behind the point', (resolutionG, digits) =>
    expect(digitsOf(resolutionG)).toBe(digits),
  );
  it('every amount is a whole number of steps, off by half a step at most', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 20_000, noNaN: true }),
        fc.constantFrom(0.01, 0.05, 0.1, 0.125, 0.2, 0.25, 0.5, 1, 2, 2.5, 5, 10, 20, 50),
        (massG, resolutionG) => {
          const shown = roundToScale(massG, resolutionG);
          expect(Math.abs(shown - massG)).toBeLessThanOrEqual(resolutionG / 2 + 1e-9);
          expect(Math.abs(shown / resolutionG - Math.round(shown / resolutionG))).toBeLessThan(1e-6);
        },
      ),
    );
  });
});

describe('the same ingredient twice in one stage', () => {
  const twice = {
    stages: [
      {
        id: 'cream',
        name: 'Cream',
        cue: '',
        lines: [
          { ingredientId: 'butter', percent: 40 },
          { ingredientId: 'butter', percent: 30, browned: true },
          { ingredientId: 'wheat-flour', percent: 100 },
        ],
      },
    ],
  };
  const sheet = weighSheet(amountsFor(twice, 5000), [{ id: 'bench', maxMassG: 15_000, resolutionG: 5 }]);
  it('is two weighings, each with a key of its own', () => {
    expect(sheet.lines.map(({ key }) => key)).toEqual([
      'cream/butter',
      'cream/butter#2',
      'cream/wheat-flour',
    ]);
    expect(ingredientOfKey('cream/butter#2')).toBe('butter');
    expect(ingredientOfKey('cream/butter')).toBe('butter');
  });
});
