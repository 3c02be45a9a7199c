import { formatNumber, JokulError, say } from '../shown/index.js';
import { checkFormula, withFoods, type Formula } from '../formula/index.js';
import { ingredients, type Library } from '../ingredient/index.js';
import { readFormula } from './read-formula.js';
import { textLines } from './table-rows.js';

/** What a pasted or opened text turned out to be: a recipe, line by line, or a whole formula of Jokul's own format. */
export type ImportedRecipe =
  | { readonly kind: 'recipe'; readonly title: string; readonly text: string; readonly from: string }
  | { readonly kind: 'formula'; readonly formula: Formula };

export const formulaFormat = 'jokul-formula';

/** No recipe is longer; reading more would keep a tablet busy at every letter that is typed. */
const mostLetters = 30_000;
const mostLines = 500;
export const isTooLong = (text: string): boolean =>
  text.length > mostLetters || text.split('\n', mostLines + 1).length > mostLines;

const isObject = (x: unknown): x is Readonly<Record<string, unknown>> =>
  typeof x === 'object' && x !== null && !Array.isArray(x);
const strings = (x: unknown): readonly string[] =>
  Array.isArray(x) ? x.filter((item): item is string => typeof item === 'string') : [];

const isRecipe = (x: unknown): x is Readonly<Record<string, unknown>> =>
  isObject(x) && [x['@type']].flat().includes('Recipe');

/** The first schema.org Recipe anywhere in a JSON-LD document (alone, in a list, in a graph). */
const findRecipe = (x: unknown): Readonly<Record<string, unknown>> | undefined => {
  if (isRecipe(x)) return x;
  if (Array.isArray(x)) return x.map(findRecipe).find(Boolean);
  return isObject(x) ? findRecipe(x['@graph']) : undefined;
};

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    throw new JokulError(
      'bad-json',
      say`This begins like JSON but cannot be read as such: it is cut off or damaged.`,
      'text',
    );
  }
};

const fromJson = (text: string, library: Library): ImportedRecipe => {
  const value = parsed(text);
  if (isObject(value) && value.format === formulaFormat) {
    const formula = withFoods(readFormula(value.formula), library);
    checkFormula(formula);
    return { kind: 'formula', formula };
  }
  const recipe = findRecipe(value);
  if (!recipe)
    throw new JokulError(
      'no-recipe',
      say`This JSON holds neither a formula of Jokul nor a schema.org Recipe.`,
      'text',
    );
  const lines = strings(recipe.recipeIngredient ?? recipe.ingredients);
  if (lines.length === 0)
    throw new JokulError('no-recipe', say`The recipe in this JSON has no ingredients.`, 'recipeIngredient');
  return {
    kind: 'recipe',
    title: typeof recipe.name === 'string' ? recipe.name : '',
    text: lines.join('\n'),
    from: 'schema.org Recipe',
  };
};

/** A table with a heading row: ingredient, and grams or percent or amount and unit. */
const fromTable = (text: string): ImportedRecipe | null => {
  const lines = textLines(text);
  if (!lines.some(({ header }) => header)) return null;
  return {
    kind: 'recipe',
    title: '',
    text: lines.flatMap(({ header, line }) => (header || line === '' ? [] : [line])).join('\n'),
    from: 'CSV',
  };
};

/**
 * Takes in a written recipe: plain text, schema.org Recipe JSON-LD (alone or inside a page), CSV with a heading row,
 * or a formula in Jokul's own JSON (docs/formula.schema.json).
 * @param library by whose names a formula is checked; what ships where left out
 * @throws JokulError `empty-text`, `bad-json`, `no-recipe`, `bad-formula` with the sentence for the baker
 */
export const importRecipe = (text: string, library = ingredients): ImportedRecipe => {
  const trimmed = text.replace(/^\ufeff/, '').trim();
  if (trimmed === '') throw new JokulError('empty-text', say`There is nothing to read yet.`, 'text');
  if (trimmed.length > 200_000)
    throw new JokulError('too-long', say`This is too long for a recipe (over 200,000 letters).`, 'text');
  // "[ ] 200 g sugar" is a list to tick off.
  if (/^(?:\{|\[\s*[[{"])/.test(trimmed)) return fromJson(trimmed, library);
  const inPage = /<script[^>]*application\/ld\+json[^>]*>([\s\S]*?)<\/script>/i.exec(trimmed);
  if (inPage) return fromJson((inPage[1] ?? '').trim(), library);
  if (isTooLong(trimmed))
    throw new JokulError(
      'too-long',
      say`This is too long for a recipe (over ${formatNumber(mostLines)} lines or ${formatNumber(mostLetters)} letters). Paste one recipe at a time.`,
      'text',
    );
  return fromTable(trimmed) ?? { kind: 'recipe', title: '', text: trimmed, from: 'text' };
};
