import { JokulError } from '../shown/index.js';
import { normaliseComposition, type Allergen, type Ingredient, type IngredientKind } from './ingredient.js';

const typical = 'typical values of public food-composition tables, rounded';

type Row = readonly [
  id: string,
  name: string,
  kind: IngredientKind,
  // water, fat, protein, carbohydrate, fibre, ash in percent
  composition: readonly [number, number, number, number, number, number],
  densityGPerMl: Readonly<Record<string, number>>,
  allergens?: readonly Allergen[],
];

const rows: readonly Row[] = [
  [
    'wheat-flour',
    'Wheat flour',
    'flour',
    [13, 1.2, 10.5, 72, 2.7, 0.6],
    { spooned: 0.52, dipped: 0.61 },
    ['gluten'],
  ],
  [
    'dark-rye-flour',
    'Dark rye flour',
    'flour',
    [13, 2, 9.5, 60, 14, 1.5],
    { spooned: 0.46, dipped: 0.54 },
    ['gluten'],
  ],
  [
    'malted-barley-flour',
    'Malted barley flour',
    'flour',
    [7, 1.8, 10.5, 71.5, 7.5, 1.7],
    { spooned: 0.56 },
    ['gluten'],
  ],
  ['cornflour', 'Cornflour', 'flour', [11, 0.1, 0.3, 87.6, 0.9, 0.1], { spooned: 0.54 }],
  ['butter', 'Butter, unsalted', 'butter', [16, 81.5, 0.9, 0.8, 0, 0.8], { packed: 0.96 }, ['milk']],
  ['browned-butter', 'Browned butter', 'butter', [0.5, 97.2, 0.8, 0.7, 0, 0.8], { liquid: 0.91 }, ['milk']],
  ['tahini', 'Tahini', 'nut-butter', [2, 55, 18, 12, 9, 4], { stirred: 1.02 }, ['sesame']],
  ['peanut-butter', 'Peanut butter', 'nut-butter', [1.5, 50, 24, 16, 6, 2.5], { stirred: 1.09 }, ['peanut']],
  ['white-sugar', 'White sugar', 'sugar', [0.1, 0, 0, 99.9, 0, 0], { level: 0.845 }],
  [
    'light-brown-sugar',
    'Light brown sugar',
    'sugar',
    [1.5, 0, 0, 97.7, 0, 0.8],
    { packed: 0.93, loose: 0.72 },
  ],
  ['dark-brown-sugar', 'Dark brown sugar', 'sugar', [2, 0, 0, 96.7, 0, 1.3], { packed: 0.95, loose: 0.74 }],
  ['icing-sugar', 'Icing sugar', 'sugar', [0.3, 0, 0, 99.7, 0, 0], { sifted: 0.48, dipped: 0.56 }],
  ['pearl-sugar', 'Pearl sugar', 'sugar', [0.1, 0, 0, 99.9, 0, 0], { level: 0.7 }],
  ['molasses', 'Molasses', 'syrup', [22, 0.1, 0, 73.9, 0, 4], { level: 1.42 }],
  ['malt-syrup', 'Malt syrup', 'syrup', [22, 0, 5, 71.8, 0, 1.2], { level: 1.41 }],
  ['whole-egg', 'Whole egg', 'egg', [76, 9.5, 12.6, 0.8, 0, 1.1], { beaten: 1.03 }, ['egg']],
  ['egg-yolk', 'Egg yolk', 'egg', [52, 27, 16, 3.5, 0, 1.5], { beaten: 1.03 }, ['egg']],
  ['egg-white', 'Egg white', 'egg', [87.6, 0, 10.9, 0.9, 0, 0.6], { beaten: 1.03 }, ['egg']],
  ['yoghurt', 'Yoghurt, plain', 'liquid', [87, 3.5, 4, 4.8, 0, 0.7], { level: 1.03 }, ['milk']],
  ['lemon-juice', 'Lemon juice', 'liquid', [92.3, 0.2, 0.4, 6.5, 0.3, 0.3], { level: 1.03 }],
  ['lime-juice', 'Lime juice', 'liquid', [91, 0.1, 0.4, 7.8, 0.4, 0.3], { level: 1.03 }],
  ['vanilla', 'Vanilla extract', 'flavour', [87, 0, 0, 12.6, 0, 0.4], { level: 0.95 }],
  ['lemon-zest', 'Lemon zest', 'flavour', [81.5, 0.3, 1.5, 5.6, 10.6, 0.5], { loose: 0.4 }],
  ['lime-zest', 'Lime zest', 'flavour', [81.5, 0.3, 1.5, 5.6, 10.6, 0.5], { loose: 0.4 }],
  ['ginger', 'Ground ginger', 'flavour', [10, 4.2, 9, 57.5, 14, 5.3], { level: 0.37 }],
  ['cinnamon', 'Ground cinnamon', 'flavour', [10.5, 1.2, 4, 27.5, 53, 3.8], { level: 0.53 }],
  ['clove', 'Ground clove', 'flavour', [10, 13, 6, 31.5, 34, 5.5], { level: 0.43 }],
  ['cardamom', 'Ground cardamom', 'flavour', [8.3, 6.7, 10.8, 40.4, 28, 5.8], { level: 0.4 }],
  ['baking-soda', 'Baking soda', 'leavening', [0, 0, 0, 0, 0, 100], { level: 0.93 }],
  ['baking-powder', 'Baking powder', 'leavening', [5, 0, 0, 28, 0, 67], { level: 0.86 }],
  ['salt', 'Fine salt', 'salt', [0.2, 0, 0, 0, 0, 99.8], { level: 1.2 }],
  ['flaked-salt', 'Flaked salt', 'salt', [0.2, 0, 0, 0, 0, 99.8], { loose: 0.6 }],
  [
    'black-sesame',
    'Black sesame',
    'inclusion',
    [4.7, 49.7, 17.7, 11.7, 11.8, 4.4],
    { level: 0.6 },
    ['sesame'],
  ],
  ['sesame', 'Sesame', 'inclusion', [4.7, 49.7, 17.7, 11.7, 11.8, 4.4], { level: 0.6 }, ['sesame']],
  ['poppy-seed', 'Poppy seed', 'inclusion', [6, 41.6, 18, 8.6, 19.5, 6.3], { level: 0.59 }],
  ['walnuts', 'Walnuts, chopped', 'inclusion', [4.1, 65.2, 15.2, 7, 6.7, 1.8], { chopped: 0.5 }, ['nuts']],
  [
    'chopped-peanuts',
    'Peanuts, chopped',
    'inclusion',
    [1.6, 49.7, 23.7, 13.5, 8, 3.5],
    { chopped: 0.6 },
    ['peanut'],
  ],
  ['coconut', 'Coconut, shredded dry', 'inclusion', [3, 64.5, 6.9, 7.4, 16.3, 1.9], { loose: 0.35 }],
  ['dates', 'Dates, chopped', 'inclusion', [20.5, 0.4, 2.5, 67, 8, 1.6], { chopped: 0.62 }],
  ['cocoa-nibs', 'Cocoa nibs', 'inclusion', [5, 50, 13, 19, 10, 3], { level: 0.55 }],
];

/** Every ingredient by its id. */
export const ingredients: ReadonlyMap<string, Ingredient> = new Map(
  rows.map(([id, name, kind, percent, densityGPerMl, allergens = []]) => {
    const [water, fat, protein, carbohydrate, fibre, ash] = percent.map((p) => p / 100) as [
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const composition = normaliseComposition({ water, fat, protein, carbohydrate, fibre, ash }, id);
    return [id, { id, name, kind, composition, densityGPerMl, allergens, source: typical }];
  }),
);

/** The ingredient of that id. @throws JokulError `unknown-ingredient` */
export const ingredient = (id: string): Ingredient => {
  const found = ingredients.get(id);
  if (!found)
    throw new JokulError('unknown-ingredient', `"${id}" is not in the ingredient library.`, 'ingredient');
  return found;
};
