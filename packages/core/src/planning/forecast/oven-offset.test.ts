import { describe, expect, it } from '@jest/globals';
import { learnable, type Calibration } from '../../bake/index.js';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { bakeInputIn, predictIn } from './predictions.js';

const [formula] = demoFormulas;
const [oven] = demoEquipment.ovens;
if (!formula || !oven) throw new Error('no demo');
const inIt = (change: object, calibration: Calibration | null = null) =>
  bakeInputIn(formula, { ...oven, ...change }, demoEquipment, demoRules, calibration);

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
