import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { restCurve, type RestQuestion } from '../thermal/index.js';
import { learnTransfer, type NeedleReading } from './needle.js';

const [formula] = demoFormulas;
const place = demoEquipment.places.find(({ kind }) => kind === 'walk-in');
if (!formula || !place) throw new Error('the demo has no walk-in');
const question = (change: Partial<RestQuestion> = {}): RestQuestion => ({
  formula,
  form: 'pieces',
  tubMassG: 8000,
  place,
  cover: 'open',
  startC: 22,
  targetC: 8,
  durationS: 6 * 3600,
  ...change,
});
/** A needle in a place that really takes the heat `factor` times as hard as its setting says. */
const needle = (minutes: number, factor: number, errorK = 0, of = question()): NeedleReading => {
  const afterS = minutes * 60;
  const learned = { factor, sigma: 0, cores: 0 };
  const core =
    restCurve({ ...of, durationS: afterS, place: { ...place, learned } }).curve.coreC.at(-1) ?? Number.NaN;
  return { question: of, afterS, coreC: core + errorK };
};

describe('what measured cores say of a place', () => {
  it('is nothing before there is one', () => expect(learnTransfer([])).toBeNull());

  it.each([0.65, 1.4])('finds a place that takes %d times the heat, and how sure that is', (factor) => {
    const one = learnTransfer([needle(35, factor)]);
    const three = learnTransfer([needle(25, factor, 0.4), needle(35, factor, -0.5), needle(60, factor)]);
    // One needle already helps, three are near.
    expect(Math.abs(Math.log((one?.factor ?? 0) / factor))).toBeLessThan(Math.abs(Math.log(factor)) * 0.5);
    expect(Math.abs(Math.log((three?.factor ?? 0) / factor))).toBeLessThan(0.12);
    expect(three?.sigma).toBeLessThan(one?.sigma ?? 0);
    expect(one?.sigma).toBeLessThan(0.3);
    for (const { afterC, coreC, outlier } of three?.beside ?? []) {
      expect(Math.abs(afterC - coreC)).toBeLessThan(1.5);
      expect(outlier).toBe(false);
    }
  });

  it('learns nothing of a core that is even with its air', () => {
    const learned = learnTransfer([needle(20 * 60, 0.7)]);
    expect(learned?.factor).toBeCloseTo(1, 1);
    expect(learned?.sigma).toBeGreaterThan(0.28);
  });

  it('lets a wild figure go, and points it out', () => {
    const learned = learnTransfer([needle(25, 0.8), needle(40, 0.8), needle(35, 0.8, 9)]);
    expect(Math.abs(Math.log((learned?.factor ?? 0) / 0.8))).toBeLessThan(0.2);
    expect(learned?.beside.map(({ outlier }) => outlier)).toEqual([false, false, true]);
  });

  it('holds for another dough in the same place: a tub is cold as late as it really is', () => {
    const tub = question({ form: 'tub', durationS: 24 * 3600, targetC: 10 });
    const ready = (factor: number) =>
      restCurve({ ...tub, place: { ...place, learned: { factor, sigma: 0.1, cores: 2 } } }).ready?.value ??
      Number.NaN;
    const learned = learnTransfer([needle(25, 0.7), needle(45, 0.7)]);
    const told = restCurve({ ...tub, place: { ...place, ...(learned && { learned }) } }).ready;
    expect(Math.abs((told?.value ?? 0) / ready(0.7) - 1)).toBeLessThan(0.05);
    expect(told?.value).toBeGreaterThan(ready(1) * 1.05);
    expect(told?.note).toContain('Calibrated in this place');
    expect(told?.terms.find(({ symbol }) => symbol === 'h')?.source).toContain('by 2 measured cores');
  });

  it('reads the cores of one stay off one curve, as if each were asked alone', () => {
    const stay = question();
    const [a, b] = [needle(25, 0.8, 0, stay), needle(50, 0.8, 0, stay)];
    const together = learnTransfer([a, b]);
    const apart = learnTransfer([a, { ...b, question: { ...stay } }]);
    expect(together?.factor).toBeCloseTo(apart?.factor ?? 0, 1);
    together?.beside.forEach(({ beforeC }, i) =>
      expect(Math.abs(beforeC - (apart?.beside[i]?.beforeC ?? 0))).toBeLessThan(0.1),
    );
  });

  it('shows its arithmetic', () => {
    const learned = learnTransfer([needle(35, 0.8)]);
    expect(learned?.shown.terms).toHaveLength(2);
    expect(learned?.shown.terms[1]?.name).toMatch(/after 35 min; stated h gives/);
  });
});
