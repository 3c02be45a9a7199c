import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { calm, demoLines, demoPredictions, demoProblem } from '../problem/problem.testkit.js';
import { ribbonOf } from './ribbon.js';
import { solvePlan } from '../solve/solve.js';

const ribbon = (code: string) => {
  const formula = demoFormulas.find((f) => f.code === code);
  const batch = solvePlan(
    demoProblem({ orders: demoLines.filter((line) => line.productCode === code) }),
    calm,
  ).batches[0];
  if (!formula || !batch) throw new Error(`no plan for ${code}`);
  const curves = (ovenId: string) =>
    demoPredictions()
      .get(code)
      ?.find((p) => p.ovenId === ovenId)?.bake.curves;
  return { batch, segments: ribbonOf(batch, formula, demoEquipment.places, curves, demoRules) };
};

describe('the thermal ribbon', () => {
  it('of portioned dough goes mixer, bench, walk-in, oven, rack', () => {
    const { segments, batch } = ribbon('GNG');
    expect(segments.slice(0, 3).map((s) => s.kind)).toEqual(['mixer', 'bench', 'cold']);
    expect(segments.filter((s) => s.kind === 'oven')).toHaveLength(batch.loads.length);
    expect(segments.filter((s) => s.kind === 'rack')).toHaveLength(batch.loads.length);
  });
  it('is cold when it is loaded, hot when it is pulled, cool at the end', () => {
    const { segments } = ribbon('GNG');
    const cold = segments.find((s) => s.kind === 'cold');
    expect(cold?.samples.at(-1)?.temperatureC).toBeCloseTo(4, 0);
    const oven = segments.find((s) => s.kind === 'oven');
    expect(oven?.samples[0]?.temperatureC).toBeLessThan(10);
    expect(oven?.samples.at(-1)?.temperatureC).toBeGreaterThan(90);
    const rack = segments.find((s) => s.kind === 'rack' && s.loadId === oven?.loadId);
    expect(rack?.samples.at(-1)?.temperatureC).toBeLessThan(40);
  });
  it('of a tub warms on the bench before it is portioned', () => {
    const { segments } = ribbon('SES');
    const kinds = segments.filter((s) => s.loadId === undefined).map((s) => s.kind);
    expect(kinds.slice(0, 4)).toEqual(['mixer', 'cold', 'bench', 'bench']);
    const temper = segments.filter((s) => s.kind === 'bench')[0];
    expect(temper?.samples.at(-1)?.temperatureC).toBeGreaterThanOrEqual(
      temper?.samples[0]?.temperatureC ?? 99,
    );
  });
  it('of bags freezes hard, then thaws in the walk-in', () => {
    const { segments } = ribbon('CRD');
    const cold = segments.filter((s) => s.kind === 'cold');
    expect(cold.map((s) => s.placeId)).toEqual(['freezer', 'walk-in']);
    expect(cold[0]?.samples.at(-1)?.temperatureC).toBeLessThan(-15);
    expect(cold[1]?.samples.at(-1)?.temperatureC).toBeGreaterThan(2);
  });
  it('has no sample outside its stretch and no wild temperature', () => {
    for (const code of ['LEM', 'RYE', 'MLT']) {
      for (const s of ribbon(code).segments) {
        for (const { atS, temperatureC } of s.samples) {
          expect(atS >= s.startS - 1e-6 && atS <= s.endS + 1e-6).toBe(true);
          expect(temperatureC > -25 && temperatureC < 130).toBe(true);
        }
      }
    }
  });
});
