import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas } from '../demo/index.js';
import { amountsFor, toppingsFor, type Formula } from '../formula/index.js';
import { emptyLot, type LotState } from '../ledger/index.js';
import { weighSheet } from '../scaling/index.js';
import { batchFactor, openLines, weighedMassG } from './batch-sheet.js';
import { displayG, emptyScale, isStable, pourAdvice, stepScale, type ScaleState } from './bench-scale.js';

const [, , lemon] = demoFormulas;
const sheetFor = (factor = 1) =>
  weighSheet(amountsFor(lemon as Formula, 5000 * factor), demoEquipment.scales);
const sheet = sheetFor();
const stamp = { atMs: 1000, who: 'Mix hand', entryId: 'e' };
type Did = LotState['weighed'] extends ReadonlyMap<string, infer D> ? D : never;
const all = (change: Record<string, Partial<Did>> = {}): LotState => ({
  ...emptyLot('B'),
  weighed: new Map(
    sheet.lines.map(({ key, roundedG, scaleId }) => [
      key,
      { ...stamp, key, massG: roundedG, targetG: roundedG, scaleId, ...change[key] },
    ]),
  ),
});

describe('the sheet of a batch', () => {
  it('is done when every line is weighed, and weighs what was weighed', () => {
    expect(openLines(sheet, all())).toEqual([]);
    expect(weighedMassG(all(), lemon as Formula)).toBeCloseTo(sheet.roundedTotalG, 6);
    expect(openLines(sheet, emptyLot('B'))).toHaveLength(sheet.lines.length);
  });
  it('what is set aside for the pieces is weighed too, and is no part of the dough', () => {
    const [ginger] = demoFormulas;
    const withTopping = weighSheet(
      [...amountsFor(ginger as Formula, 5000), ...toppingsFor(ginger as Formula, 5000)],
      demoEquipment.scales,
    );
    expect(withTopping.exactTotalG).toBeCloseTo(5000, 6);
    expect(openLines(withTopping, emptyLot('B')).at(-1)?.key).toBe('topping/white-sugar');
    const aside = { ...stamp, key: 'topping/white-sugar', massG: 143, targetG: 143, scaleId: 'counter' };
    expect(
      weighedMassG({ ...emptyLot('B'), weighed: new Map([[aside.key, aside]]) }, ginger as Formula),
    ).toBe(0);
  });
  it('browned butter counts less what the pan takes', () => {
    const rye = demoFormulas.find(({ code }) => code === 'RYE') as Formula;
    const rounded = weighSheet(amountsFor(rye, 5000), demoEquipment.scales);
    const weighed = new Map(
      rounded.lines.map(({ key, exact }) => [
        key,
        { ...stamp, key, massG: exact.value, targetG: exact.value, scaleId: 'bench' },
      ]),
    );
    expect(weighedMassG({ ...emptyLot('B'), weighed }, rye)).toBeCloseTo(5000, 6);
  });
  it('scaled to an ingredient that was over, it asks for more of what was weighed before', () => {
    const [first] = sheet.lines;
    const known = all({
      [first?.key ?? '']: { massG: (first?.roundedG ?? 0) * 1.1, decision: 'scale', factor: 1.1 },
    });
    expect(batchFactor(known)).toBe(1.1);
    const open = openLines(sheetFor(1.1), known);
    expect(open.map(({ key }) => key)).not.toContain(first?.key);
    expect(open).toHaveLength(sheet.lines.length - 1);
  });
  it('what was accepted short stays accepted', () => {
    const [first] = sheet.lines;
    const known = all({ [first?.key ?? '']: { massG: (first?.roundedG ?? 0) * 0.8, decision: 'accept' } });
    expect(openLines(sheet, known)).toEqual([]);
    expect(batchFactor(known)).toBe(1);
  });
});

describe('the stand-in for a scale', () => {
  const run = (state: ScaleState, seconds: number, rate: number) => {
    let next = state;
    for (let t = 0; t < seconds - 1e-9; t += 0.1) next = stepScale(next, rate, 0.1, 1);
    return next;
  };
  it('shows late, and is stable only some time after the pouring', () => {
    const poured = run(emptyScale, 2, 100);
    expect(poured.trueG).toBeCloseTo(200, 6);
    expect(displayG(poured, 1)).toBeLessThan(165);
    expect(isStable(poured)).toBe(false);
    const rested = run(poured, 5, 0);
    expect(displayG(rested, 1)).toBe(200);
    expect(isStable(rested)).toBe(true);
  });
  it('an empty one is stable, and never shows less than nothing', () => {
    expect(isStable(emptyScale)).toBe(true);
    expect(run(emptyScale, 1, -50).trueG).toBe(0);
  });
  it('tells the hand to pour, to pour slowly, to stop', () => {
    expect([0, 850, 905, 995, 1011].map((g) => pourAdvice(g, 1000, 10))).toEqual([
      'pour',
      'pour',
      'slowly',
      'stop',
      'over',
    ]);
  });
});
