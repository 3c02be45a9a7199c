import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { allergensOf } from '../formula/index.js';
import { ingredient } from '../ingredient/index.js';
import { assembleFormula } from './assemble.js';
import { readRecipe, readSheet, type SheetSettings } from './read-sheet.js';
import { weighLine } from './weigh-line.js';

const settings: SheetSettings = {
  measures: 'us',
  schools: { flour: 'spooned', 'brown sugar': 'packed', cocoa: 'spooned' },
  eggSize: 'large',
};
const lines = (text: string, change: Partial<SheetSettings> = {}) =>
  readSheet(text, { ...settings, ...change }).lines.map(({ state, ingredientId, massG, use }) => [
    use === 'dough' ? state : `${use} ${state}`,
    ingredientId ?? null,
    massG === undefined ? null : Math.round(massG * 10) / 10,
  ]);

describe('eggs by their size', () => {
  const eggs = (text: string, measures: 'us' | 'metric') =>
    readRecipe(text, { measures, schools: {} }).map(({ state, ingredientId, mass }) => [
      state,
      ingredientId,
      mass?.value,
    ]);
  it.each<[string, number]>([
    ['1 Ei (Größe M)', 51],
    ['2 Eier Größe L', 118],
    ['3 Eier (L)', 177],
    ['2 Eier Gr. M', 102],
    ['2 œufs taille M', 102],
    ['3 jaunes d’oeufs (calibre M)', 51],
    ['3 blancs d’œuf (calibre M)', 102],
    ['2 oeufs (calibre L)', 118],
    ['2 eggs, size M', 102],
    ['2 L eggs', 118],
    ['1 Eigelb (Größe M)', 17],
  ])('%s', (text, massG) => {
    for (const measures of ['us', 'metric'] as const)
      expect(eggs(text, measures).map(([state, , g]) => [state, g])).toEqual([['read', massG]]);
  });
  it('"large" is of the region that the cups are of, and said where it is not American', () => {
    expect(eggs('2 large eggs', 'us')).toEqual([['read', 'whole-egg', 100]]);
    expect(eggs('2 large eggs', 'metric')).toEqual([['read', 'whole-egg', 118]]);
    const [read] = readRecipe('2 large eggs', { measures: 'metric', schools: {} });
    expect(read?.uncertain).toEqual(['one EU L taken as 59 g']);
  });
  it('a yolk beside a large egg is a large one’s', () => {
    expect(eggs('1 large egg plus 1 yolk', 'us')).toEqual([
      ['read', 'whole-egg', 50],
      ['read', 'egg-yolk', 18],
    ]);
    // A letter that says no size of an egg is none.
    expect(eggs('1 egg, size 6', 'us')[0]?.[0]).toBe('ask');
  });
});

describe('what of the egg goes in', () => {
  it.each<[string, string, number]>([
    ['3 large eggs, yolks only', 'egg-yolk', 54],
    ['1 large egg, whites only', 'egg-white', 32],
    ['2 large eggs (just the yolks)', 'egg-yolk', 36],
    ['1 large white', 'egg-white', 32],
    ['white of 1 large egg', 'egg-white', 32],
    ['yolks of 3 large eggs', 'egg-yolk', 54],
    ['1 large egg, separated', 'whole-egg', 50],
    ['100 g egg whites', 'egg-white', 100],
  ])('"%s" is %s, %d g', (text, id, grams) => expect(lines(text)).toEqual([['read', id, grams]]));
  it.each(['1 cup white', '100 g white'])('"%s" is asked about', (text) =>
    expect(lines(text).map(([state]) => state)).toEqual(['ask']),
  );
});

describe('names that are shorter than the library’s', () => {
  it.each<[string, string]>([
    ['10 g vinegar', 'vinegar'],
    ['10 g rum', 'rum'],
    ['50 g coffee', 'coffee'],
    ['50 g beurre noisette', 'browned-butter'],
    ['5 g sodium bicarbonate', 'baking-soda'],
    ['50 g cacao nibs', 'cocoa-nibs'],
    ['50 g pretzels', 'pretzels'],
  ])('"%s" is %s', (text, id) => expect(lines(text)[0]?.slice(0, 2)).toEqual(['read', id]));
  it('of coconut and of cacao it is asked which', () =>
    expect(lines('50 g coconut\n30 g cacao powder').map(([state]) => state)).toEqual(['ask', 'ask']));
});

