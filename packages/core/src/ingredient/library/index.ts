import { JokulError, say } from '../../shown/index.js';
import { composite } from '../composite.js';
import type { Ingredient } from '../ingredient.js';
import { compositeRows } from './composites.js';
import { eggsAndLiquids } from './eggs-dairy.js';
import { fats } from './fats.js';
import { flours } from './flours.js';
import { inclusions } from './inclusions.js';
import { readRows } from './read-rows.js';
import { smallAmounts } from './small.js';
import { sugars } from './sugars.js';

const typical = say`typical, after public food-composition tables, rounded`;
const typicalAcid = say`${typical}; base, acid and gas from molar masses or typical titratable acidity`;

const plain = [
  ...readRows(flours, typical),
  ...readRows(fats, typical),
  ...readRows(sugars, typicalAcid),
  ...readRows(eggsAndLiquids, typicalAcid),
  ...readRows(smallAmounts, typicalAcid),
  ...readRows(inclusions, typical),
];

const shipped = new Map<string, Ingredient>(plain.map((row) => [row.id, row]));

/** Ingredients by their ids. */
export type Library = ReadonlyMap<string, Ingredient>;

/** The ingredients that ship with Jokul. A bakery's own come beside them in a library of its own: see `libraryOf`. */
export const ingredients: Library = shipped;

/**
 * The ingredient of that id.
 * @param library that of the bakery; what ships with Jokul where left out
 * @throws JokulError `unknown-ingredient`
 */
export const ingredient = (id: string, library: Library = shipped): Ingredient => {
  const found = library.get(id);
  if (!found)
    throw new JokulError('unknown-ingredient', say`"${id}" is not in the ingredient library.`, 'ingredient');
  return found;
};

for (const { parts, pieces = {}, ...row } of compositeRows) {
  const shares = Object.entries(parts).map(([ingredientId, share]) => ({ ingredientId, share }));
  shipped.set(row.id, composite({ ...row, pieceG: pieces }, shares, ingredient));
}

/**
 * Says the names of what ships otherwise, as a page is said in a language: once, before anything is shown. What they were
 * called goes on to find them.
 */
export const sayNames = (otherwise: (name: string) => string): void => {
  for (const food of shipped.values()) {
    const name = otherwise(food.name);
    if (name !== food.name)
      shipped.set(food.id, { ...food, name, words: [...food.words, food.name.toLowerCase()] });
  }
};

export const isShipped = (id: string): boolean => shipped.has(id);

/** A bakery with many of its own asks for its library at every key that is typed. */
const libraries = new WeakMap<readonly Ingredient[], Library>();

/**
 * The library of a bakery: what ships with Jokul, then the bakery's own.
 * @throws JokulError `ingredient-taken` for an id of what ships
 */
export const libraryOf = (own: readonly Ingredient[]): Library => {
  const known = libraries.get(own);
  if (known) return known;
  for (const { id } of own)
    if (shipped.has(id))
      throw new JokulError('ingredient-taken', say`"${id}" is an ingredient of the library already.`, 'id');
  const library: Library =
    own.length === 0 ? shipped : new Map([...shipped, ...own.map((row) => [row.id, row] as const)]);
  libraries.set(own, library);
  return library;
};

/** Something that names an ingredient: a line of a formula, an amount on a sheet. */
export interface NamesFood {
  readonly ingredientId: string;
  /** The bakery's own ingredient as it is, or as it was when a lot was begun; left out for one that ships with Jokul. */
  readonly food?: Ingredient;
}

/** As a line names an ingredient: the bakery's own comes along with it. */
export const named = (food: Ingredient): NamesFood => ({
  ingredientId: food.id,
  ...(!shipped.has(food.id) && { food }),
});

/** The ingredient that is meant. @throws JokulError `unknown-ingredient` */
export const foodOf = ({ ingredientId, food }: NamesFood): Ingredient => food ?? ingredient(ingredientId);

/** What an ingredient is made of down to plain ingredients; a plain one is itself. Shares add up to 1. */
export const plainParts = (
  food: Ingredient,
): readonly { readonly food: Ingredient; readonly share: number }[] =>
  food.parts.length === 0
    ? [{ food, share: 1 }]
    : food.parts.flatMap((of) =>
        plainParts(foodOf(of)).map((part) => ({ ...part, share: part.share * of.share })),
      );
