import { describe, expect, it } from '@jest/globals';
import { readSheet, type SheetSettings } from './read-sheet.js';

/* Lines that lost what stood between them: pasted out of a cell, a message, a page without its list. */

const settings: SheetSettings = {
  measures: 'us',
  schools: { flour: 'spooned', 'brown sugar': 'packed', cocoa: 'spooned' },
  eggSize: 'large',
};
const read = (text: string) =>
  readSheet(text, settings).lines.map(
    ({ state, ingredientId, massG, use }) =>
      (use === 'dough' ? '' : `${use}: `) +
      (massG === undefined ? state : `${ingredientId} ${Math.round(massG * 10) / 10}`),
  );

describe('ingredients that stand in one line with nothing between them', () => {
  it.each([
    ['250 g flour 100 g sugar 125 g butter', ['wheat-flour 250', 'white-sugar 100', 'butter 125']],
    ['1 cup flour 2 tsp baking powder 1/2 tsp salt', ['wheat-flour 123', 'baking-powder 8.5', 'salt 3']],
    ['100 g butter 50 g sugar', ['butter 100', 'white-sugar 50']],
    ['100g butter 50g caster sugar 1 large egg', ['butter 100', 'caster-sugar 50', 'whole-egg 50']],
    ['2 large eggs 1 large yolk', ['whole-egg 100', 'egg-yolk 18']],
    ['2 eggs 1 yolk', ['whole-egg 100', 'egg-yolk 18']],
    ['200 g dark chocolate, chopped 100 g butter', ['dark-chocolate 200', 'butter 100']],
    ['250 g softened butter 1½ cups caster sugar', ['butter 250', 'caster-sugar 312.3']],
    ['250 g flour 100 g sugar, 125 g butter', ['wheat-flour 250', 'white-sugar 100', 'butter 125']],
    ['250 g flour, 100 g sugar 125 g butter', ['wheat-flour 250', 'white-sugar 100', 'butter 125']],
    ['1 (14 oz) can condensed milk 100 g butter', ['condensed-milk 396.9', 'butter 100']],
    ['250 g flour (plain) 5 g salt', ['wheat-flour 250', 'salt 5']],
    ['300g flour 200g butter 100g sugar', ['wheat-flour 300', 'butter 200', 'white-sugar 100']],
    ['5 g soda a pinch of salt', ['baking-soda 5', 'salt 0.4']],
  ])('are lines of their own: "%s"', (text, expected) => {
    expect(read(text)).toEqual(expected);
  });

  it.each([
    // One ingredient, measured twice or described by a figure.
    ['2 cups flour 250 g', 1],
    ['2 cups flour 250 g plain flour', 1],
    ['1 can condensed milk 397 g', 1],
    ['100 g chocolate 70 % cocoa', 1],
    ['100 g dark chocolate 2 cm pieces', 1],
    ['1 cup sugar 1/2 cup of it for rolling', 1],
    ['100 g butter 20 minutes out of the fridge', 1],
    ['250 g butter 1 stick at a time', 1],
    ['100 g Brand 5 chocolate', 1],
    // Whose amount it is cannot be told.
    ['2 g flour butter 3 g sugar', 1],
    // A name that nobody knows: asked about as a whole, and nothing is taken out of it.
    ['100 g unicorn glitter 50 g sugar', 1],
    ['100 g sugar 50 g unicorn glitter', 1],
  ])('are not taken out of a line that is of one thing, or not known: "%s"', (text, lines) => {
    const found = read(text);
    expect(found).toHaveLength(lines);
  });

  it('keep what each of them says of itself', () => {
    const { lines } = readSheet('250 g flour 100 g sugar 50 g sugar for rolling', settings);
    expect(lines.map(({ text, use }) => [text, use])).toEqual([
      ['250 g flour', 'dough'],
      ['100 g sugar', 'dough'],
      ['50 g sugar for rolling', 'topping'],
    ]);
  });

  it('are many, or no line at all', () => {
    const one = '10 g flour 10 g sugar 10 g butter 10 g salt '.repeat(6).trim();
    expect(read(one)).toHaveLength(24);
    expect(read(`${one} `.repeat(200))).toHaveLength(1);
  });
});
