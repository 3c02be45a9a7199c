import { describe, expect, it } from '@jest/globals';
import { readRecipe, readSheet, type SheetSettings } from './read-sheet.js';

const settings: SheetSettings = {
  measures: 'us',
  schools: { flour: 'spooned', 'brown sugar': 'packed', cocoa: 'spooned' },
  eggSize: 'large',
};
const sheet = (text: string) => readSheet(text, settings);
const read = (text: string) =>
  sheet(text).lines.map(
    ({ state, ingredientId, massG, use }) =>
      (use === 'dough' ? '' : `${use}: `) +
      (massG === undefined ? state : `${ingredientId} ${Math.round(massG * 10) / 10}`),
  );

describe('what is done with an ingredient', () => {
  it.each([
    ['1 cup melted butter', 'butter 215.3'],
    ['1 cup melted and cooled butter', 'butter 215.3'],
    ['1 cup butter, melted', 'butter 227.1'],
    ['1 cup butter, melted and cooled', 'butter 227.1'],
    ['8 tbsp unsalted butter (melted)', 'butter 113.6'],
    ['1 cup sifted flour', 'wheat-flour 108.8'],
    ['1 cup flour, sifted', 'wheat-flour 123'],
    ['1 cup flour, sifted twice', 'wheat-flour 123'],
    ['1 cup flour, sifted with the salt', 'wheat-flour 123'],
    ['1 cup flour, sifted before measuring', 'wheat-flour 108.8'],
    ['1 cup flour (sift before measuring)', 'wheat-flour 108.8'],
    ['2 cups crushed cornflakes', 'cornflakes 165.6'],
    ['2 cups cornflakes, crushed', 'cornflakes 56.8'],
    ['1/4 cup ground flaxseed', 'linseed 28.4'],
    ['1/4 cup flaxseed, ground', 'linseed 41.4'],
    // How the measure is filled is said on either side.
    ['1 cup light brown sugar, loosely packed', 'light-brown-sugar 220'],
  ])('in front of its name is done before it is measured, behind it afterwards: "%s"', (text, expected) =>
    expect(read(text)).toEqual([expected]),
  );

  it('is said where it is measured before', () => {
    const uncertain = (text: string) => readRecipe(text, settings).flatMap((line) => line.uncertain);
    expect(uncertain('2 cups cornflakes, crushed')).toContain('measured before it is crushed');
    expect(uncertain('2 cups crushed cornflakes')).toEqual([]);
    expect(uncertain('57 g cornflakes, crushed')).toEqual([]);
  });
});

describe('how a measure is filled', () => {
  const range = (text: string) => sheet(text).lines[0]?.rangeG;
  it.each([
    '1 heaped tsp baking powder',
    '1 tsp heaped baking powder',
    '1 tsp baking powder, heaped',
    '1 tsp baking powder (heaped)',
  ])('is read wherever it stands: "%s"', (text) => {
    expect(read(text)).toEqual(read('1 heaped tsp baking powder'));
    expect(range(text)).toEqual(range('1 heaped tsp baking powder'));
    expect(range(text)).toBeDefined();
  });
  it('and of a weight nothing is heaped', () =>
    expect(read('10 g baking powder, generous')).toEqual(['baking-powder 10']));
});

describe('two kinds of one thing in halves', () => {
  it.each([
    '1 cup sugar (half brown, half white)',
    '200 g sugar, half white and half light brown',
    '1 cup flour, half rye, half wholemeal',
    '2 cups flour, half wholemeal',
    '200 g flour (half of it rye)',
  ])('are asked about: "%s"', (text) => expect(read(text)).toEqual(['ask']));
  it.each([
    '227 g butter, half of it melted',
    '227 g butter (half of it melted)',
    '227 g butter, half softened',
  ])('and half of one is not: "%s"', (text) => expect(read(text)).toEqual(['butter 227']));
});

