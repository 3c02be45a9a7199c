import { JokulError, say } from '../../shown/index.js';
import {
  allergenIds,
  allergenSourceIds,
  classOfSource,
  type Allergen,
  type AllergenSource,
} from '../allergen.js';
import {
  analysisNames,
  compositionOf,
  ingredientKinds,
  normaliseAnalysis,
  type Analysis,
  type Ingredient,
  type IngredientKind,
} from '../ingredient.js';

/*
 * A table of ingredients as text, one a line, so that it reads as a table:
 * id | name | kind | water fat protein starch sugars fibre ash salt alcohol, % | packing g/mL, ... | allergens (`nuts:hazelnut`) |
 * base mmol/g, acid mmol/g, gas mL/g | grams of one piece by size, ... | other names, ...
 */

const list = (cell: string | undefined) =>
  (cell ?? '')
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

const numbers = (cell: string | undefined): Readonly<Record<string, number>> =>
  Object.fromEntries(
    list(cell).map((pair) => {
      const space = pair.lastIndexOf(' ');
      return [pair.slice(0, space), Number(pair.slice(space + 1))];
    }),
  );

/** `base 11.9 gas 286` */
const leaveningOf = (cell = '') => {
  const after = (word: string) => Number(new RegExp(`${word} ([\\d.]+)`).exec(cell)?.[1] ?? 0);
  return { baseMmolPerG: after('base'), acidMmolPerG: after('acid'), gasMlPerG: after('gas') };
};

const isKind = (word: string): word is IngredientKind => ingredientKinds.some((kind) => kind === word);
const isAllergen = (word: string): word is Allergen => allergenIds.some((id) => id === word);
const isSource = (word: string): word is AllergenSource => allergenSourceIds.some((id) => id === word);

/** @throws JokulError `bad-row` naming the row that cannot be read, `bad-composition` */
export const readRows = (table: string, source: string): readonly Ingredient[] =>
  table
    .trim()
    .split('\n')
    .map((row): Ingredient => {
      const [id = '', name = '', kind = '', percents = '', packings, allergens, leavening, pieces, words] =
        row.split('|').map((cell) => cell.trim());
      const parts = percents.split(' ').map((percent) => Number(percent) / 100);
      const declared = list(allergens).map((word) => word.split(':'));
      const known = declared.map(([of = '']) => of);
      const which = declared.flatMap(([of, source]) =>
        source === undefined ? [] : isSource(source) && classOfSource(source) === of ? [source] : [row],
      );
      if (
        !id ||
        !name ||
        !isKind(kind) ||
        parts.length !== analysisNames.length ||
        !known.every(isAllergen) ||
        !which.every(isSource)
      )
        throw new JokulError('bad-row', say`The ingredient table cannot be read at "${row}".`, id);
      const analysis = normaliseAnalysis(
        Object.fromEntries(analysisNames.map((part, i) => [part, parts[i]])) as unknown as Analysis,
        id,
      );
      return {
        id,
        name,
        kind,
        analysis,
        composition: compositionOf(analysis),
        densityGPerMl: numbers(packings),
        allergens: known,
        ...(which.length > 0 && { which }),
        leavening: leaveningOf(leavening),
        pieceG: numbers(pieces),
        parts: [],
        words: list(words),
        source,
      };
    });
