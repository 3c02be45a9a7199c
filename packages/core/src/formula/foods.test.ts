import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { ingredient, libraryOf, type Ingredient } from '../ingredient/index.js';
import { weighSheet } from '../scaling/index.js';
import { amountsFor, toppingsFor } from './amounts.js';
import { checkSoundness } from './soundness/index.js';
import { compareVersions } from './compare.js';
import { foodIn, withFoods, withoutFoods } from './foods.js';
import { checkFormula, type Formula } from './formula.js';
import { swapsFor } from './swaps/index.js';

const ginger = demoFormulas[0] as Formula;
const own = (from: string, id: string, name: string): Ingredient => ({ ...ingredient(from), id, name });
const salt = own('salt', 'own-salt', 'Salt of the bay');
const nuts = own('walnuts', 'own-nuts', 'Candied walnuts');
const library = libraryOf([salt, nuts]);
const named: Formula = {
  ...ginger,
  stages: ginger.stages.map((stage, i) => ({
    ...stage,
    lines: [
      ...stage.lines.map((line) =>
        line.ingredientId === 'salt' ? { ...line, ingredientId: salt.id } : line,
      ),
      ...(i === ginger.stages.length - 1 ? [{ ingredientId: nuts.id, percent: 30 }] : []),
    ],
  })),
  toppings: [...ginger.toppings, { ingredientId: salt.id, percent: 0.5, on: 'top' }],
};
const whole = withFoods(named, library);

describe('a formula of the bakery’s own ingredients', () => {
  it('carries them, and lays them down again', () => {
    expect(foodIn(whole, 'own-nuts')).toBe(nuts);
    expect(withoutFoods(whole)).toEqual(named);
    expect(JSON.stringify(withoutFoods(whole))).not.toContain('Candied');
  });
  it('is the same value where there is nothing to carry, and nothing to lay down', () => {
    expect(withFoods(ginger, library)).toBe(ginger);
    expect(withoutFoods(ginger)).toBe(ginger);
    expect(withFoods(whole, library)).toBe(whole);
  });
  it('takes the library’s row in place of one that it carried', () => {
    const corrected = { ...nuts, name: 'Walnuts in sugar' };
    expect(foodIn(withFoods(whole, libraryOf([salt, corrected])), 'own-nuts').name).toBe('Walnuts in sugar');
  });
  it('without them it is refused by name, and never computed with something else', () => {
    expect(() => checkFormula(named)).toThrow('"own-salt" is not in the ingredient library');
    expect(() => checkFormula(whole)).not.toThrow();
  });
  it('goes onto the sheet with its names, salt by salt’s tolerance, and what lies on the pieces', () => {
    const amounts = [...amountsFor(whole, 5000), ...toppingsFor(whole, 5000)];
    const { lines } = weighSheet(amounts, [{ id: 'bench', maxMassG: 6000, resolutionG: 0.1 }]);
    const ofSalt = lines.filter(({ ingredientId }) => ingredientId === salt.id);
    expect(ofSalt.map(({ name, food }) => [name, food])).toEqual([
      ['Salt of the bay', salt],
      ['Salt of the bay', salt],
    ]);
    for (const { toleranceG, exact } of ofSalt)
      expect(toleranceG).toBeCloseTo(Math.max(0.1, 0.005 * exact.value), 9);
  });
  it('is looked over, compared and swapped like any other, and what a swap makes carries them still', () => {
    expect(checkSoundness(whole)).toEqual(expect.any(Array));
    expect(compareVersions(ginger, whole)).toContain('+ candied walnuts 30 %');
    const swaps = swapsFor(whole);
    expect(swaps.map(({ title }) => title)).toContain('A tenth of the candied walnuts kept back for the top');
    for (const { apply } of swaps) {
      const { formula } = apply();
      expect(() => checkFormula(withoutTiny(formula))).not.toThrow();
    }
  });
});

/** What arithmetic leaves of a line that was taken out is no line. */
const withoutTiny = (formula: Formula): Formula => ({
  ...formula,
  stages: formula.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.filter(({ percent }) => percent >= 0.01),
  })),
});