describe('what the pieces are brushed with', () => {
  it.each([
    '1 large egg + 1 tbsp water (egg wash)',
    '1 large egg plus 1 tbsp water, for egg wash',
    '1 large egg beaten with 1 tbsp water, for brushing',
    '1 large egg and 1 tbsp water to glaze',
    'Egg wash: 1 large egg + 1 tbsp water',
  ])('is on top of them, all of it: "%s"', (text) =>
    expect(read(text)).toEqual(['topping: whole-egg 50', 'topping: water 14.8']),
  );
});

describe('an ingredient that another one is mixed with', () => {
  it.each([
    ['1 tsp baking soda dissolved in 1 tbsp hot water', ['baking-soda 4.6', 'water 14.8']],
    ['1 teaspoon baking soda, dissolved in 2 teaspoons hot water', ['baking-soda 4.6', 'water 9.9']],
    ['1 teaspoon baking soda (dissolved in 2 teaspoons hot water)', ['baking-soda 4.6', 'water 9.9']],
    ['30 g cornflour mixed with 50 ml milk', ['cornflour 30', 'whole-milk 51.5']],
    ['200 g dark chocolate, melted with 50 grams butter', ['dark-chocolate 200', 'butter 50']],
    ['100 g raisins soaked in 2 tbsp rum', ['raisins 100', 'rum 28.1']],
    [
      '1/4 cup sugar mixed with 2 teaspoons cinnamon, for rolling',
      ['topping: white-sugar 50', 'topping: cinnamon 5.2'],
    ],
  ])('"%s" is two lines', (text, expected) => expect(read(text)).toEqual(expected));

  it.each([
    '1 tsp baking soda, dissolved in 2 teaspoons of something',
    '200 g chocolate chips, melted with 50 grams of whatever',
    '100 g sugar, boiled with 3 tablespoons of it',
  ])('is never lost: "%s"', (text) => {
    expect(sheet(text).lines.map(({ state }) => state)).toContain('ask');
  });

  it('is left where it is thrown away', () =>
    expect(read('100 g raisins, soaked in 200 ml hot water and drained')).toEqual(['raisins 100']));
});

describe('a line of figures that is no ingredient', () => {
  it.each([
    ['350°F for 12-14 min', 177, [12, 14]],
    ['375 degrees for 10 to 12 minutes', 191, [10, 12]],
    ['180°C fan, about 11 minutes', 180, [11, 11]],
    ['350F 8-10 min', 177, [8, 10]],
    ['12-14 min at 350°F', 177, [12, 14]],
    ['12 minutes at 180 C', 180, [12, 12]],
  ] as const)('"%s" is the oven', (text, setC, minutes) => {
    const { lines, bake } = sheet(text);
    expect(lines.map(({ state }) => state)).toEqual(['instruction']);
    expect([bake?.setC, bake?.minutes]).toEqual([setC, minutes]);
  });
});

it('a row of digits that no recipe has tells nothing', () => {
  const { bake, yield: made } = sheet(`bake 350 ${'3'.repeat(2000)} cookies`);
  expect([bake, made]).toEqual([undefined, undefined]);
});

describe('flour that is called by noughts', () => {
  it.each(['300 g 00 flour', '300 g "00" flour', '300 g tipo 00', '300 g type 00 flour', '300 g flour (00)'])(
    '"%s"',
    (text) => expect(read(text)).toEqual(['wheat-flour 300']),
  );
  it('by the cup', () => expect(read('2 cups 00 flour')).toEqual(['wheat-flour 246.1']));
});

describe('two kinds of one noun', () => {
  it.each([
    ['85 g each milk and dark chocolate chunks', ['milk-chocolate 85', 'dark-chocolate 85']],
    ['100 g each of milk and dark chocolate', ['milk-chocolate 100', 'dark-chocolate 100']],
    ['milk and white chocolate chips, 50 g each', ['milk-chocolate 50', 'white-chocolate 50']],
    ['100 g each white and light brown sugar', ['white-sugar 100', 'light-brown-sugar 100']],
    ['2 tbsp each milk and white sugar', ['ask', 'white-sugar 25']],
  ])('"%s"', (text, expected) => expect(read(text)).toEqual(expected));
  it.each(['170 g milk and dark chocolate chunks', '170 g milk & white chocolate chips, chopped'])(
    'without "each" is asked about: "%s"',
    (text) => expect(read(text)).toEqual(['ask']),
  );
  it('bittersweet chocolate of so much cocoa is still bittersweet', () =>
    expect(read('180 g bittersweet chocolate (60-70%), chopped')).toEqual(['dark-chocolate 180']));
});

