import type { Library } from '../ingredient/index.js';
import { formatNumber, say } from '../shown/index.js';
import type { LineAnswer, LineQuestion, ReadResult, ReadSettings } from './answers.js';
import { ask } from './ask.js';
import { joinDirections, type Directions } from './directions.js';
import { libraryFor } from './own-names.js';
import { readLine } from './read-line.js';
import { recipeRows, type RecipeRow, type RowSettings } from './recipe-rows.js';
import type { LineUse } from './sections.js';
import { isBare } from './weigh-amount.js';
import { weighLine } from './weigh-line.js';
import type { WrittenLine } from './written-line.js';

export interface SheetSettings extends ReadSettings, RowSettings {}

/** Of the flour, by mass: beyond these it is a slip of the pen, or of the reading. House estimates. */
const implausible: Readonly<Partial<Record<string, number>>> = {
  leavening: 0.09,
  salt: 0.09,
  flavour: 0.6,
  butter: 3,
  fat: 3,
  sugar: 4,
  egg: 3,
};

const mostG = 50_000;

/** Less than this is no slip, whatever the flour is, g. */
const leastG = 3;

const question = (sentence: string, grams: readonly number[]): LineQuestion => ({
  about: 'amount',
  sentence,
  choices: grams.map((massG) => ({ label: `${formatNumber(massG)} g`, answer: { massG } })),
});

/** The line asked about after all: what was read of it counts no more. */
const again = ({ line, ingredientId, food, use }: ReadResult, asked: LineQuestion): ReadResult =>
  ask(line, asked, { ...(ingredientId && { ingredientId }), ...(food && { food }), ...(use && { use }) });

const kindOf = ({ food }: ReadResult) => food?.kind;

/** Asks about amounts that no dough has: nothing of them is saved unseen. An answer in grams is taken. */
const sane = (
  results: readonly ReadResult[],
  answers: Readonly<Record<number, LineAnswer>>,
): readonly ReadResult[] => {
  const flourG = results
    .filter((result) => result.use === 'dough' && kindOf(result) === 'flour')
    .reduce((sum, { mass }) => sum + (mass?.value ?? 0), 0);
  return results.map((result, i) => {
    const { mass, food, state } = result;
    if (state !== 'read' || !mass || !food || answers[i]?.massG !== undefined) return result;
    const name = food.name.toLowerCase();
    if (mass.value > mostG)
      return again(
        result,
        question(say`${formatNumber(mass.value / 1000)} kg of ${name}: is that meant?`, [
          mass.value,
          mass.value / 1000,
        ]),
      );
    const most = implausible[kindOf(result) ?? ''];
    const off = most !== undefined && mass.value > most * flourG && mass.value >= leastG;
    if (!off || result.use !== 'dough' || flourG <= 0) return result;
    return again(
      result,
      question(
        say`${formatNumber(mass.value)} g of ${name} to ${formatNumber(flourG)} g of flour: is that meant?`,
        [mass.value],
      ),
    );
  });
};

/** How far the flours of a sheet in percent may be from 100, percent. */
const hundred = 1;

/** Whether percent is of the flour: then the flours of the sheet come to a hundred. */
const isOfFlour = (results: readonly ReadResult[]): boolean => {
  const flours = results.filter((result) => kindOf(result) === 'flour');
  const shares = flours.flatMap(({ line }) => line.amounts.filter(({ unit }) => unit.kind === 'percent'));
  return Math.abs(shares.reduce((sum, { low }) => sum + low, 0) - 100) <= hundred;
};

/** What is asked once for all lines that have a figure and no unit. */
const askUnit = (results: readonly ReadResult[], settings: SheetSettings): readonly ReadResult[] => {
  if (settings.bareUnit !== undefined) return results;
  const bare = results.filter(
    ({ state, line, food }) =>
      state === 'ask' &&
      food !== undefined &&
      line.amounts.length > 0 &&
      line.amounts.every((amount) => isBare(amount, food)),
  );
  if (bare.length < 2) return results;
  const asked: LineQuestion = {
    about: 'unit',
    sentence: say`${bare.length} lines have no unit. What are their figures?`,
    choices: [
      { label: say`grams`, answer: { bareUnit: 'g' } },
      { label: say`kilograms`, answer: { bareUnit: 'kg' } },
      { label: say`ounces`, answer: { bareUnit: 'oz' } },
    ],
  };
  return results.map((result) => (bare.includes(result) ? again(result, asked) : result));
};

