import { describe, expect, it } from '@jest/globals';
import { bake, bakeInput, processFactors, usualProcess } from '../bake/index.js';
import { usual } from '../bake/usual.testkit.js';
import { demoFormulas } from '../demo/index.js';
import { checkSoundness } from '../formula/index.js';
import { limitKeys, limitOf, usualLimits, wrongLimits } from './limits.js';

describe('limits of the house', () => {
  const lem = demoFormulas[0];
  if (!lem) throw new Error('no demo');
  const codes = (own?: Parameters<typeof checkSoundness>[1]) =>
    checkSoundness(lem, own).map(({ code }) => code);

  it('are the usual ones where none is set, each within what it may be set to', () => {
    for (const key of limitKeys) {
      const { usual: value, low, high } = usualLimits[key];
      expect(limitOf(undefined, key)).toBe(value);
      expect(value).toBeGreaterThanOrEqual(low);
      expect(value).toBeLessThanOrEqual(high);
    }
    expect(wrongLimits({})).toEqual([]);
  });
  it('move what the recipe check names, and it says the limit of the house', () => {
    expect(codes()).not.toContain('ratio-sugars');
    const found = checkSoundness(lem, { sugarsLow: 10, sugarsHigh: 30 }).find(
      ({ code }) => code === 'ratio-sugars',
    );
    expect(found?.sentence).toContain('usual is 10 to 30');
    expect(codes({ saltHigh: 0.2 })).toContain('salt-high');
    expect(codes({ gasLow: 1900, gasHigh: 2000 })).toContain('gas-low');
    expect(codes({ softFat: 1 })).toContain('soft-fat');
  });
  it('move what is called too dark, and nothing else of a bake', () => {
    const asked = { ...usual, fan: true, setC: 170, target: 'chewy' } as const;
    const before = bake(bakeInput(asked));
    const after = bake(bakeInput({ ...asked, limits: { darkRimChewy: 20, darkBaseChewy: 20 } }));
    expect(before.warnings.map(({ code }) => code)).not.toContain('burnt-rim');
    expect(after.warnings.map(({ code }) => code)).toEqual(
      expect.arrayContaining(['burnt-rim', 'burnt-bottom']),
    );
    expect(after.pull?.value).toBe(before.pull?.value);
    // The limit of another target is not this one's.
    expect(bake(bakeInput({ ...asked, limits: { darkRimSoft: 20 } })).warnings).toEqual(before.warnings);
  });
  it('move what the work does to a bake, by their factor', () => {
    const melted = { ...usualProcess, cream: 'melted' } as const;
    const usually = processFactors(melted);
    const own = processFactors(melted, { meltedStiffness: 0.9, meltedLift: 1 });
    expect(own.stiffness / usually.stiffness).toBeCloseTo(0.9 / Math.exp(-0.35), 9);
    expect(own.lift / usually.lift).toBeCloseTo(1 / 0.92, 9);
    expect(processFactors({ ...usualProcess, coated: true }, { coatColour: 0.8 }).colour).toBeCloseTo(0.8, 9);
    // A dough worked as usual is the measure: no factor of creaming moves it.
    expect(processFactors(usualProcess, { meltedStiffness: 0.5 })).toEqual(processFactors(usualProcess));
    const wide = (limits?: { meltedStiffness: number }) =>
      bake(bakeInput({ ...usual, process: melted, pullS: 700, ...(limits && { limits }) })).atPull
        ?.diameterMm ?? 0;
    expect(wide({ meltedStiffness: 1.4 })).toBeLessThan(wide() - 0.5);
  });
  it.each([
    [{ sugar: 3 }, 'unknown'],
    [{ constructor: 3 }, 'unknown'],
    [{ fatHigh: Number.NaN }, 'no-number'],
    [{ fatHigh: '90' }, 'no-number'],
    [{ fatHigh: 3 }, 'outside'],
    [{ fatHigh: 20 }, 'crossed'],
    [{ fatLow: 95 }, 'crossed'],
  ])('refuse %o as %s', (own, why) => {
    expect(wrongLimits(own as Record<string, unknown>).map((wrong) => wrong.why)).toEqual([why]);
  });
});
