import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { checkWeighing, samplePlan, timeSpread, tolerableDeficiency, unaccounted } from './check-weighing.js';
import { controlChart } from './control-chart.js';
import { heaped, measuredDensity } from './measured-scoop.js';
import { remainderOptions } from './remainder.js';
import { scoopsFor } from './scoop.js';

describe('scoops that were weighed', () => {
  it('by hand: three scoops No. 30 of 34, 35 and 36 g', () => {
    // 946.35 / 30 = 31.545 mL; 35 / 31.545 = 1.1095 g/mL.
    const density = measuredDensity(30, [34, 35, 36]);
    expect(density.value).toBeCloseTo(1.1095, 4);
    expect(scoopsFor(35, density, [24, 30, 40])[0]?.number).toBe(30);
    expect(scoopsFor(35, density, [30])[0]?.mass.value).toBeCloseTo(35, 9);
  });
  it('a heaped one holds more', () => {
    const level = scoopsFor(35, 1.1, [30]).map((fit) => fit.mass)[0];
    if (!level) throw new Error('no scoop');
    expect(heaped(level).value / level.value).toBeCloseTo(1.18, 9);
  });
  it('nonsense is refused', () => {
    expect(() => measuredDensity(30, [])).toThrow('weighed scoops');
    expect(() => measuredDensity(1, [30])).toThrow('number of the scoop');
  });
});

describe('the remainder', () => {
  it('conserves the dough whatever becomes of it', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 400, noNaN: true }), fc.integer({ min: 5, max: 500 }), (r, n) => {
        const [spread, tests] = remainderOptions(r, n, 40, 0.05);
        expect((spread?.figure.value ?? 0) * n).toBeCloseTo(r, 6);
        const count = Number(/^(\d+) small/.exec(tests?.sentence ?? '')?.[1] ?? 0);
        expect(count * (tests?.figure.value ?? 0)).toBeCloseTo(r, 6);
      }),
    );
  });
  it('is not spread beyond the tolerance, and a crumb is no piece', () => {
    expect(remainderOptions(300, 20, 40, 0.05)[0]?.possible).toBe(false);
    expect(remainderOptions(30, 20, 40, 0.05)[0]?.possible).toBe(true);
    expect(remainderOptions(5, 20, 40, 0.05)[1]?.possible).toBe(false);
  });
});

describe('check weighing', () => {
  it.each([
    [30, 2.7],
    [50, 4.5],
    [70, 4.5],
    [150, 6.75],
    [250, 9],
  ])('a piece of %d g may be short by %d g', (nominal, T) =>
    expect(tolerableDeficiency(nominal)).toBeCloseTo(T, 9),
  );
  it('by hand: five pieces of 32 g', () => {
    // Mean 33, s = √2.5 = 1.581; given away 1 g, of 200 pieces 200 / 32 = 6.25.
    const result = checkWeighing([31, 32, 33, 34, 35], 32, 1.6, 200);
    expect(result?.mean.value).toBe(33);
    expect(result?.deviation?.value).toBeCloseTo(1.5811, 4);
    expect(result?.corrected?.value).toBeCloseTo(33 + (4.604 * 1.5811) / Math.sqrt(5), 3);
    expect(result?.lostPerBatch.value).toBeCloseTo(6.25, 9);
    // Two of five beyond ± 1.6 g: proved uneven, and nothing is said of the mean.
    expect(result?.advice).toContain('Too uneven: 2 of 5 pieces are outside ± 1.6 g');
    expect(result?.passes).toBe(false);
    // P(x > 33.6) + P(x < 30.4) for N(33, 1.581).
    expect(result?.outside?.value).toBeCloseTo(0.352 + 0.05, 2);
  });
  it.each<[string, number[], string, boolean]>([
    ['even and right', [32, 32.2, 31.9, 32.1, 32, 31.8], 'Even and on target', true],
    ['light', [30.2, 30, 30.1, 29.9, 30, 30.2], 'light on the mean', false],
    ['one far too light', [32, 32, 33, 26, 33, 32], 'far too light', false],
    ['uneven', [29.5, 34.4, 30, 34, 29.9, 34.6], 'will not bake alike', false],
  ])('%s', (_, samples, sentence, passes) => {
    const result = checkWeighing(samples, 32, 1.6, 150);
    expect(result?.advice).toContain(sentence);
    expect(result?.passes).toBe(passes);
  });
  it('a single piece gives no spread, none gives nothing', () => {
    expect(checkWeighing([32], 32, 1.6, 100)?.outside).toBeNull();
    expect(checkWeighing([], 32, 1.6, 100)).toBeNull();
  });
  it('the plan weighs the first, then one in so many, and never more than there are', () => {
    expect(samplePlan(204)).toEqual({ weigh: 15, first: 3, oneIn: 16 });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (n) => {
        const { weigh, first, oneIn } = samplePlan(n);
        expect(weigh).toBeLessThanOrEqual(n);
        expect(first + (weigh - first) * oneIn).toBeLessThanOrEqual(Math.max(n, weigh));
      }),
    );
  });
  it('a heavier piece wants longer, by its exponent', () => {
    const spread = timeSpread([28.8, 32, 35.2], 32, 720, 0.34);
    expect(spread?.lightest.value).toBeCloseTo(720 * 0.9 ** 0.34, 6);
    expect(spread?.heaviest.value).toBeCloseTo(720 * 1.1 ** 0.34, 6);
  });
  it('the yield is accounted for', () => {
    expect(unaccounted(6245, 204, 30, 20).value).toBeCloseTo(105, 9);
  });
});

describe('the control chart', () => {
  it('a steady hand has nothing beyond its limits', () => {
    const chart = controlChart([32, 32.4, 31.7, 32.2, 31.8, 32.1], 32);
    expect([chart?.beyond, chart?.driftAt, chart?.sentence]).toEqual([[], null, 'Weights are consistent.']);
  });
  it('one wild piece is found', () => {
    const chart = controlChart(
      [32, 32.1, 31.9, 32, 32.1, 31.9, 32, 32.1, 31.9, 32, 36, 32, 32.1, 31.9, 32],
      32,
    );
    expect(chart?.beyond).toEqual([10]);
    expect(chart?.sentence).toContain('Piece 11');
  });
  it('seven in a row on one side are a drift', () => {
    const chart = controlChart([32.2, 32.4, 32.1, 32.5, 32.2, 32.4, 32.1, 32.5], 32);
    expect(chart?.driftAt).toBe(6);
    expect(chart?.sentence).toContain('heavy');
  });
  it('three pieces are no chart', () => expect(controlChart([32, 33, 31], 32)).toBeNull());
});
