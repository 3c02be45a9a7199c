import { describe, expect, it } from '@jest/globals';
import { doughOf, typicalDough } from '../formula/index.js';
import { demoFormulas } from '../demo/index.js';
import {
  fatIn,
  fatNames,
  fatOf,
  ingredient,
  solidIn,
  solidShare,
  type FatName,
} from '../ingredient/index.js';
import { bake } from './bake.js';
import { bakeInput } from './input.js';
import { usual } from './usual.testkit.js';

/** The usual piece with all of its fat of one kind: as much fat, as much water. */
const ofFat = (fat: FatName, change = {}) => {
  const { pull, cooled } = bake(
    bakeInput({ ...usual, dough: { ...typicalDough, fats: { [fat]: 0.163 } }, ...change }),
  );
  return {
    pullS: pull?.value ?? Number.NaN,
    diameterMm: cooled?.diameterMm ?? Number.NaN,
    heightMm: cooled?.heightMm ?? Number.NaN,
  };
};

describe('fats in a bake, at equal fat and water', () => {
  const ways = [{}, { start: 20 }, { fan: true }, { start: -18, massG: 60 }];
  it.each(ways)('none changes a pull by more than about 15 %%: %j', (change) => {
    const butter = ofFat('milk-fat', change);
    // Cocoa butter is in the list for blends; nobody makes a dough of it alone.
    for (const fat of fatNames.filter((name) => name !== 'cocoa-butter'))
      // From the freezer oil, which nothing holds, still comes out a little early (docs/models.md, Fats).
      expect(Math.abs(ofFat(fat, change).pullS / butter.pullS - 1)).toBeLessThan(
        'massG' in change ? 0.18 : 0.155,
      );
  });
  it.each(ways)(
    'margarine is about as butter, shortening hardly narrower, oil wider and thinner: %j',
    (change) => {
      const butter = ofFat('milk-fat', change);
      const wider = (fat: FatName) => ofFat(fat, change).diameterMm / butter.diameterMm - 1;
      expect(Math.abs(wider('block-margarine'))).toBeLessThan(0.02);
      expect(wider('soft-margarine')).toBeGreaterThan(0);
      expect(wider('shortening')).toBeGreaterThan(-0.05);
      // From the freezer butter, the firmer one in the cold, is held back as long as shortening is.
      expect(wider('shortening')).toBeLessThan('massG' in change ? 0.02 : 0.005);
      expect(wider('oil')).toBeGreaterThan(0);
      expect(ofFat('oil', change).heightMm).toBeLessThan(butter.heightMm);
    },
  );
  it('a dough of margarine is no longer taken for one without fat', () => {
    const formula = demoFormulas.find(({ code }) => code === 'MLT') ?? demoFormulas[0];
    if (!formula) throw new Error('no formula');
    const swapped = {
      stages: formula.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map((line) =>
          ingredient(line.ingredientId).kind === 'butter'
            ? { percent: line.percent, ingredientId: 'margarine' }
            : line,
        ),
      })),
    };
    expect(fatIn(doughOf(swapped).fats)).toBeGreaterThan(0.9 * fatIn(doughOf(formula).fats));
    const of = (dough: ReturnType<typeof doughOf>) => bake(bakeInput({ ...usual, dough, fan: true }));
    const [butter, margarine] = [of(doughOf(formula)), of(doughOf(swapped))];
    expect((margarine.cooled?.diameterMm ?? 0) / (butter.cooled?.diameterMm ?? 1)).toBeGreaterThan(0.96);
    expect((margarine.pull?.value ?? 0) / (butter.pull?.value ?? 1)).toBeLessThan(1.1);
  });
});

describe('how fats melt', () => {
  it.each(fatNames)('%s: less solid the warmer, from near whole to nothing', (fat) => {
    for (let t = -40; t < 60; t += 0.5) {
      expect(solidShare(fat, t)).toBeGreaterThanOrEqual(solidShare(fat, t + 0.5) - 1e-12);
      expect(solidShare(fat, t)).toBeGreaterThanOrEqual(-1e-15);
      expect(solidShare(fat, t)).toBeLessThanOrEqual(1);
    }
    expect(solidShare(fat, 60)).toBe(0);
  });
  it.each<[FatName, number, number]>([
    ['block-margarine', 20, 0.25],
    ['shortening', 32.5, 0.12],
    ['lard', 5, 0.33],
    ['coconut', 25, 0.03],
    ['cocoa-butter', 30, 0.4],
    ['oil', -18, 0],
  ])('%s at %d °C: %d', (fat, t, share) => expect(solidShare(fat, t)).toBeCloseTo(share, 9));
  it('blends add by mass', () =>
    expect(solidIn({ 'milk-fat': 0.1, oil: 0.05 }, 15)).toBeCloseTo(0.1 * solidShare('milk-fat', 15), 12));
  it.each([
    ['butter', 'milk-fat'],
    ['salted-butter', 'milk-fat'],
    ['margarine', 'block-margarine'],
    ['olive-oil', 'oil'],
    ['cream-cheese', 'milk-fat'],
    ['whole-egg', null],
    ['dark-chips', null],
  ])('%s is %s', (id, fat) => {
    let found;
    try {
      found = ingredient(id);
    } catch {
      return;
    }
    expect(fatOf(found)).toBe(fat);
  });
  it('a fat of the house with a name of no other is like block margarine', () =>
    expect(fatOf({ ...ingredient('margarine'), id: '__proto__' })).toBe('block-margarine'));
});
