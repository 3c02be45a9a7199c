import { describe, expect, it } from '@jest/globals';
import { ingredient, plainParts } from './library/index.js';
import { givenOf, ownIngredient, ownIngredients, type OwnGiven } from './own.js';

const plain = (id: string, of: string): OwnGiven => ({
  ...givenOf(ingredient(of)),
  id,
  name: id.replace('own-', ''),
  source: 'the label',
});
const mix = (id: string, parts: readonly (readonly [string, number])[]): OwnGiven => ({
  ...plain(id, 'white-sugar'),
  allergens: [],
  parts: parts.map(([ingredientId, share]) => ({ ingredientId, share })),
});

describe('an ingredient of the bakery’s own', () => {
  it('declares the class of every nut that it names', () => {
    const praline = ownIngredient({ ...plain('own-praline', 'white-sugar'), which: ['hazelnut'] });
    expect(praline.allergens).toEqual(['nuts']);
  });

  it('that is mixed from others is what they are, and declares what they declare', () => {
    const praline = ownIngredient(
      mix('own-praline', [
        ['hazelnut-paste', 0.5],
        ['milk-powder', 0.1],
        ['white-sugar', 0.4],
      ]),
    );
    const fat =
      0.5 * ingredient('hazelnut-paste').analysis.fat + 0.1 * ingredient('milk-powder').analysis.fat;
    expect(praline.analysis.fat).toBeCloseTo(fat, 9);
    expect(praline.allergens).toEqual(['milk', 'nuts']);
    expect(praline.which).toEqual(['hazelnut']);
    expect(praline.source).toBe('the label');
    expect(givenOf(praline).parts).toHaveLength(3);
  });

  it('keeps what it declares besides: may contain', () => {
    const spice = ownIngredient({ ...mix('own-spice', [['cinnamon', 1]]), allergens: ['sesame'] });
    expect(spice.allergens).toEqual(['sesame']);
  });

  it.each([
    ['parts that miss 100 %', mix('own-a', [['cinnamon', 0.8]]), /add up to 80\.0 %/],
    [
      'a part without an amount',
      mix('own-a', [
        ['cinnamon', 1],
        ['salt', 0],
      ]),
      /must add up/,
    ],
    ['a part that nobody knows', mix('own-a', [['own-gone', 1]]), /not in the ingredient library/],
    ['no density', { ...mix('own-a', [['cinnamon', 1]]), densityGPerMl: {} }, /a density/],
  ])('with %s is refused', (_, given, why) => expect(() => ownIngredient(given)).toThrow(why));
});

describe('the list of them', () => {
  const base = plain('own-base', 'salted-butter');
  const list = (salt: number) => [
    // What is mixed from others may stand before them.
    mix('own-mix', [
      ['own-base', 0.5],
      ['white-sugar', 0.5],
    ]),
    {
      ...base,
      parts: [
        { ingredientId: 'butter', share: 1 - salt },
        { ingredientId: 'salt', share: salt },
      ],
    },
  ];

  it('follows a part that is corrected, and carries it along', () => {
    const [before] = ownIngredients(list(0.02));
    const [after] = ownIngredients(list(0.04));
    expect(after?.analysis.salt).toBeCloseTo(2 * (before?.analysis.salt ?? 0), 2);
    const saltIn = (food: typeof before) =>
      food && plainParts(food).find((part) => part.food.id === 'salt')?.share;
    // No list is looked up: a lot that pinned it has it whole.
    expect(saltIn(before)).toBeCloseTo(0.01, 9);
    expect(saltIn(structuredClone(after))).toBeCloseTo(0.02, 9);
  });

  it('is refused where one would be made of itself', () => {
    expect(() => ownIngredients([mix('own-a', [['own-b', 1]]), mix('own-b', [['own-a', 1]])])).toThrow(
      'made of itself',
    );
  });

  it('comes back as it went out', () => {
    const made = ownIngredients(list(0.03));
    expect(ownIngredients(made.map(givenOf))).toEqual(made);
  });
});
