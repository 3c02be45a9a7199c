import Papa from 'papaparse';
import {
  allergenList,
  ingredient,
  ingredientKinds,
  ownIngredient,
  allergenSources,
  classOfSource,
  type Allergen,
  type AllergenSource,
  type Analysis,
  type Ingredient,
  type OwnGiven,
  type Part,
} from '../ingredient/index.js';
import { JokulError, say } from '../shown/index.js';
import { readTable } from './table-of-things.js';

/*
 * The bakery's own ingredients as a table for a spreadsheet, a row each, and back. Nothing is taken in that was not read
 * whole; an allergen that nobody wrote down is never taken for none.
 */

/** What is kept of an own ingredient; the rest follows from it. */
export type OwnIngredientRow = OwnGiven;

export interface IngredientTableRow {
  /** As it stands in the text, from 1, the heading counted. */
  readonly line: number;
  readonly name: string;
  readonly ingredient: OwnIngredientRow | null;
  /** What could not be read, as sentences. */
  readonly troubles: readonly string[];
}

const analysisColumns: readonly (readonly [keyof Analysis, string])[] = [
  ['water', 'water %'],
  ['fat', 'fat %'],
  ['protein', 'protein %'],
  ['starch', 'starch %'],
  ['sugars', 'sugars %'],
  ['fibre', 'fibre %'],
  ['ash', 'minerals %'],
  ['salt', 'salt %'],
  ['alcohol', 'alcohol %'],
];
const leaveningColumns = [
  ['baseMmolPerG', 'base mmol/g'],
  ['acidMmolPerG', 'acid mmol/g'],
  ['gasMlPerG', 'gas mL/g'],
] as const;
/** So much is read at once. */
const limits = { letters: 400_000, rows: 300 };

const nothing = 'none';
const pairsOut = (values: Readonly<Record<string, number>>) =>
  Object.entries(values)
    .map(([name, value]) => `${name} ${value}`)
    .join('; ');

/** The table, percent and grams as they are entered. */
export const ingredientsToCsv = (ingredients: readonly OwnIngredientRow[]): string =>
  `${Papa.unparse(
    ingredients.map(
      ({
        id,
        name,
        kind,
        analysis,
        allergens,
        which = [],
        densityGPerMl,
        pieceG,
        leavening,
        parts = [],
        source,
      }) => ({
        id,
        name,
        kind,
        ...Object.fromEntries(
          analysisColumns.map(([part, heading]) => [heading, Number((100 * analysis[part]).toFixed(4))]),
        ),
        allergens: [...allergens, ...which].join('; ') || nothing,
        'g/mL': pairsOut(densityGPerMl),
        'g a piece': pairsOut(pieceG),
        ...Object.fromEntries(leaveningColumns.map(([part, heading]) => [heading, leavening[part]])),
        'made of %': parts
          .map(({ ingredientId, share }) => `${ingredientId} ${Number((100 * share).toFixed(4))}`)
          .join('; '),
        source,
      }),
    ),
    { escapeFormulae: true },
  )}\n`;

const numberIn = (text: string): number | null => {
  const trimmed = text.trim();
  if (trimmed === '') return 0;
  return /^\d+(?:[.,]\d+)?\s*%?$/.test(trimmed) ? Number.parseFloat(trimmed.replace(',', '.')) : null;
};

