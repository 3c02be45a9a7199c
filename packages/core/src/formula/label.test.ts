import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { allergensBySource } from '../ingredient/index.js';
import { declaredIn } from './dough.js';
import type { Formula } from './formula.js';
import { besidesIngredients, labelIngredients } from './label.js';

const of = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(code);
  return found;
};

describe('allergens by what they are of', () => {
  it.each([
    [
      ['gluten', 'wheat', 'milk'],
      ['wheat', 'milk'],
    ],
    [['gluten', 'rye'], ['rye']],
    [
      ['gluten', 'wheat', 'rye'],
      ['wheat', 'rye'],
    ],
    [
      ['nuts', 'walnut', 'egg'],
      ['walnut', 'egg'],
    ],
    [['nuts'], ['tree nuts']],
    [['gluten'], ['gluten']],
    [[], []],
  ])('%j are %j', (declared, said) => expect(allergensBySource(declared)).toEqual(said));
});

describe('what a label lists', () => {
  it('is all that goes into a piece, the most first, each once', () => {
    for (const formula of demoFormulas) {
      const listed = labelIngredients(formula);
      const ids = new Set(
        [...formula.stages.flatMap(({ lines }) => lines), ...formula.toppings].map((l) => l.ingredientId),
      );
      expect(listed).toHaveLength(ids.size);
    }
  });
  it('says what a name does not', () => {
    const listed = labelIngredients(of('RYE'));
    const named = (name: string) => listed.find((own) => own.name === name);
    expect(named('wheat flour')).toMatchObject({ declares: true, says: [] });
    expect(named('dark rye flour')).toMatchObject({ declares: true, says: [] });
    expect(named('chopped walnuts')).toMatchObject({ declares: true, says: [] });
    expect(named('unsalted butter')).toMatchObject({ declares: true, says: ['milk'] });
    expect(named('white sugar')).toMatchObject({ declares: false, says: [] });
  });
  it('says what came with dough that was worked in, and nothing twice', () => {
    const gng = of('GNG');
    expect(besidesIngredients(gng, declaredIn(gng))).toEqual([]);
    expect(besidesIngredients(gng, [...declaredIn(gng), 'nuts', 'walnut'])).toEqual(['walnut']);
  });
});
