import {
  componentNames,
  fatIn,
  fatNames,
  fatOf,
  solidFatShare,
  solidIn,
  type Fats,
  foodOf,
  normaliseComposition,
  reducingSugars,
  thinningSugar,
  type Ingredient,
  type Allergen,
  type AllergenSource,
  type Declared,
  type Composition,
} from '../ingredient/index.js';
import { doughLines, doughParts, type Formula } from './formula.js';

/** Everything the heat and bake models need to know of a dough; mass fractions of the raw dough. */
export interface Dough {
  readonly composition: Composition;
  readonly flour: number;
  readonly sugar: number;
  /** What the sugars count for in thinning the dough, as white sugar; as half white and half brown when left out. */
  readonly thinning?: number;
  /** Fats that act in the dough, by how they melt; the fat of nut butters and inclusions counts in the composition only. */
  readonly fats: Fats;
  readonly eggProtein: number;
  /** Sugars that brown at once; as of the typical dough when left out. */
  readonly reducing?: number;
  /** Protein of the flours, share of the flours' mass: their strength; as of plain flour when left out. */
  readonly flourProtein?: number;
  readonly inclusions: number;
  /** Dry solids outside fat and inclusions: they share the dough's water. */
  readonly nonFatSolids: number;
}

/** The typical creamed dough used where no formula is given: flour 30, butter 20, sugars 28, egg 8, inclusions 14 %. */
const typicalComposition: Composition = normaliseComposition({
  water: 0.1367,
  fat: 0.2162,
  protein: 0.0503,
  carbohydrate: 0.5752,
  fibre: 0.0137,
  ash: 0.0079,
});
export const typicalDough: Dough = {
  composition: typicalComposition,
  flour: 0.3,
  sugar: 0.28,
  fats: { 'milk-fat': 0.163 },
  eggProtein: 0.0101,
  inclusions: 0.14,
  nonFatSolids: 0.551,
};

/** The typical dough with another composition: the working fractions follow water, fat and carbohydrate. */
export const doughFromComposition = (raw: Composition): Dough => {
  const composition = normaliseComposition(raw);
  const fat = composition.fat / typicalComposition.fat;
  const starchy = composition.carbohydrate / typicalComposition.carbohydrate;
  return {
    composition,
    flour: typicalDough.flour * starchy,
    sugar: typicalDough.sugar * starchy,
    fats: { 'milk-fat': fatIn(typicalDough.fats) * fat },
    eggProtein: typicalDough.eggProtein,
    inclusions: typicalDough.inclusions,
    nonFatSolids: Math.max(0.05, 1 - composition.water - composition.fat - 0.685 * typicalDough.inclusions),
  };
};

/** Sugars of the typical dough that brown at once (half of its sugar is brown), and the protein of plain flour. */
export const typicalReducing = 0.005;
export const plainFlourProtein = 0.105;

/** Only wheat, rye and spelt make gluten: other flours and starches weaken the blend. */
const strengthOf = (parts: readonly { readonly ingredient: Ingredient; readonly mass: number }[]): number => {
  const flours = parts.filter(({ ingredient: { kind } }) => kind === 'flour');
  const mass = flours.reduce((sum, part) => sum + part.mass, 0);
  const gluten = flours.reduce(
    (sum, { ingredient: { allergens, composition }, mass: m }) =>
      sum + (allergens.includes('gluten') ? m * composition.protein : 0),
    0,
  );
  return mass > 0 ? gluten / mass : plainFlourProtein;
};

/** The raw dough of a formula, from the composition of its ingredients. */
export const doughOf = (formula: Pick<Formula, 'stages'>): Dough => {
  const parts = doughLines(formula)
    .flatMap(doughParts)
    .map(({ food, percent }) => ({ ingredient: food, mass: percent }));
  const total = parts.reduce((sum, part) => sum + part.mass, 0);
  const share = (of: (part: (typeof parts)[number]) => number) =>
    parts.reduce((sum, part) => sum + of(part) * part.mass, 0) / total;
  const composition = normaliseComposition(
    Object.fromEntries(
      componentNames.map((name) => [name, share((part) => part.ingredient.composition[name])]),
    ) as unknown as Composition,
  );
  const kind = (...kinds: string[]) => share((part) => (kinds.includes(part.ingredient.kind) ? 1 : 0));
  const inclusionSolids = share(({ ingredient: { kind, composition: c } }) =>
    kind === 'inclusion' ? 1 - c.water - c.fat : 0,
  );
  return {
    composition,
    flour: kind('flour'),
    sugar:
      kind('sugar') +
      share((part) => (part.ingredient.kind === 'syrup' ? part.ingredient.composition.carbohydrate : 0)),
    fats: Object.fromEntries(
      fatNames
        .map((name) => [
          name,
          share((part) => (fatOf(part.ingredient) === name ? part.ingredient.composition.fat : 0)),
        ])
        .filter(([, of]) => of !== 0),
    ) as Fats,
    eggProtein: share((part) => (part.ingredient.kind === 'egg' ? part.ingredient.composition.protein : 0)),
    reducing: share((part) => (part.ingredient.kind === 'inclusion' ? 0 : reducingSugars(part.ingredient))),
    thinning: share((part) => thinningSugar(part.ingredient)),
    flourProtein: strengthOf(parts),
    inclusions: kind('inclusion'),
    nonFatSolids: 1 - composition.water - composition.fat - inclusionSolids,
  };
};

/** Solid share of the fat that acts in a dough, 0 to 1; of milk fat where there is hardly any. */
export const solidFatOf = (dough: Dough, temperatureC: number): number => {
  const all = fatIn(dough.fats);
  return all > 0.01 ? solidIn(dough.fats, temperatureC) / all : solidFatShare(temperatureC);
};

/** What anyone who eats it must know, from all ingredients and toppings, in alphabetical order. */
export const allergensOf = (formula: Formula): readonly Allergen[] =>
  [
    ...new Set([...doughLines(formula), ...formula.toppings].flatMap((line) => foodOf(line).allergens)),
  ].sort();

/** The nuts and cereals among its allergens by name, in alphabetical order. */
export const whichOf = (formula: Formula): readonly AllergenSource[] =>
  [
    ...new Set([...doughLines(formula), ...formula.toppings].flatMap((line) => foodOf(line).which ?? [])),
  ].sort();

/** What anyone who eats it must know, with the nuts and cereals by name. */
export const declaredIn = (formula: Formula): readonly Declared[] => [
  ...allergensOf(formula),
  ...whichOf(formula),
];
