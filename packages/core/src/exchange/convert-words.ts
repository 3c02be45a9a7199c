import {
  convert,
  ingredient,
  ingredients,
  type Conversion,
  type Ingredient,
  type Library,
} from '../ingredient/index.js';
import { isMassUnit, isVolumeUnit } from '../quantity/index.js';
import { JokulError, say } from '../shown/index.js';
import { likely, matchIngredient } from './match-ingredient.js';
import { specks, unitOfWord } from './words.js';

/* Grams of an amount whose unit and ingredient are named as people name them: "2 sticks of butter", "1 fl oz of milk". */

export interface SaidConversion extends Conversion {
  readonly ingredientId: string;
}

const foodNamed = (name: string, library: Library): Ingredient => {
  const byId = library.get(name);
  if (byId) return byId;
  const { ids, left } = matchIngredient(name, library);
  const [only, second] = ids;
  if (only !== undefined && second === undefined && left.length === 0) return ingredient(only, library);
  const offered = ids.length > 1 ? ids : likely(name, library, 3);
  throw new JokulError(
    ids.length > 1 ? 'ambiguous-ingredient' : 'unknown-ingredient',
    ids.length > 1
      ? say`"${name}" may be several things: say one of ${offered.join(', ')}.`
      : offered.length > 0
        ? say`"${name}" is not in the ingredient library: say one of ${offered.join(', ')}.`
        : say`"${name}" is not in the ingredient library.`,
    'ingredient',
  );
};

/** One of something that is counted: by its size, or by the piece where there is one size. */
const pieceOf = (
  unit: string,
  { pieceG, name }: Ingredient,
): { readonly grams: number; readonly said: string } | null => {
  const sizes = Object.keys(pieceG).filter((size) => size !== 'stick');
  const word = unit.toLowerCase().replace(/\s+/g, '-');
  const single = word.replace(/s$/, '');
  const size = [word, single].find((one) => Object.hasOwn(pieceG, one));
  if (size !== undefined) return { grams: pieceG[size] ?? Number.NaN, said: size };
  if (single !== 'piece' && single !== 'each') return null;
  const [only] = sizes;
  if (only !== undefined && sizes.length === 1) return { grams: pieceG[only] ?? Number.NaN, said: only };
  throw new JokulError(
    'unknown-unit',
    sizes.length > 1
      ? say`${name} comes in sizes: say one of ${sizes.join(', ')}.`
      : say`Pieces of ${name.toLowerCase()} have no set weight.`,
    'unit',
  );
};

/** A unit by its short name, or by a word for it. */
const unitNamed = (unit: string): { readonly unit: string; readonly share: number } | null => {
  if (isMassUnit(unit) || isVolumeUnit(unit)) return { unit, share: 1 };
  const plain = unit.trim().replace(/^fl(?:uid)?\.?[\s-]+(?:oz|ounces?)\.?$/i, 'floz');
  const word = unitOfWord(plain);
  if (word?.kind === 'mass' || word?.kind === 'volume') return { unit: word.unit, share: 1 };
  return word?.kind === 'speck' ? { unit: 'tsp', share: specks[word.name].tsp } : null;
};

/**
 * @param unit as people write it; of spoons and cups the US ones where it does not say whose
 * @param name an id of the library, or a name that means one ingredient
 * @param library that of the bakery; what ships with Jokul where left out
 * @throws JokulError `unknown-ingredient`, `ambiguous-ingredient`, and those of `convert`
 */
export const convertWords = (
  amount: number,
  unit: string,
  name: string,
  packing?: string,
  library: Library = ingredients,
): SaidConversion => {
  const food = foodNamed(name, library);
  const ingredientId = food.id;
  const named = unitNamed(unit);
  // Its limits are of the amount as it was said, whatever a measure of it holds.
  convert(amount, 'g', food);
  if (named) return { ...convert(amount * named.share, named.unit, food, packing), ingredientId };
  const piece = pieceOf(unit, food);
  if (!piece) return { ...convert(amount, unit, food, packing), ingredientId };
  return {
    massG: amount * piece.grams,
    source: say`${food.name}, ${piece.said}: typical`,
    ingredientId,
  };
};
