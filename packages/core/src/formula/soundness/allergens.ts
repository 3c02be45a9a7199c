import { classOfSource, type Allergen, type Ingredient } from '../../ingredient/index.js';

/** Words in a name that imply an allergen, and names that carry the word without it. */
const implied: readonly (readonly [RegExp, Allergen, RegExp?])[] = [
  [/peanut/i, 'peanut'],
  [/\b(?:almond|hazelnut|walnut|pecan|cashew|pistachio|macadamia|praline|marzipan)/i, 'nuts'],
  [
    /\b(?:milk|butter(?!milk)|buttermilk|cream(?! of tartar)|cheese|yog(?:h)?urt|whey)\b/i,
    'milk',
    /(?:peanut|almond|cashew|hazelnut|nut|cocoa|pistachio) butter|(?:almond|oat|soy|coconut|soya) milk|(?:vegan|plant) butter|chickpea/i,
  ],
  [/\begg/i, 'egg', /chickpea|aquafaba/i],
  [/\b(?:sesame|tahini)/i, 'sesame'],
  [/\bsoya?\b/i, 'soy'],
  [/\b(?:wheat(?!\s*-?free)|spelt|semolina|durum)/i, 'gluten', /buckwheat/i],
  [/\b(?:rye|barley)\b/i, 'gluten'],
  [/\blupin/i, 'lupin'],
  [/\bmustard/i, 'mustard'],
];

/** Allergens that the name of an ingredient implies and its declaration lacks. */
export const undeclaredIn = ({
  name,
  allergens,
}: Pick<Ingredient, 'name' | 'allergens'>): readonly Allergen[] => {
  return [
    ...new Set(
      implied
        .filter(
          ([word, allergen, except]) =>
            word.test(name) && !except?.test(name) && !allergens.includes(allergen),
        )
        .map(([, allergen]) => allergen),
    ),
  ];
};

/** Classes that an ingredient declares without saying which nut or cereal it is: a label must name it. */
export const unnamedIn = ({
  allergens,
  which = [],
}: Pick<Ingredient, 'allergens' | 'which'>): readonly Allergen[] =>
  (['nuts', 'gluten'] as const).filter(
    (of) =>
      allergens.includes(of) &&
      !which.some((source) => classOfSource(source) === of) &&
      !(of === 'gluten' && allergens.includes('wheat')),
  );
