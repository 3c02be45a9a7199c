import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../demo/index.js';
import { toppingsFor, totalPercent } from './amounts.js';
import { heldBackOf, heldBackShare, holdBack } from './held-back.js';
import type { Formula, FormulaLine } from './formula.js';

const chips = (formula: Formula): FormulaLine => {
  const line = formula.stages
    .flatMap(({ lines }) => lines)
    .find(({ ingredientId }) => ingredientId === 'walnuts');
  if (!line) throw new Error('no such line');
  return line;
};
const rye = demoFormulas.find(({ code }) => code === 'RYE');
if (!rye) throw new Error('no such formula');
const inAll = (formula: Formula) =>
  chips(formula).percent +
  formula.toppings
    .filter(({ ingredientId, on }) => ingredientId === 'walnuts' && on === 'top')
    .reduce((sum, { percent }) => sum + percent, 0);

describe('a share held back for the top', () => {
  it('leaves as much of it in all, the dough less, and is weighed apart', () => {
    const after = holdBack(rye, chips(rye), 0.25);
    expect(inAll(after)).toBeCloseTo(inAll(rye), 3);
    expect(heldBackShare(after, chips(after))).toBeCloseTo(0.25, 4);
    expect(totalPercent(after)).toBeCloseTo(totalPercent(rye) - 0.25 * inAll(rye), 3);
    const kept = toppingsFor(after, 1000).find(({ line }) => line.ingredientId === 'walnuts');
    expect(kept?.mass.value).toBeCloseTo((10 * 0.25 * inAll(rye) * 100) / totalPercent(after), 2);
    expect(after.toppings.map((topping) => heldBackOf(after, topping)?.ingredientId ?? null)).toEqual([
      ...rye.toppings.map(() => null),
      'walnuts',
    ]);
  });
  it('is changed in one place and put back whole', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.9, noNaN: true }), { minLength: 1, maxLength: 6 }),
        (shares) => {
          const after = shares.reduce((formula, share) => holdBack(formula, chips(formula), share), rye);
          expect(inAll(after)).toBeCloseTo(inAll(rye), 1);
          expect(after.toppings.length).toBeLessThanOrEqual(rye.toppings.length + 1);
          const back = holdBack(after, chips(after), 0);
          expect(back.toppings).toEqual(rye.toppings);
          expect(chips(back).percent).toBeCloseTo(chips(rye).percent, 1);
        },
      ),
    );
  });
  it('never takes all out of the dough, nor less than nothing', () => {
    expect(chips(holdBack(rye, chips(rye), 7)).percent).toBeGreaterThan(0);
    expect(holdBack(rye, chips(rye), -1).toppings).toEqual(rye.toppings);
  });
  it('another topping of the same thing, rolled on, stays what it is', () => {
    const coated: Formula = {
      ...rye,
      toppings: [...rye.toppings, { ingredientId: 'walnuts', percent: 5, on: 'coat' }],
    };
    expect(heldBackShare(coated, chips(coated))).toBe(0);
    expect(holdBack(coated, chips(coated), 0.2).toppings.map(({ on }) => on)).toContain('coat');
  });
});
