import type { VolumeUnit, MassUnit } from '../quantity/index.js';

/** Whose spoons and cups a recipe means. */
export type Measures = 'us' | 'metric' | 'imperial';

/** A unit as written: a mass, a volume (whose size hangs on the measures), a count of pieces, or baker's percent. */
export type WrittenUnit =
  | { readonly kind: 'mass'; readonly unit: MassUnit }
  | {
      readonly kind: 'volume';
      readonly unit: 'ml' | 'cl' | 'dl' | 'l' | 'tsp' | 'dsp' | 'tbsp' | 'cup' | 'floz' | 'pint' | 'quart';
    }
  | { readonly kind: 'speck'; readonly name: 'pinch' | 'dash' | 'smidgen' }
  | { readonly kind: 'stick' }
  | { readonly kind: 'vague'; readonly name: string }
  | { readonly kind: 'percent' }
  | { readonly kind: 'piece' };

const mass = (unit: MassUnit): WrittenUnit => ({ kind: 'mass', unit });
const volume = (unit: Extract<WrittenUnit, { kind: 'volume' }>['unit']): WrittenUnit => ({
  kind: 'volume',
  unit,
});
const words = (list: string, unit: WrittenUnit): readonly (readonly [string, WrittenUnit])[] =>
  list.split(' ').map((word) => [word, unit] as const);

/** Units by the words for them. `T` and `t` tell a tablespoon from a teaspoon, so case counts for these two alone. */
const byWord: ReadonlyMap<string, WrittenUnit> = new Map([
  ...words('g gr grs gram grams gramm gramme grammes gm gms', mass('g')),
  ...words('kg kilo kilos kilogram kilograms', mass('kg')),
  ...words('mg milligram milligrams', mass('mg')),
  ...words('oz ounce ounces', mass('oz')),
  ...words('lb lbs pound pounds', mass('lb')),
  ...words('ml millilitre millilitres milliliter milliliters cc', volume('ml')),
  ...words('cl centilitre centilitres', volume('cl')),
  ...words('dl decilitre decilitres deciliter deciliters', volume('dl')),
  ...words('l litre litres liter liters', volume('l')),
  ...words('tsp tsps ts teaspoon teaspoons teaspoonful t tl teelöffel càc', volume('tsp')),
  ...words('dsp dstspn dessertspoon dessertspoons dessertspoonful', volume('dsp')),
  ...words('tbsp tbsps tbs tbl tb tablespoon tablespoons tablespoonful T el esslöffel càs', volume('tbsp')),
  ...words('c cup cups cupful cupfuls', volume('cup')),
  ...words('floz fluid-ounce', volume('floz')),
  ...words('pt pint pints', volume('pint')),
  ...words('qt quart quarts', volume('quart')),
  ...words('pinch pinches prise prisen pincée pincées', { kind: 'speck', name: 'pinch' }),
  ...words('dash dashes', { kind: 'speck', name: 'dash' }),
  ...words('smidgen smidgens', { kind: 'speck', name: 'smidgen' }),
  ...words('stick sticks', { kind: 'stick' }),
  ...words('%', { kind: 'percent' }),
  ...words(
    'can cans tin tins packet packets pkt pkts package packages pack packs pkg sachet sachets envelope envelopes box boxes bag bags jar jars bar bars handful handfuls glass glasses knob knobs päckchen pck pkgs brick bricks shot shots tube tubes roll rolls splash splashes drizzle drizzles drop drops piece pieces slice slices block blocks tub tubs carton cartons scoop scoops little bit touch squeeze glug dollop sprinkling',
    { kind: 'vague', name: '' },
  ).map(([word]) => [word, { kind: 'vague', name: word }] as const),
]);

/** Words for what an ingredient is sold in, as a pattern. */
export const containers =
  'cans?|tins?|packets?|pkts?\\.?|packages?|packs?|pkgs?\\.?|sachets?|envelopes?|bars?|jars?|bags?|blocks?|bricks?|boxes|box|pots?|tubs?|cartons?';

/** The unit of a word, or undefined. A trailing dot is part of an abbreviation. */
export const unitOfWord = (word: string): WrittenUnit | undefined => {
  const bare = word.replace(/\.$/, '');
  if (bare === 'T') return volume('tbsp');
  return byWord.get(bare) ?? byWord.get(bare.toLowerCase());
};