describe('figures as people write them', () => {
  it.each<[string, string, number]>([
    ['0,250 kg butter', 'butter', 250],
    ['1,250 kg flour', 'wheat-flour', 1250],
    ['1.5 kg flour', 'wheat-flour', 1500],
    ['1.000 g flour', 'wheat-flour', 1000],
    ['1,000 g flour', 'wheat-flour', 1000],
    ['1 000 g flour', 'wheat-flour', 1000],
    ['1\u202f000 g flour', 'wheat-flour', 1000],
    ["1'000 g flour", 'wheat-flour', 1000],
    ['12,5 g salt', 'salt', 12.5],
    ['558.659 g flour', 'wheat-flour', 558.7],
    ['.5 tsp salt', 'salt', 3],
    ['one and a half cups flour', 'wheat-flour', 184.5],
    ['a cup and a half of flour', 'wheat-flour', 184.5],
    ['1 & 1/2 cups flour', 'wheat-flour', 184.5],
    ['two and a quarter cups flour', 'wheat-flour', 276.8],
    ['one half cup sugar', 'white-sugar', 100],
    ['half a cup of sugar', 'white-sugar', 100],
    ['three quarters of a cup of sugar', 'white-sugar', 149.9],
    ['2-1/2 cups flour', 'wheat-flour', 307.6],
    ['2 sticks butter', 'butter', 226.8],
    ['2 dessertspoons honey', 'honey', 28.4],
  ])('"%s" is %s, %d g', (text, id, grams) => expect(lines(text)).toEqual([['read', id, grams]]));

  it.each([
    ['1/2-3/4 cup sugar'],
    ['8-10 dates'],
    ['Butter 250'],
    ['Sugar: 200'],
    ['1 glass milk'],
    ['a knob of butter'],
    ['250 kg butter'],
  ])('"%s" is asked about', (text) => expect(lines(text)[0]?.[0]).toBe('ask'));

  it('three digits behind the mark that the sheet uses are asked about, with both readings', () => {
    const [line] = readSheet('2.500 g salt', { ...settings, decimal: 'point' }).lines;
    expect(line).toMatchObject({ state: 'ask', question: 'Is that 2.5 or 2500?' });
    // Where the sheet writes commas, a point parts thousands.
    expect(lines('2.500 g flour\n12,5 g salt')[0]).toEqual(['read', 'wheat-flour', 2500]);
  });
});

describe('brackets', () => {
  it.each<[string, string, number]>([
    ['200 g sugar (or 180 g honey)', 'white-sugar', 200],
    ['250 g butter (20 g for the trays)', 'butter', 250],
    ['4 eggs (60 g each)', 'whole-egg', 240],
    ['225g (8oz) butter', 'butter', 225],
    ['1 cup (2 sticks) butter', 'butter', 227.1],
    ['1 (12-oz) bag dark chocolate chips', 'dark-chocolate', 340.2],
    ['One 12-ounce package semisweet chocolate chips', 'semisweet-chocolate', 340.2],
    ['100 g butter (salted)', 'salted-butter', 100],
    ['1 cup sugar (dark brown, packed)', 'dark-brown-sugar', 224.8],
    ['1/2 cup (60 g) walnuts', 'walnuts', 60],
    ['1 large egg (57 g in shell)', 'whole-egg', 50],
    ['2 large eggs (about 115 g with their shells)', 'whole-egg', 100],
    ['2 large eggs, 115 g with shells', 'whole-egg', 100],
    ['1/2 cup (4 oz) milk', 'whole-milk', 121.8],
    ['1 cup (12 oz) honey', 'honey', 340.2],
    ['1/2 cup (4 oz) honey', 'honey', 168],
    ['1 cup (8 oz) butter', 'butter', 226.8],
    ['1 tsp. salt - 6 g', 'salt', 6],
    ['1 tsp salt / 6g', 'salt', 6],
    ['100 g cream 35% fat', 'heavy-cream', 100],
    ['1.250,00 g flour', 'wheat-flour', 1250],
    ['1 000,5 g flour', 'wheat-flour', 1000.5],
    [',5 kg butter', 'butter', 500],
    ['.5 kg butter', 'butter', 500],
    ['butter .5 kg', 'butter', 500],
    ['1 ts salt', 'salt', 5.9],
    ['1 tb honey', 'honey', 21],
  ])('"%s" is %s, %d g', (text, id, grams) => expect(lines(text)).toEqual([['read', id, grams]]));
});

