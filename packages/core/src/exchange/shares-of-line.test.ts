import { describe, expect, it } from '@jest/globals';
import { readSheet, type SheetSettings } from './read-sheet.js';

/* A line of which a part is for something else than the dough: the dough gets what is left. */

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

describe('a part that is for something else', () => {
  it.each([
    ['200 g sugar, of which 50 g for rolling', ['white-sugar 150', 'topping: white-sugar 50']],
    ['200 g sugar (50 g for rolling)', ['white-sugar 150', 'topping: white-sugar 50']],
    ['200 g sugar (of which 50 g for coating)', ['white-sugar 150', 'topping: white-sugar 50']],
    ['1 cup sugar (1/4 cup for rolling)', ['white-sugar 149.9', 'topping: white-sugar 50']],
    ['1 cup sugar, 1/4 cup of it for rolling', ['white-sugar 149.9', 'topping: white-sugar 50']],
    ['1 cup sugar, reserving 1/4 cup for rolling', ['white-sugar 149.9', 'topping: white-sugar 50']],
    [
      '200 g dark chocolate, chopped (reserve 50 g for the tops)',
      ['dark-chocolate 150', 'topping: dark-chocolate 50'],
    ],
    ['200 g sugar, divided, 50 g for rolling', ['white-sugar 150', 'topping: white-sugar 50']],
    ['200 g sugar (150 g for the dough, 50 g for rolling)', ['white-sugar 150', 'topping: white-sugar 50']],
    [
      '1 cup sugar, divided (3/4 cup for the dough, 1/4 cup for rolling)',
      ['white-sugar 149.9', 'topping: white-sugar 50'],
    ],
    [
      '1 cup sugar, divided: 3/4 cup for the dough and 1/4 cup for rolling',
      ['white-sugar 149.9', 'topping: white-sugar 50'],
    ],
    ['250 g butter (reserve 50 g for greasing)', ['butter 200', 'other: butter 50']],
    ['1 cup sugar, 2 tbsp of it for sprinkling', ['white-sugar 174.9', 'topping: white-sugar 25']],
    [
      '300 g sugar (of which 50 g for rolling, 20 g for sprinkling)',
      ['white-sugar 230', 'topping: white-sugar 50', 'topping: white-sugar 20'],
    ],
    ['100 g walnuts (80 g in the dough, the rest on top)', ['walnuts 80', 'topping: walnuts 20']],
    ['100 g walnuts, 80 g for the dough and the rest for the tops', ['walnuts 80', 'topping: walnuts 20']],
    [
      '100 g walnuts, divided (20 g for the tops, the rest for the dough)',
      ['walnuts 80', 'topping: walnuts 20'],
    ],
    ['1 cup (200 g) sugar (1/4 cup for rolling)', ['white-sugar 150', 'topping: white-sugar 50']],
    [
      '1 1/4 cups (250 g) sugar, divided (1 cup for the dough, 1/4 cup for rolling)',
      ['white-sugar 199.9', 'topping: white-sugar 50'],
    ],
    [
      '1 1/4 cups (250 g) granulated sugar, divided (1 cup (200 g) for dough, 1/4 cup (50 g) for rolling)',
      ['white-sugar 200', 'topping: white-sugar 50'],
    ],
    [
      '1 cup plus 2 tbsp sugar, divided (1 cup for the dough, 2 tbsp for rolling)',
      ['white-sugar 199.9', 'topping: white-sugar 25'],
    ],
    ['200 g walnuts (optional) (50 g for the tops)', ['walnuts 150', 'topping: walnuts 50']],
    [
      '200 g dark chocolate (50 g for the tops) (20 g for the trays)',
      ['dark-chocolate 150', 'topping: dark-chocolate 50'],
    ],
    ['200 g sugar, of which half for rolling', ['white-sugar 100', 'topping: white-sugar 100']],
    ['1 cup sugar, half for the dough and half for rolling', ['white-sugar 100', 'topping: white-sugar 100']],
    ['200 g walnuts (half in the dough, half on top)', ['walnuts 100', 'topping: walnuts 100']],
    ['200 g walnuts (a quarter on top)', ['walnuts 150', 'topping: walnuts 50']],
    ['2 large eggs (half for brushing)', ['whole-egg 50', 'topping: whole-egg 50']],
    ['3 large eggs (1 for brushing)', ['whole-egg 100', 'topping: whole-egg 50']],
  ])('leaves the rest for the dough: "%s"', (text, expected) => expect(read(text)).toEqual(expected));

  it.each([
    // More of it, and not of it.
    ['200 g sugar, plus 50 g for rolling', ['white-sugar 200', 'topping: white-sugar 50']],
    ['200 g sugar, 50 g for rolling', ['white-sugar 200', 'topping: white-sugar 50']],
    ['200 g sugar (plus 50 g for rolling)', ['white-sugar 200']],
    ['1 cup (240 ml) milk, plus 1 tbsp for brushing', ['whole-milk 243.7', 'topping: whole-milk 15.2']],
    ['1 large egg plus 1 large egg for glazing', ['whole-egg 50', 'topping: whole-egg 50']],
    // What is for the tray is beside it, unless it is said to be of it.
    ['200 g butter (20 g for the trays)', ['butter 200']],
    ['50 g sugar (for rolling)', ['topping: white-sugar 50']],
    ['1 cup sugar, divided', ['white-sugar 199.9']],
    ['1 cup (200 g) sugar, divided', ['white-sugar 200']],
    ['1 cup (200 g) sugar, plus 1/4 cup (50 g) for rolling', ['white-sugar 200', 'topping: white-sugar 50']],
    // A weight for something is not what a cup weighs.
    ['1 cup dark chocolate chips (50 g for the tops, 20 g to snack on)', ['ask']],
    ['200 g sugar, of which 20 g for rolling and 1 tsp soda', ['ask']],
    ['1 cup sugar plus 1 tbsp (1/4 cup for sprinkling)', ['ask']],
    // More than there is, or other figures than the sum: somebody has to say.
    ['50 g sugar, of which 80 g for rolling', ['ask']],
    ['200 g sugar (100 g for the dough, 50 g for rolling)', ['ask']],
    ['1 cup sugar (1 cup for the dough, 1/4 cup for rolling)', ['ask']],
    [
      '200 g sugar (100 g for the dough, 1/4 cup for rolling)',
      ['white-sugar 100', 'topping: white-sugar 50'],
    ],
  ])('is none: "%s"', (text, expected) => expect(read(text)).toEqual(expected));
});

