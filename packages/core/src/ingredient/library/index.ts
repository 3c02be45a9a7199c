import { JokulError } from '../../shown/index.js';
import { composite } from '../composite.js';
import type { Ingredient, Part } from '../ingredient.js';
import { compositeRows } from './composites.js';
import { eggsAndLiquids } from './eggs-dairy.js';
import { fats } from './fats.js';
import { flours } from './flours.js';
import { inclusions } from './inclusions.js';
import { readRows } from './read-rows.js';
import { smallAmounts } from './small.js';
import { sugars } from './sugars.js';

const typical = 'typical, after public food-composition tables, rounded';
const typicalAcid = `${typical}; base, acid and gas from molar masses or typical titratable acidity`;

const plain = [
  ...readRows(flours, typical),
  ...readRows(fats, typical),
  ...readRows(sugars, typicalAcid),
  ...readRows(eggsAndLiquids, typicalAcid),
  ...readRows(smallAmounts, typicalAcid),
  ...readRows(inclusions, typical),
];

const library = new Map<string, Ingredient>(plain.map((row) => [row.id, row]));
/** The ids that ship with Jokul; a bakery's own come beside them. */
const shipped = new Set<string>();

/** Every ingredient by its id: those that ship with Jokul, then the bakery's own. */
export const ingredients: ReadonlyMap<string, Ingredient> = library;

/** The ingredient of that id. @throws JokulError `unknown-ingredient` */
export const ingredient = (id: string): Ingredient => {
  const found = library.get(id);
  if (!found)
    throw new JokulError('unknown-ingredient', `"${id}" is not in the ingredient library.`, 'ingredient');
  return found;
};

for (const { parts, pieces = {}, ...row } of compositeRows) {
  const shares = Object.entries(parts).map(([ingredientId, share]) => ({ ingredientId, share }));
  library.set(row.id, composite({ ...row, pieceG: pieces }, shares, ingredient));
}
for (const id of library.keys()) shipped.add(id);

export const isShipped = (id: string): boolean => shipped.has(id);

/**
 * Puts the bakery's own ingredients beside the shipped ones, in place of those taken in before. The library is the
 * one table that every computation looks up; whoever computes (server, its workers, the web) takes in the same rows.
 * @throws JokulError `ingredient-taken` for an id of the shipped library
 */
export const takeInOwn = (own: readonly Ingredient[]): void => {
  for (const { id } of own)
    if (shipped.has(id))
      throw new JokulError('ingredient-taken', `"${id}" is an ingredient of the library already.`, 'id');
  for (const id of library.keys()) if (!shipped.has(id)) library.delete(id);
  for (const row of own) library.set(row.id, row);
};

/** What an ingredient is made of down to plain ingredients; a plain one is itself. Shares add up to 1. */
export const plainParts = (id: string): readonly Part[] => {
  const { parts } = ingredient(id);
  if (parts.length === 0) return [{ ingredientId: id, share: 1 }];
  return parts.flatMap(({ ingredientId, share }) =>
    plainParts(ingredientId).map((part) => ({ ...part, share: part.share * share })),
  );
};