describe('mixed fractions in ounces, beside a measure', () => {
  const wrapped: readonly ((amount: string) => string)[] = [
    (amount) => `2 cups (${amount}) bread flour`,
    (amount) => `2 cups [${amount}] bread flour`,
    (amount) => `2 cups (about ${amount}) bread flour`,
    (amount) => `bread flour, 2 cups (${amount})`,
    (amount) => `(${amount}) bread flour`,
    (amount) => `${amount} bread flour`,
    (amount) => `${amount} (2 cups) bread flour`,
    (amount) => `2 cups / ${amount} bread flour`,
  ];
  const fractions = ['1/2', '1/3', '2/3', '1/4', '3/4', '1/8', '3/8'] as const;
  const joints: readonly ((whole: number, part: string) => string)[] = [
    (whole, part) => `${whole} ${part}`,
    (whole, part) => `${whole}-${part}`,
    (whole, part) => `${whole} and ${part}`,
  ];
  it.each(['oz', 'ounces', 'oz.'])('are read whole, wherever they stand: %s', (unit) =>
    fc.assert(
      fc.property(
        fc.integer({ min: 7, max: 12 }),
        fc.constantFrom(...fractions),
        fc.constantFrom(...joints),
        fc.constantFrom(...wrapped),
        (whole, part, join, wrap) => {
          const [above = 0, below = 1] = part.split('/').map(Number);
          const text = wrap(`${join(whole, part)} ${unit}`);
          const grams = Math.round((whole + above / below) * 28.349523125 * 10) / 10;
          expect([text, lines(text)]).toEqual([text, [['read', 'strong-wheat-flour', grams]]]);
        },
      ),
    ),
  );
});

describe('a weight beside a count of containers', () => {
  it.each<[string, string, number]>([
    ['1 can (14 oz) condensed milk', 'condensed-milk', 396.9],
    ['3 (100 g) bars dark chocolate', 'dark-chocolate', 300],
    ['3 bars (100 g each) dark chocolate', 'dark-chocolate', 300],
    ['3 bars dark chocolate (300 g total)', 'dark-chocolate', 300],
    ['3 bars dark chocolate (300 g in all)', 'dark-chocolate', 300],
    ['½ (14-ounce) can condensed milk', 'condensed-milk', 198.4],
    ['2 (4-ounce) sticks butter', 'butter', 226.8],
    ['2 4-oz sticks butter', 'butter', 226.8],
    ['1 (8-ounce) stick butter', 'butter', 226.8],
    ['2 sticks (8 oz) butter', 'butter', 226.8],
    ['1/2 (4 oz) stick butter', 'butter', 56.7],
  ])('"%s" is %s, %d g', (text, id, grams) => expect(lines(text)).toEqual([['read', id, grams]]));

  it.each<[string, number, number]>([
    ['3 bars dark chocolate (300 g)', 900, 300],
    ['2 packages (8 oz) cream cheese', 453.6, 226.8],
    ['½ can condensed milk (200 g)', 100, 200],
  ])('"%s" may be of each, or of all: it is asked about', (text, each, all) => {
    const [result] = readRecipe(text, settings);
    expect([result?.state, result?.question?.about]).toEqual(['ask', 'amount']);
    expect(result?.question?.choices.map(({ answer }) => Math.round((answer.massG ?? 0) * 10) / 10)).toEqual([
      each,
      all,
    ]);
  });

  it.each(['2-3 bars (100 g each) dark chocolate', '2-3 (100 g) bars dark chocolate'])(
    '"%s" is asked about: from two to three of them',
    (text) => {
      const [result] = readRecipe(text, settings);
      expect(result?.question?.sentence).toBe('200 or 300: how much is it to be?');
      const answered = weighLine(result!.line, settings, { amount: 250 });
      expect(answered.mass?.value).toBeCloseTo(250, 6);
    },
  );
});

