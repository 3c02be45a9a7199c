import { describe, expect, it } from '@jest/globals';
import { fromGrams, ordinary, ordinaryNamed } from '../ordinary.testkit.js';
import { checkSoundness } from './index.js';

type Amounts = (typeof ordinary)[number]['amounts'];
const warned = (target: (typeof ordinary)[number]['target'], amounts: Amounts) =>
  checkSoundness(fromGrams('any', target, amounts)).filter(({ level }) => level !== 'note');

const times = (id: string, factor: number) => (amounts: Amounts) => {
  const line = amounts.get(id);
  if (!line) throw new Error(`no ${id}`);
  return new Map([...amounts, [id, { ...line, g: line.g * factor }]]);
};
const without = (id: string) => (amounts: Amounts) => {
  if (!amounts.has(id)) throw new Error(`no ${id}`);
  return new Map([...amounts].filter(([other]) => other !== id));
};
const swapped = (a: string, b: string) => (amounts: Amounts) => {
  const [x, y] = [amounts.get(a), amounts.get(b)];
  if (!x || !y) throw new Error(`no ${a} or ${b}`);
  return new Map([...amounts, [a, { ...x, g: y.g }], [b, { ...y, g: x.g }]]);
};

/** Slips of the pen and of the hand, each in an ordinary dough. */
const mistakes: readonly (readonly [slip: string, recipe: string, change: (amounts: Amounts) => Amounts])[] =
  [
    ['ten times the soda', 'plain chewy', times('baking-soda', 10)],
    ['ten times the soda', 'thin and crisp', times('baking-soda', 10)],
    ['ten times the soda', 'oat and raisin', times('baking-soda', 10)],
    ['ten times the soda', 'molasses and ginger', times('baking-soda', 10)],
    ['ten times the powder', 'soft and thick', times('baking-powder', 10)],
    ['ten times the powder', 'cakey with yoghurt', times('baking-powder', 10)],
    ['a spoon for a teaspoon of soda', 'plain chewy', times('baking-soda', 3)],
    ['a spoon for a teaspoon of soda', 'maple and walnut', times('baking-soda', 3)],
    ['a spoon for a teaspoon of soda', 'eggless with milk', times('baking-soda', 3)],
    ['a spoon for a teaspoon of soda', 'molasses and ginger', times('baking-soda', 3)],
    ['a spoon for a teaspoon of powder', 'birthday sprinkles', times('baking-powder', 3)],
    ['a spoon for a teaspoon of powder', 'cakey with sour cream', times('baking-powder', 3)],
    ['a spoon for a teaspoon of salt', 'plain chewy', times('salt', 3)],
    ['a spoon for a teaspoon of salt', 'coffee and toffee', times('salt', 3)],
    ['a spoon for a teaspoon of salt', 'sugar cookie', times('salt', 3)],
    ['ten times the salt', 'butter shortbread', times('salt', 10)],
    ['salt forgotten', 'plain chewy', without('salt')],
    ['salt forgotten', 'oat and raisin', without('salt')],
    ['salt forgotten', 'butter shortbread', without('salt')],
    ['salt forgotten', 'soft and thick', without('salt')],
    ['salt forgotten', 'olive oil and dark chocolate', without('salt')],
    ['doubled butter', 'plain chewy', times('butter', 2)],
    ['doubled butter', 'lean oven-shop dough', times('butter', 2)],
    ['doubled butter', 'butter shortbread', times('butter', 2)],
    ['doubled butter', 'sugar cookie', times('butter', 2)],
    ['doubled butter', 'cut out', times('butter', 2)],
    ['doubled butter', 'soft and thick', times('butter', 2)],
    ['the egg left out', 'plain chewy', without('whole-egg')],
    ['the egg left out', 'sugar cookie', without('whole-egg')],
    ['the egg left out', 'lean oven-shop dough', without('whole-egg')],
    ['the egg left out', 'rolled in cinnamon sugar', without('whole-egg')],
    ['the egg left out', 'coffee and toffee', without('whole-egg')],
    ['doubled sugar', 'rolled in cinnamon sugar', times('white-sugar', 2)],
    ['doubled sugar', 'pan banged', times('white-sugar', 2)],
    ['the sugar left out', 'sugar cookie', without('white-sugar')],
    ['half the flour', 'plain chewy', times('wheat-flour', 0.5)],
    ['half the flour', 'thin and crisp', times('wheat-flour', 0.5)],
    ['ten times the milk', 'eggless with milk', times('whole-milk', 10)],
    ['the butter left out', 'sugar cookie', without('butter')],
    ['a spoon for a teaspoon of soda', 'red and cocoa', times('baking-soda', 3)],
    ['salt and soda changed over, tenfold', 'spice biscuit', times('salt', 10)],
    ['sugar and flour changed over', 'lean oven-shop dough', swapped('wheat-flour', 'white-sugar')],
    ['doubled butter', 'honey and lemon', times('butter', 2)],
    ['doubled butter', 'ginger snaps with syrup', times('butter', 2)],
  ];

describe('the check of a recipe', () => {
  it('lets ordinary recipes of all schools pass: at most one in twenty is warned about', () => {
    const needless = ordinary.filter(({ target, amounts }) => warned(target, amounts).length > 0);
    expect(ordinary.length).toBeGreaterThanOrEqual(60);
    // A leavened sablé binds with neither egg nor water, as only a few doughs do.
    expect(needless.map(({ name }) => name)).toEqual(['cocoa sablé']);
  });
  it('does not hang on the texture that the sheet happens to name', () => {
    for (const target of ['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'] as const)
      expect(ordinary.filter(({ amounts }) => warned(target, amounts).length > 0)).toHaveLength(1);
  });
  it('catches deliberate mistakes: nine in ten of them', () => {
    const missed = mistakes.filter(([, recipe, change]) => {
      const { target, amounts } = ordinaryNamed(recipe);
      return warned(target, change(amounts)).length === 0;
    });
    expect(mistakes.length).toBeGreaterThanOrEqual(40);
    // Doubled, a lean dough's butter is what a rich one has.
    expect(missed.map(([slip, recipe]) => `${slip}: ${recipe}`)).toEqual([
      'doubled butter: ginger snaps with syrup',
    ]);
  });
  it('tells of each mistake by its own name', () => {
    const codes = (recipe: string, change: (amounts: Amounts) => Amounts) =>
      warned('chewy', change(ordinaryNamed(recipe).amounts)).map(({ code }) => code);
    expect(codes('plain chewy', times('baking-soda', 10))).toContain('base-left');
    expect(codes('plain chewy', without('salt'))).toContain('salt-missing');
    expect(codes('plain chewy', times('salt', 3))).toContain('salt-high');
    expect(codes('plain chewy', times('butter', 2))).toContain('ratio-fat');
    expect(codes('plain chewy', without('whole-egg'))).toContain('nothing-binds');
    expect(codes('soft and thick', times('baking-powder', 10))).toContain('gas-high');
  });
});