describe('what brackets say that it is for', () => {
  it.each([
    ['1 large egg (beaten, for glazing)', ['topping: whole-egg 50']],
    ['1 large egg white (lightly beaten, to brush)', ['topping: egg-white 32']],
    ['50 g sugar (demerara, for rolling)', ['topping: raw-cane-sugar 50']],
    ['50 g flour (plain, for dusting)', ['other: wheat-flour 50']],
    ['50 g butter (for greasing)', ['other: butter 50']],
    ['50 g butter (melted, to grease)', ['other: butter 50']],
    ['50 g butter (for greasing the tin)', ['other: butter 50']],
    ['250 g butter (plus extra for greasing)', ['butter 250']],
    ['250 g butter, plus extra for greasing', ['butter 250']],
  ])('counts beside other words: "%s"', (text, expected) => expect(read(text)).toEqual(expected));
});

describe('what several in one line are for', () => {
  it.each([
    ['4 tbsp sugar + 1 tsp cinnamon for rolling', ['topping: white-sugar 50', 'topping: cinnamon 2.6']],
    ['4 tbsp sugar and 1 tsp cinnamon, for rolling', ['topping: white-sugar 50', 'topping: cinnamon 2.6']],
    [
      '4 tbsp sugar mixed with 1 tsp cinnamon, for rolling',
      ['topping: white-sugar 50', 'topping: cinnamon 2.6'],
    ],
    ['100 g butter and 20 g sugar for sprinkling', ['butter 100', 'topping: white-sugar 20']],
    ['8 oz butter 100 g sugar for rolling', ['butter 226.8', 'topping: white-sugar 100']],
    ['100 g walnuts 100 g sugar (for rolling)', ['walnuts 100', 'topping: white-sugar 100']],
    ['100 g sugar, 1 tsp cinnamon for sprinkling', ['white-sugar 100', 'topping: cinnamon 2.6']],
  ])('is said once for what is put on together: "%s"', (text, expected) =>
    expect(read(text)).toEqual(expected),
  );
});

describe('eggs', () => {
  it.each([
    ['2 lg eggs + 1 lg yolk', ['whole-egg 100', 'egg-yolk 18']],
    ['2 lg. eggs', ['whole-egg 100']],
    ['2 med eggs', ['whole-egg 44']],
    ['3 sm. egg yolks', ['egg-yolk 36']],
    ['1 large egg, half of it', ['whole-egg 25']],
    ['1 large egg, use only half', ['whole-egg 25']],
    ['1 large egg, half of it (beaten)', ['whole-egg 25']],
  ])('are of the size and of the share that is said: "%s"', (text, expected) => {
    const found = read(text);
    expect(found.map((line) => line.replace(/ [\d.]+$/, ''))).toEqual(
      expected.map((line) => line.replace(/ [\d.]+$/, '')),
    );
    if (!/med|sm/.test(text)) expect(found).toEqual(expected);
    expect(found).not.toContain('ask');
  });
});