describe('an amount that stands elsewhere', () => {
  it.each<[string, string, number]>([
    ['flour (2 cups)', 'wheat-flour', 246.1],
    ['eggs (2)', 'whole-egg', 100],
    ['Eggs x 2', 'whole-egg', 100],
    ['[1 cup walnuts, optional]', 'walnuts', 118.3],
    ['one cup and two tablespoons sugar', 'white-sugar', 224.9],
    ['three-quarters of a cup of sugar', 'white-sugar', 149.9],
    ['one and three quarter cups sugar', 'white-sugar', 349.9],
    ['1 cup heaping sugar', 'white-sugar', 299.9],
    ['1 (heaping) cup sugar', 'white-sugar', 299.9],
    ['1 cup (heaping) sugar', 'white-sugar', 299.9],
    ['sugar 1/2 cup / 100 g', 'white-sugar', 100],
    ['Butter 8 oz/226 g', 'butter', 226.8],
    ['100 g golden caster sugar', 'caster-sugar', 100],
    ['"250 g butter"', 'butter', 250],
    ['250 g butter at 68°F', 'butter', 250],
    ['250 g butter, at 20 °C, salted', 'salted-butter', 250],
    ['250 g butter cut in 1/2-inch cubes', 'butter', 250],
    ['250 g butter, cut into 12 pieces', 'butter', 250],
  ])('"%s" is %s, %d g', (text, id, grams) => expect(lines(text)).toEqual([['read', id, grams]]));

  it.each<[string, [string, number][]]>([
    [
      '1/3 c. each white & dark brown sugar',
      [
        ['white-sugar', 66.6],
        ['dark-brown-sugar', 74.9],
      ],
    ],
    [
      '100 g each dark and milk chocolate',
      [
        ['dark-chocolate', 100],
        ['milk-chocolate', 100],
      ],
    ],
    [
      '50 g each salted and unsalted butter',
      [
        ['salted-butter', 50],
        ['butter', 50],
      ],
    ],
    [
      '1/2 tsp ea. soda, salt',
      [
        ['baking-soda', 2.3],
        ['salt', 3],
      ],
    ],
    [
      'whites and yolks, 30 g each',
      [
        ['egg-white', 30],
        ['egg-yolk', 30],
      ],
    ],
  ])('"%s": what stands once is of each', (text, expected) =>
    expect(lines(text)).toEqual(expected.map(([id, grams]) => ['read', id, grams])),
  );
  it('a comma that stands close before a figure parts, and is no decimal mark', () =>
    expect(lines('100 g butter ,200 g sugar')).toEqual([
      ['read', 'butter', 100],
      ['read', 'white-sugar', 200],
    ]));
  it('brackets stand between two ingredients', () =>
    expect(lines('1 egg (room temp) + 1 egg yolk')).toEqual([
      ['read', 'whole-egg', 50],
      ['read', 'egg-yolk', 18],
    ]));
  it('more of it round the pieces is a line of its own', () =>
    expect(lines('1 cup sugar plus 1/4 cup, for rolling')).toEqual([
      ['read', 'white-sugar', 199.9],
      ['topping read', 'white-sugar', 50],
    ]));

  it.each(['641 g / 558 g flour', 'flour 641 g / 558 g', '8 oz / 9 oz butter'])(
    '"%s": two weights in one unit are not the same again',
    (text) => expect(lines(text).map(([state]) => state)).toEqual(['ask']),
  );

  it.each(['3 oz dark chocolate (85 g), plus 1 oz (28 g) for melting', '100 g butter, plus 20 g for frying'])(
    '"%s": more of it, for something that is not known, is asked about',
    (text) => {
      const [result] = readRecipe(text, settings);
      expect([result?.state, result?.question?.about]).toEqual(['ask', 'amount']);
      expect(weighLine(result!.line, settings, { massG: 113 }).mass?.value).toBe(113);
    },
  );
});

describe('two ingredients in one line', () => {
  it('are two lines; more of the same adds', () => {
    expect(lines('2 eggs plus 1 yolk')).toEqual([
      ['read', 'whole-egg', 100],
      ['read', 'egg-yolk', 18],
    ]);
    expect(lines('2 cups flour, 1 cup sugar, 1 tsp salt').map(([, id]) => id)).toEqual([
      'wheat-flour',
      'white-sugar',
      'salt',
    ]);
    expect(lines('1 cup flour plus 2 tbsp')).toEqual([['read', 'wheat-flour', 138.4]]);
    expect(lines('500 g flour, plus 20 g for dusting')).toEqual([['read', 'wheat-flour', 500]]);
  });
});

describe('a word that makes another thing of it', () => {
  it.each([
    '1 cup peanut-butter chips',
    '1 cup cinnamon chips',
    '100 ml cranberry juice',
    '1 cup fresh cranberries',
    '50 g banana chips',
    '1 cup butter or margarine',
  ])('"%s" is asked about', (text) => expect(lines(text)[0]?.[0]).toBe('ask'));
  it('chips of chocolate are chocolate, fresh eggs are eggs', () => {
    expect(lines('100 g dark chocolate chips')[0]?.[1]).toBe('dark-chocolate');
    expect(lines('2 fresh eggs')[0]?.[1]).toBe('whole-egg');
  });
  it('the grain of a salt is a range', () => {
    const [line] = readSheet('1 tsp flaky salt', settings).lines;
    expect((line?.rangeG?.[1] ?? 0) / (line?.rangeG?.[0] ?? 1)).toBeGreaterThan(2.5);
  });
  it('an egg by its European size', () => expect(lines('2 L eggs')).toEqual([['read', 'whole-egg', 118]]));
});