const plainLineOf = (row: RecipeRow, library: Library): WrittenLine => ({
  ...readLine(row.plain, library),
  text: row.text,
});

/**
 * All rows of a pasted text, each with its answer if it has one. Percent and grams are not mixed silently.
 * @param answers by the number of the row, as `recipeRows` gives them
 */
export const readRecipe = (
  text: string,
  settings: SheetSettings,
  answers: Readonly<Record<number, LineAnswer>> = {},
): readonly ReadResult[] => {
  const rows = recipeRows(text, settings);
  const library = libraryFor(settings);
  const lines = rows.map((row) => plainLineOf(row, library));
  const inPercent = (line: WrittenLine) => line.amounts.some(({ unit }) => unit.kind === 'percent');
  const mixed = lines.some(inPercent) && lines.some((line) => line.amounts.length > 0 && !inPercent(line));
  const results = rows.map((row, i): ReadResult => {
    const line = lines[i] as WrittenLine;
    if (row.kind !== 'line')
      return { line: { ...line, kind: 'heading' }, state: row.kind, uncertain: [], use: row.use };
    const answer = answers[i] ?? {};
    const use: LineUse = line.bench ? 'other' : row.use === 'dough' && line.topping ? 'topping' : row.use;
    // Nobody weighs what a tray is greased with.
    if (line.bench && line.amounts.length === 0) return { line, state: 'instruction', uncertain: [], use };
    const read = weighLine(line, settings, answer);
    const result = { ...read, use };
    if (read.state !== 'read' || answer.massG !== undefined) return result;
    if (mixed && inPercent(line))
      return again(result, question(say`Percent among weights: how many grams is this line?`, []));
    if (row.doubt)
      return again(
        result,
        question(say`Is that ${row.doubt.map((value) => formatNumber(value)).join(' or ')}?`, row.doubt),
      );
    return result;
  });
  const based = isOfFlour(results)
    ? results
    : results.map((result, i) =>
        result.state === 'read' && inPercent(result.line) && answers[i]?.massG === undefined
          ? again(
              result,
              question(
                say`Percent of what? The flours of the recipe do not come to 100 %. How many grams is it?`,
                [],
              ),
            )
          : result,
      );
  return sane(askUnit(based, settings), answers);
};

/** What a line of a sheet came to. */
export interface SheetLine {
  readonly text: string;
  readonly section?: string;
  readonly use: LineUse;
  readonly state: 'read' | 'ask' | 'heading' | 'instruction';
  readonly ingredientId?: string;
  readonly massG?: number;
  readonly rangeG?: readonly [number, number];
  readonly question?: string;
}

export interface Sheet extends Directions {
  readonly lines: readonly SheetLine[];
}

/** What a recipe says of oven, rest and yield, wherever in it. */
export const sheetDirections = (text: string, settings: RowSettings = {}): Directions =>
  joinDirections(recipeRows(text, settings).map(({ tells }) => tells));

/** A whole recipe, with what it says of oven, rest and yield. */
export const readSheet = (text: string, settings: SheetSettings): Sheet => {
  const rows = recipeRows(text, settings);
  const lines = readRecipe(text, settings).flatMap((result, i): SheetLine[] => {
    const row = rows[i];
    if (!row || result.state === 'empty' || result.state === 'left-out') return [];
    const { state, ingredientId, mass, rangeG, question: asked, use = row.use } = result;
    return [
      {
        text: row.text,
        ...(row.section !== undefined && { section: row.section }),
        use,
        state,
        ...(ingredientId && { ingredientId }),
        ...(state === 'read' && mass && { massG: mass.value }),
        ...(state === 'read' && rangeG && { rangeG }),
        ...(asked && { question: asked.sentence }),
      },
    ];
  });
  const { bake, ...others } = joinDirections(rows.map(({ tells }) => tells));
  return {
    lines,
    ...(bake && { bake: { ...bake, ...(bake.setC !== undefined && { setC: Math.round(bake.setC) }) } }),
    ...others,
  };
};
