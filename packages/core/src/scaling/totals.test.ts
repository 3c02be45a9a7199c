import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { amountsFor, toppingsFor } from '../formula/index.js';
import { doughDensityFigure, doughDensityGPerMl } from '../planning/index.js';
import { bowlFill, mixerRange, splitBatches } from './split.js';
import { sheetTotals, weighSheet } from './weigh-sheet.js';

const anyFormula = fc.constantFrom(...demoFormulas);
const anyMass = fc.double({ min: 500, max: 60_000, noNaN: true });

describe('the totals of a sheet', () => {
  it('open to every line, and the two differ by no more than the sum of the roundings', () => {
    fc.assert(
      fc.property(anyFormula, anyMass, (formula, massG) => {
        const sheet = weighSheet(
          [...amountsFor(formula, massG), ...toppingsFor(formula, massG)],
          demoEquipment.scales,
        );
        const { exact, rounded } = sheetTotals(sheet);
        const inDough = sheet.lines.filter(({ stageId }) => stageId !== 'topping');
        expect(exact.terms).toHaveLength(inDough.length);
        expect(exact.value).toBeCloseTo(sheet.exactTotalG, 6);
        expect(rounded.value).toBeCloseTo(sheet.roundedTotalG, 6);
        const roundings = inDough.reduce((sum, { resolutionG }) => sum + resolutionG / 2, 0);
        expect(Math.abs(rounded.value - exact.value)).toBeLessThanOrEqual(roundings + 1e-6);
      }),
    );
  });
});

describe('a split over the mixers', () => {
  it('conserves the dough, and fills every bowl within its range', () => {
    fc.assert(
      fc.property(anyFormula, anyMass, (formula, massG) => {
        const density = doughDensityGPerMl(formula);
        const ranges = demoEquipment.mixers.map((mixer) => mixerRange(mixer, density));
        if (massG < Math.min(...ranges.map((r) => r.minMassG))) return;
        let splits;
        try {
          splits = splitBatches(massG, ranges);
        } catch {
          // Between the ranges of one bowl and two there is no split, and it is said; see the tests of the split.
          return;
        }
        for (const { batches } of splits) {
          expect(batches.reduce((sum, batch) => sum + batch.massG, 0) / massG).toBeCloseTo(1, 9);
          for (const batch of batches) {
            const mixer = demoEquipment.mixers.find(({ id }) => id === batch.mixerId);
            if (!mixer) throw new Error('no mixer');
            const fill = bowlFill(mixer, batch.massG, density).value;
            expect(fill).toBeGreaterThanOrEqual(mixer.minFill - 1e-9);
            expect(fill).toBeLessThanOrEqual(mixer.maxFill + 1e-9);
            expect(batch.massG).toBeLessThanOrEqual(mixer.maxMassG + 1e-6);
          }
        }
      }),
    );
  });
  it('by hand: 5750 g of 1.15 g/mL in a bowl of 19 L', () => {
    const [mixer] = demoEquipment.mixers;
    if (!mixer) throw new Error('no mixer');
    // 5750 / 1.15 = 5000 mL of 19,000.
    expect(bowlFill(mixer, 5750, 1.15).value).toBeCloseTo(5 / 19, 9);
  });
});

describe('the density of a dough', () => {
  it.each(demoFormulas.map((f) => [f.code, f] as const))(
    '%s opens to its composition and its air',
    (_, f) => {
      const figure = doughDensityFigure(f);
      expect(figure.value).toBe(doughDensityGPerMl(f));
      const shares = figure.terms.filter(({ symbol }) => symbol === 'x').map(({ value }) => value);
      expect(shares.reduce((sum, x) => sum + x, 0)).toBeCloseTo(1, 9);
      // Between sugar and fat, with air in it.
      expect(figure.value).toBeGreaterThan(1.05);
      expect(figure.value).toBeLessThan(1.3);
    },
  );
});