describe('sections and directions', () => {
  const text = `Harbour Rounds
For the dough:
250 g plain flour
125 g butter
100 g sugar
1 egg

For the glaze: 200 g icing sugar
Topping: 50 g pearl sugar
Filling:
80 g apricot jam

Chill for 2 hours.
Bake at 350 °F for 11 to 13 minutes.
Makes 24 cookies, 7 cm across`;
  const sheet = readSheet(text, settings);
  it('stay apart and become what they are; nothing is lost', () => {
    const found = sheet.lines.filter(({ massG }) => massG !== undefined);
    expect(found.map(({ use, ingredientId }) => `${use} ${ingredientId}`)).toEqual(
      expect.arrayContaining(['dough wheat-flour', 'icing icing-sugar', 'topping pearl-sugar']),
    );
    expect(
      sheet.lines
        .filter(({ use }) => use === 'dough')
        .some(({ ingredientId }) => ingredientId === 'icing-sugar'),
    ).toBe(false);
  });
  it('oven, minutes, chill, yield and size are read', () => {
    expect(sheet.bake).toEqual({ setC: 177, minutes: [11, 13] });
    expect(sheet.rest).toEqual({ hours: [2, 2], where: 'chilled' });
    expect(sheet.yield).toEqual({ pieces: 24, diameterMm: 70 });
  });
  it.each<[string, object]>([
    ['Bake at 180 °C (fan 160 °C) for 12 minutes', { setC: 180, minutes: [12, 12] }],
    ['Preheat the oven to gas mark 4', { setC: 180 }],
    ['Bake 10-12 min at 375 F', { setC: 191, minutes: [10, 12] }],
  ])('"%s"', (line, bake) => expect(readSheet(line, settings).bake).toMatchObject(bake));
  it('what stands over the first line is the name of the recipe, and takes nothing out of the dough', () => {
    const rows = readRecipe('Slipway Drop:\n250 g flour\n100 g butter\n\nFor the sauce:\n50 g honey', {
      measures: 'us',
      schools: {},
    });
    expect(rows.filter(({ state }) => state === 'read').map(({ use }) => use)).toEqual([
      'dough',
      'dough',
      'other',
    ]);
    const formula = assembleFormula(rows, { code: 'SLW', name: 'Slipway Drop' });
    expect(
      formula.stages.flatMap(({ lines: own }) => own.map(({ ingredientId }) => ingredientId)).sort(),
    ).toEqual(['butter', 'wheat-flour']);
  });
  it('icing and filling are no part of the dough that is made of it', () => {
    const results = readRecipe('250 g flour\n125 g butter\nGlaze:\n200 g icing sugar', settings);
    const formula = assembleFormula(results, { code: 'HRB', name: 'Harbour' });
    expect(formula.stages.flatMap((stage) => stage.lines.map((line) => line.ingredientId))).toEqual([
      'butter',
      'wheat-flour',
    ]);
    // The glaze goes on the baked piece, and takes its time; its allergens count.
    expect(formula.toppings).toEqual([{ ingredientId: 'icing-sugar', percent: 80, on: 'iced' }]);
    expect(formula.afterBake).toEqual({ icePieceS: 4, dryS: 1800 });
    const creamy = readRecipe('250 g flour\n125 g sugar\nIcing:\n100 g cream cheese', settings);
    expect(allergensOf(assembleFormula(creamy, { code: 'HRB', name: 'Harbour' }))).toContain('milk');
    const filled = readRecipe('250 g flour\n125 g butter\nFilling:\n200 g icing sugar', settings);
    expect(assembleFormula(filled, { code: 'HRB', name: 'Harbour' }).toppings).toEqual([]);
  });
  it('a topping is rolled in where the recipe says so, else it is on top', () => {
    const made = (text: string) =>
      assembleFormula(readRecipe(`250 g flour\n125 g butter\n${text}`, settings), {
        code: 'HRB',
        name: 'Harbour',
      }).toppings.map(({ on }) => on);
    expect(made('50 g sugar, for rolling')).toEqual(['coat']);
    expect(made('Topping:\n20 g sesame')).toEqual(['top']);
    expect(made('20 g pearl sugar, to finish')).toEqual(['top']);
  });
});