/** "white-sugar 90; own-praline 10"; null where one is not read. */
const partsIn = (text: string): readonly Part[] | null => {
  const parts = text
    .split(/[;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => /^([a-z0-9-]+)\s+(\d+(?:[.,]\d+)?)\s*%?$/.exec(part.toLowerCase()));
  if (parts.includes(null)) return null;
  return parts.map((found) => ({
    ingredientId: found?.[1] ?? '',
    share: Number((found?.[2] ?? '').replace(',', '.')) / 100,
  }));
};

/** "spooned 0.52; dipped 0,61", or a figure alone; null where one is not read. */
const pairsIn = (text: string): Readonly<Record<string, number>> | null => {
  const pairs = text
    .split(/[;\n]/)
    .map((pair) => pair.trim())
    .filter(Boolean)
    .map((pair) => /^(?:(\D*?)\s+)?(\d+(?:[.,]\d+)?)$/.exec(pair));
  if (pairs.includes(null)) return null;
  return Object.fromEntries(
    pairs.flatMap((found) =>
      found ? [[found[1]?.trim() || 'level', Number((found[2] ?? '').replace(',', '.'))]] : [],
    ),
  );
};

/** A class of allergens, or a nut or a cereal: by its id or its name. */
const declaredAs = (text: string): Allergen | AllergenSource | undefined => {
  const word = text.trim().toLowerCase();
  return [...allergenList, ...allergenSources].find(
    ({ id, name }) => id === word || name.toLowerCase() === word || `${id}s` === word,
  )?.id;
};
const isSource = (id: Allergen | AllergenSource): id is AllergenSource =>
  allergenSources.some((source) => source.id === id);

/** The id of a name, as the form gives it. */
export const ownId = (name: string): string =>
  `own-${name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50)}`;

/** An ingredient of one's own that a row is mixed from: it is looked up when the whole list is taken. */
const anyOwn = ingredient('white-sugar');

const readRow = (cell: (heading: string) => string, line: number): IngredientTableRow => {
  const troubles: string[] = [];
  const number = (heading: string): number => {
    const value = numberIn(cell(heading));
    if (value === null) troubles.push(say`"${cell(heading)}" under ${heading} is not a figure.`);
    return value ?? 0;
  };
  const pairs = (heading: string) => {
    const found = pairsIn(cell(heading));
    if (!found)
      troubles.push(
        say`"${cell(heading)}" under ${heading} is not read; write it "spooned 0.52; dipped 0.61".`,
      );
    return found ?? {};
  };
  const name = cell('name').trim();
  if (name.length < 2 || name.length > 60) troubles.push(say`The name has 2 to 60 letters.`);
  const kind = ingredientKinds.find((known) => known === cell('kind').trim().toLowerCase());
  if (!kind)
    troubles.push(say`"${cell('kind')}" is no kind of ingredient; there are ${ingredientKinds.join(', ')}.`);
  const written = cell('allergens')
    .split(/[;,]/)
    .map((word) => word.trim())
    .filter(Boolean);
  const isNone = written.length === 1 && /^(?:none|-|–)$/i.test(written[0] ?? '');
  if (written.length === 0) troubles.push(say`Write its allergens, or "${nothing}".`);
  const declared = isNone ? [] : written.map((word) => declaredAs(word));
  written.forEach((word, i) => {
    if (!isNone && declared[i] === undefined)
      troubles.push(
        say`"${word}" is none of the listed allergens (${[...allergenList, ...allergenSources].map(({ id }) => id).join(', ')}).`,
      );
  });
  const known = declared.filter((id) => id !== undefined);
  const which = known.filter(isSource);
  const parts = partsIn(cell('made of %'));
  if (!parts)
    troubles.push(
      say`"${cell('made of %')}" under made of % is not read; write it "white-sugar 90; cinnamon 10".`,
    );
  const source = cell('source').trim();
  if (source === '' || source.length > 200)
    troubles.push(say`Say where the figures are from: the label, a supplier.`);
  const id = cell('id').trim() || ownId(name);
  if (!/^own-[a-z0-9-]{1,50}$/.test(id))
    troubles.push(say`The id "${id}" must begin with own- and have small letters and digits.`);
  const row: OwnIngredientRow = {
    id,
    name,
    kind: kind ?? 'inclusion',
    analysis: Object.fromEntries(
      analysisColumns.map(([part, heading]) => [part, number(heading) / 100]),
    ) as unknown as Analysis,
    allergens: [...new Set(known.map((id) => (isSource(id) ? classOfSource(id) : id)))],
    ...(which.length > 0 && { which }),
    densityGPerMl: pairs('g/mL'),
    pieceG: pairs('g a piece'),
    leavening: Object.fromEntries(
      leaveningColumns.map(([part, heading]) => [part, number(heading)]),
    ) as unknown as Ingredient['leavening'],
    ...(parts && parts.length > 0 && { parts }),
    source,
  };
  if (troubles.length > 0) return { line, name, ingredient: null, troubles };
  try {
    ownIngredient(row, (of) => (of.startsWith('own-') ? anyOwn : ingredient(of)));
    return { line, name, ingredient: row, troubles };
  } catch (error) {
    if (error instanceof JokulError) return { line, name, ingredient: null, troubles: [error.message] };
    throw error;
  }
};

/**
 * Reads such a table: commas, semicolons or tabs, decimal point or comma, its columns in any order. A row says what of it
 * is not read; so does a second one of the same id.
 * @throws JokulError `bad-table` when it has no heading with name, kind and allergens, or is too long
 */
export const readIngredientTable = (text: string): readonly IngredientTableRow[] => {
  const rows = readTable(text, { what: 'ingredients', needed: ['name', 'kind', 'allergens'], ...limits });
  const seen = new Set<string>();
  return rows.map(({ cell, line }) => {
    const row = readRow(cell, line);
    const { ingredient } = row;
    if (ingredient && seen.has(ingredient.id))
      return { ...row, ingredient: null, troubles: [say`${row.name} stands in the table twice.`] };
    if (ingredient) seen.add(ingredient.id);
    return row;
  });
};
