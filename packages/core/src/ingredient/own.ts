import { JokulError, requireNumber, say } from '../shown/index.js';
import { classOfSource } from './allergen.js';
import { composite } from './composite.js';
import { compositionOf, normaliseAnalysis, type Ingredient, type Part } from './ingredient.js';
import { ingredient, isShipped } from './library/index.js';

/** What is written down of an ingredient of the bakery's own; the rest follows from it. */
export type OwnGiven = Omit<Ingredient, 'composition' | 'parts' | 'words'> & {
  /** What it is mixed from; what it is made of follows from them then. */
  readonly parts?: readonly Part[];
};

/** What was written down of it. */
export const givenOf = ({ composition: _c, words: _w, parts, ...given }: Ingredient): OwnGiven => ({
  ...given,
  ...(parts.length > 0 && { parts: parts.map(({ ingredientId, share }) => ({ ingredientId, share })) }),
});

/**
 * An ingredient of the bakery's own: from what its label says, or from what it is mixed from. What its parts declare it declares,
 * and what is said of it besides.
 * @param find looks up what it is mixed from
 * @throws JokulError `bad-composition` with the sum when the parts miss 100 % by more than 1.5, `out-of-range`, `no-density`,
 * `unknown-ingredient`
 */
export const ownIngredient = (
  given: OwnGiven,
  find: (id: string) => Ingredient = (id) => ingredient(id),
): Ingredient => {
  if (Object.keys(given.densityGPerMl).length === 0)
    throw new JokulError(
      'no-density',
      say`Give ${given.name} a density: g per mL as it is measured.`,
      'densityGPerMl',
    );
  for (const density of Object.values(given.densityGPerMl))
    requireNumber(density, say`The density of ${given.name}`, 0.05, 3, 'g/mL');
  for (const grams of Object.values(given.pieceG))
    requireNumber(grams, say`A piece of ${given.name}`, 0.01, 5000, 'g');
  const { parts = [], ...row } = given;
  const made = parts.length > 0 ? composite({ ...row, words: [] }, parts, find) : null;
  const which = [...new Set([...(row.which ?? []), ...(made?.which ?? [])])].sort();
  const allergens = [...new Set([...row.allergens, ...(made?.allergens ?? []), ...which.map(classOfSource)])];
  const declared = { allergens, ...(which.length > 0 && { which }) };
  if (!made) {
    const analysis = normaliseAnalysis(row.analysis, row.name);
    return { ...row, ...declared, analysis, composition: compositionOf(analysis), parts: [], words: [] };
  }
  const carried = made.parts.map((part): Part =>
    isShipped(part.ingredientId) ? part : { ...part, food: find(part.ingredientId) },
  );
  return { ...row, ...made, ...declared, parts: carried, source: row.source };
};

/**
 * All ingredients of the bakery's own; one may be mixed from others of the list.
 * @throws JokulError those of `ownIngredient`, `made-of-itself`
 */
export const ownIngredients = (given: readonly OwnGiven[]): readonly Ingredient[] => {
  const rows = new Map(given.map((row) => [row.id, row]));
  const made = new Map<string, Ingredient>();
  const making = new Set<string>();
  const make = (id: string): Ingredient => {
    const [known, row] = [made.get(id), rows.get(id)];
    if (known) return known;
    if (!row) return ingredient(id);
    if (making.has(id))
      throw new JokulError('made-of-itself', say`${row.name} would be made of itself.`, 'parts');
    making.add(id);
    const food = ownIngredient(row, make);
    made.set(id, food);
    return food;
  };
  return given.map(({ id }) => make(id));
};
