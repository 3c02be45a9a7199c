import { describe, expect, it } from '@jest/globals';
import { bake, defaultBakeParameters, learnable, type Calibration } from '../../bake/index.js';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { bakeInputIn, predictIn } from './predictions.js';

const [formula] = demoFormulas;
const [oven] = demoEquipment.ovens;
if (!formula || !oven) throw new Error('no demo');
const inIt = (change: object, calibration: Calibration | null = null) =>
  bakeInputIn(formula, { ...oven, ...change }, demoEquipment, demoRules, calibration);

describe('an oven that falls when it is loaded', () => {
  const pullOf = (change: object) =>
    predictIn(formula, { ...oven, ...change }, demoEquipment, demoRules).pull?.value ?? 0;
  it('bakes longer the further it falls and the later it is back', () => {
    const usual = pullOf({});
    expect(pullOf({ doorFallK: 60 })).toBeGreaterThan(usual + 5);
    expect(pullOf({ doorFallK: 0 })).toBeLessThan(usual);
    expect(pullOf({ doorFallK: 40, doorBackS: 600 })).toBeGreaterThan(
      pullOf({ doorFallK: 40, doorBackS: 120 }) + 5,
    );
  });
  it('is the usual one where its figures are the usual ones', () => {
    const { dipFanK, dipFanS } = defaultBakeParameters;
    expect(pullOf({ doorFallK: dipFanK, doorBackS: 3 * dipFanS })).toBeCloseTo(pullOf({}), 6);
  });
});

describe('an oven that is uneven', () => {
  const place = { ...learnable('place', oven.id, 2), value: 3 };
  const known = { atMs: 0, bakes: 3, values: [place], covariance: [1] } as Calibration;
  const band = (change: object, calibration: Calibration | null = null, position?: number) =>
    bake(bakeInputIn(formula, { ...oven, ...change }, demoEquipment, demoRules, calibration, position))
      .uncertainty.pullS;
  it('makes a pull less sure, but not one of a place whose bakes are known', () => {
    expect(band({ unevenK: 20 })).toBeGreaterThan(band({}) + 3);
    expect(band({ unevenK: 0 })).toBe(band({}));
    expect(band({ unevenK: 20 }, known)).toBeGreaterThan(band({}, known) + 3);
    expect(band({ unevenK: 20 }, known, 2)).toBe(band({}, known, 2));
  });
});

describe('an oven that is hotter than it is set', () => {
  it('bakes as one that is set to that', () => {
    const pullOf = (change: object, setBy: number) =>
      predictIn(
        { ...formula, bake: { ...formula.bake, setC: formula.bake.setC + setBy } },
        { ...oven, ...change },
        demoEquipment,
        demoRules,
      ).pull?.value;
    expect(pullOf({ offsetK: 12 }, 0)).toBeCloseTo(pullOf({}, 12) ?? 0, 6);
    expect(pullOf({ offsetK: -12 }, 0)).toBeGreaterThan(pullOf({}, 0) ?? 0);
    expect(pullOf({ offsetK: 0 }, 0)).toBe(pullOf({}, 0));
  });

  it('and what its bakes taught comes on top', () => {
    const learned = {
      atMs: 0,
      bakes: 3,
      values: [{ ...learnable('offset', oven.id), value: 3, sigma: 2 }],
      covariance: [[4]],
    } as unknown as Calibration;
    expect(inIt({ offsetK: 12 }, learned).setup.offsetK).toBeCloseTo(15, 9);
    expect(inIt({}, learned).setup.offsetK).toBeCloseTo(3, 9);
  });
});