describe('metric pages of other kitchens', () => {
  it('a German one', () =>
    expect(
      lines('250 g Mehl (Type 405)\n125 g Butter\n1 TL Backpulver\n1 Prise Salz\n2 Eier\n2 EL Honig').map(
        ([, id]) => id,
      ),
    ).toEqual(['wheat-flour', 'butter', 'baking-powder', 'salt', 'whole-egg', 'honey']));
  it('a French one', () =>
    expect(
      lines('250 g de farine\n125 g de beurre doux\n100 g de sucre\n1 jaune d’œuf\n2 c. à soupe de miel').map(
        ([, id]) => id,
      ),
    ).toEqual(['wheat-flour', 'butter', 'white-sugar', 'egg-yolk', 'honey']));
});

describe('results that no dough has', () => {
  it.each([
    ['500 g flour\n2 kg butter', 1],
    ['500 g flour\n100 g salt', 1],
    ['500 g flour\n60 g baking soda', 1],
  ])('%j is asked about', (text, line) => expect(lines(text)[line]?.[0]).toBe('ask'));
  it('an ordinary one is not', () =>
    expect(
      lines('500 g flour\n350 g butter\n8 g salt\n6 g baking soda').every(([state]) => state === 'read'),
    ).toBe(true));
});

describe('a thousand lines with known grams, in ten styles', () => {
  const foods = [
    'wheat-flour',
    'butter',
    'white-sugar',
    'salt',
    'walnuts',
    'dark-chocolate',
    'honey',
  ] as const;
  const blank = (grams: number, mark: string) => String(grams).replace(/\B(?=(\d{3})+$)/g, mark);
  const styles: readonly ((grams: number, name: string) => string)[] = [
    (g, name) => `${g} g ${name}`,
    (g, name) => `${g}g ${name}`,
    (g, name) => `${name}: ${g} g`,
    (g, name) => `${name} – ${g}g`,
    (g, name) => `${blank(g, '.')} g ${name}`,
    (g, name) => `${blank(g, ' ')} g ${name}`,
    (g, name) => `${blank(g, '’')} g ${name}`,
    (g, name) => `${(g / 1000).toFixed(3).replace('.', ',')} kg ${name}`,
    (g, name) => `- ${g} grams of ${name}, sifted`,
    (g, name) => `${g} g ${name} (or ${g + 20} g of another)`,
  ];
  it('none is wrong in silence, and hardly any is asked about', () => {
    let asked = 0;
    let all = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...foods),
        fc.constantFrom(...styles),
        fc.integer({ min: 1, max: 800 }).map((n) => n * 5),
        (id, style, grams) => {
          const text = style(grams, ingredient(id).name.toLowerCase());
          const [line] = readSheet(text, settings).lines;
          all += 1;
          if (line?.state === 'ask') asked += 1;
          else expect([text, line?.ingredientId, Math.round(line?.massG ?? 0)]).toEqual([text, id, grams]);
        },
      ),
      { numRuns: 1000 },
    );
    expect(asked / all).toBeLessThan(0.02);
  });
});

describe('what a page leaves in its text', () => {
  it.each([
    ['1&frac12; cups sugar', 299.88],
    ['1 &#189; cups sugar', 299.88],
    ['1&nbsp;cup sugar', 199.92],
    ['<li><b>1 cup</b> sugar</li>', 199.92],
    ['<span class="amount">200</span> g sugar', 200],
    ['one-and-one-half cups sugar', 299.88],
    ['heaping 1/2 cup sugar', 149.94],
    ['200 g sugar &amp; a smile', 'ask'],
    ['less than <5 g sugar', 'ask'],
  ])('%s', (text, wanted) => {
    const [line] = readSheet(text, { measures: 'us', schools: {} }).lines;
    expect(line?.text).toBe(text);
    if (wanted === 'ask') expect(line?.state).toBe('ask');
    else
      expect([line?.ingredientId, Math.round((line?.massG ?? 0) * 100) / 100]).toEqual([
        'white-sugar',
        wanted,
      ]);
  });
  it('what lies on top by a drizzle is a topping', () => {
    const { lines } = readSheet('150 g white chocolate, plus 50 g to drizzle', {
      measures: 'us',
      schools: {},
    });
    expect(lines.map(({ massG, use }) => [massG, use])).toEqual([
      [150, 'dough'],
      [50, 'topping'],
    ]);
  });
});