describe('a range of grams beside a measure', () => {
  it.each([
    ['1 large egg (48-52 g)', 'whole-egg 50', [48, 52]],
    ['1 cup (120-125 g) flour', 'wheat-flour 122.5', [120, 125]],
    ['2 sticks (225 to 230 g) butter', 'butter 227.5', [225, 230]],
  ] as const)('is its middle, with both ends: "%s"', (text, expected, range) => {
    expect(read(text)).toEqual([expected]);
    expect(sheet(text).lines[0]?.rangeG).toEqual(range);
  });
  it('is asked about where the ends are far apart', () => {
    const [line] = sheet('1 cup (100-140 g) flour').lines;
    expect([line?.state, line?.question]).toEqual(['ask', '100 or 140 g: how much is it to be?']);
  });
  it('and one figure has no range', () =>
    expect(sheet('1 cup (125 g) flour').lines[0]).not.toHaveProperty('rangeG'));
});

describe('a little of something at the end of a line', () => {
  it.each([
    ['1 tsp soda, pinch salt', ['baking-soda 4.6', 'salt 0.4']],
    ['1 tsp soda, pinch of salt', ['baking-soda 4.6', 'salt 0.4']],
    ['1 tsp soda and pinch of salt', ['baking-soda 4.6', 'salt 0.4']],
    ['1 tsp soda + pinch salt', ['baking-soda 4.6', 'salt 0.4']],
    ['1 tsp soda, dash vanilla', ['baking-soda 4.6', 'vanilla 0.6']],
    ['1 tsp soda; a dash of vanilla', ['baking-soda 4.6', 'vanilla 0.6']],
    ['200 g flour, 1 tsp soda, pinch salt', ['wheat-flour 200', 'baking-soda 4.6', 'salt 0.4']],
    ['2 good pinches of salt', ['salt 0.8']],
    // How much of it is asked about: it is not lost.
    ['100 g sugar, knob of butter', ['white-sugar 100', 'ask']],
    ['100 g sugar, a knob of butter', ['white-sugar 100', 'ask']],
    ['100 g sugar, handful raisins', ['white-sugar 100', 'ask']],
    ['100 g sugar and a handful of raisins', ['white-sugar 100', 'ask']],
    ['100 g sugar plus a splash of milk', ['white-sugar 100', 'ask']],
    ['100 g sugar, a few drops of vanilla', ['white-sugar 100', 'ask']],
    ['100 g sugar, some walnuts', ['white-sugar 100', 'ask']],
  ])('is a line of its own: "%s"', (text, expected) => expect(read(text)).toEqual(expected));

  it.each([
    ['100 g butter, a little soft', ['butter 100']],
    ['100 g walnuts, a few left whole', ['walnuts 100']],
    ['200 g flour, some of it sifted', ['wheat-flour 200']],
    ['200 g flour, sifted with the salt', ['wheat-flour 200']],
  ])('is none where nothing else is named: "%s"', (text, expected) => expect(read(text)).toEqual(expected));
  it('and a weight of each of several is never that of them all', () => {
    expect(read('60 g each 3 eggs')).toEqual(['ask']);
    expect(read('3 eggs at 60 g each')).toEqual(['whole-egg 180']);
  });
  it('and what lies between two measures is asked in fractions, as it was written', () => {
    const question = readRecipe('1/3 to 1/2 cup sugar', settings)[0]?.question;
    expect(question?.sentence).toBe('⅓ or ½: how much is it to be?');
    expect(question?.choices.map(({ label }) => label)).toEqual(['⅓', '0.4167', '½']);
  });
});