/** The volume unit of the measures that a recipe is read in. */
export const unitIn = (
  unit: Extract<WrittenUnit, { kind: 'volume' }>['unit'],
  measures: Measures,
): VolumeUnit => {
  if (unit === 'ml' || unit === 'cl' || unit === 'dl' || unit === 'l' || unit === 'dsp') return unit;
  if (measures === 'us') return unit;
  if (measures === 'imperial') return `imperial-${unit}`;
  return unit === 'tsp' || unit === 'tbsp' || unit === 'cup' ? `metric-${unit}` : unit;
};

/** Teaspoons in what fingers take up, with how far it may be off: kitchen usage, no standard. */
export const specks = {
  pinch: { tsp: 1 / 16, range: [0.5, 2] },
  dash: { tsp: 1 / 8, range: [0.5, 2] },
  smidgen: { tsp: 1 / 32, range: [0.5, 2] },
} as const;

/** How much more or less than level a spoon or cup holds, by what the recipe calls it: typical, with its range. */
export const fills: Readonly<
  Record<string, { readonly factor: number; readonly range: readonly [number, number] }>
> = {
  heaping: { factor: 1.5, range: [1.25, 1.9] },
  heaped: { factor: 1.5, range: [1.25, 1.9] },
  rounded: { factor: 1.25, range: [1.1, 1.5] },
  generous: { factor: 1.1, range: [1, 1.2] },
  scant: { factor: 0.9, range: [0.8, 1] },
};

/** Whole numbers from one to ten that are written as words. */
export const countWords: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
};
/** All numbers that are written as words. */
export const numberWords: Readonly<Record<string, number>> = {
  ...countWords,
  twelve: 12,
  dozen: 12,
  half: 0.5,
  quarter: 0.25,
};

/** Words of preparation and praise that do not change what the ingredient is. */
export const noise: ReadonlySet<string> = new Set(
  `softened soft melted cold chilled cool cooled warm hot boiling room temperature at temp diced cubed chopped roughly
  coarsely finely coarse grated toasted roasted sifted sieved packed firmly tightly lightly loosely level levelled
  leveled spooned dipped fresh freshly squeezed organic good quality best beaten whisked separated ripe mashed pure
  free range of the a an and about approximately approx your favourite favorite plus more extra optional divided
  into cut in chunks whole pitted peeled crushed ground dried natural raw unbleached bleached heaped heaping
  small medium large jumbo xl size sized brewed to taste for or each thin thick unsweetened smooth creamy crunchy
  de du des d la le un une ein eine einer shells shelled skinned blanched halves pieces plain shredded minced browned well drained rinsed from juice juiced zest
  zested lukewarm weiche weich gemahlen gehackt zimmerwarm mou molle fondu fondue haché tepid stirred see note notes`.split(
    /\s+/,
  ),
);

/** Names that more than one ingredient goes by: asked about. */
export const ambiguous: Readonly<Record<string, readonly string[]>> = {
  'brown sugar': ['light-brown-sugar', 'dark-brown-sugar'],
  muscovado: ['light-brown-sugar', 'dark-brown-sugar'],
  lemon: ['lemon-zest', 'lemon-juice'],
  lime: ['lime-zest', 'lime-juice'],
  orange: ['orange-zest', 'orange-juice'],
  'corn flour': ['cornflour', 'maize-flour'],
  chocolate: ['dark-chocolate', 'semisweet-chocolate', 'milk-chocolate'],
  nut: ['walnuts', 'pecans', 'hazelnuts', 'almonds'],
  'mixed nuts': ['walnuts', 'pecans', 'hazelnuts', 'almonds'],
  syrup: ['golden-syrup', 'glucose-syrup', 'maple-syrup'],
  ginger: ['ginger', 'fresh-ginger', 'crystallised-ginger'],
  'nut butter': ['peanut-butter', 'almond-butter', 'cashew-butter'],
  cocoa: ['cocoa-powder', 'dutch-cocoa'],
  'cocoa powder': ['cocoa-powder', 'dutch-cocoa'],
  starch: ['cornflour', 'potato-starch', 'tapioca-starch'],
  shortening: ['shortening', 'lard'],
};
