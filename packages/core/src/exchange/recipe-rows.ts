import type { Library } from '../ingredient/index.js';
import { directionsOf, isAbout, isInstruction, type Directions } from './directions.js';
import { decimalMarkOf, plainLine, type DecimalMark } from './figures.js';
import { inEnglish } from './other-tongues.js';
import { libraryFor, type OwnNames } from './own-names.js';
import { matchIngredient } from './match-ingredient.js';
import { coatOfLine, partsOfLine } from './parts-of-line.js';
import { takeAmounts } from './read-amount.js';
import { sectionStart, lineUseOf, tellingOf, type LineUse } from './sections.js';
import { textLines } from './table-rows.js';

/** One row of a pasted recipe: a heading, something to do, or one ingredient. */
export interface RecipeRow {
  /** As it was written, or the part of it that this row is. */
  readonly text: string;
  /** With plain figures and words, to be read. */
  readonly plain: string;
  readonly kind: 'line' | 'heading' | 'instruction';
  readonly section?: string;
  readonly use: LineUse;
  /** Two readings of a figure. */
  readonly doubt: readonly [number, number] | null;
  readonly tells: Directions;
}

const measured = /\d\s*(?:g|kg|ml|l|cups?|tsp|tbsp|teaspoons?|tablespoons?|oz|lb|sticks?)\b/i;

/** No ingredient takes more letters: a longer line is text, or was never a recipe. */
const mostLetters = 300;
/** A paragraph of a method is longer; a page of letters is none. */
const mostTold = 3000;

const vague =
  /\b(?:pinch|dash|handful|splash|drizzle|knob|drops?|few|some|little|extra|taste|needed|optional|prise|pincée|etwas|un peu)\b/i;

const yieldBehind = /\s*[([](?:makes?|yields?|serves?|about|approx\.?)\b[^)\]]*[)\]]\s*$/i;

/** A line without a figure that is no ingredient, over all others: what the recipe is called. */
const isTitle = (line: string, library: Library): boolean => {
  if (/\d/.test(line) || takeAmounts(line).amounts.length > 0) return false;
  // A name is written large, and says neither how much nor how.
  if (!/^[#\s]*\p{Lu}/u.test(line) || /,/.test(line) || vague.test(line)) return false;
  const { ids, left } = matchIngredient(line, library);
  return ids.length === 0 || left.length > 0;
};

/** Under "Method" an ingredient is still one: it has an amount with a unit in front, and a known name. */
const isIngredient = (line: string, library: Library): boolean => {
  const { amounts, rest } = takeAmounts(line.replace(/^\s*[-*•]\s*/, ''));
  if (!amounts.some(({ unit }) => unit.kind !== 'piece')) return false;
  const { ids, left } = matchIngredient(rest, library);
  return ids.length === 1 && left.length === 0;
};

/** What the rows of a text depend on beside it. */
export interface RowSettings extends OwnNames {
  /** The decimal mark of the whole sheet; found from its figures where left out. */
  readonly decimal?: DecimalMark;
}

/** The rows of a pasted text, in their order; blank lines are left out. */
export const recipeRows = (text: string, settings: RowSettings = {}): readonly RecipeRow[] => {
  const mark = settings.decimal ?? decimalMarkOf(text);
  const library = libraryFor(settings);
  const rows: RecipeRow[] = [];
  let section: string | undefined;
  let use: LineUse = 'dough';
  let telling: ReturnType<typeof tellingOf>;
  const add = (row: Omit<RecipeRow, 'use' | 'section'>) =>
    rows.push({ ...row, use, ...(section !== undefined && { section }) });
  const lines = textLines(text).filter(({ line }) => line !== '');
  lines.forEach(({ raw, line, header }, i) => {
    const about = (plain: string, tells: Directions) =>
      add({ text: raw, plain, kind: 'instruction', doubt: null, tells });
    const heading = () => add({ text: raw, plain: line, kind: 'heading', doubt: null, tells: {} });
    if (header) return heading();
    const long = line.length > mostTold;
    // "Ginger Crinkles (makes about 3 dozen)" is called by what stands in front.
    const title = line.replace(yieldBehind, '');
    if (i === 0 && lines.length > 1 && !long && sectionStart(title) === null && isTitle(title, library)) {
      const tells = title === line ? {} : directionsOf(line);
      return add({ text: raw, plain: title, kind: 'heading', doubt: null, tells });
    }
    if (!long && isAbout(line)) return about(line, telling === 'notes' ? {} : directionsOf(line));
    const start = long ? null : sectionStart(line);
    if (start) {
      section = start.section;
      use = lineUseOf(section);
      telling = tellingOf(section);
      // What the first heading says, when it is no part of a recipe, is the recipe's name.
      if (
        use === 'other' &&
        telling === undefined &&
        !/^(?:for|für|pour|to)\b/i.test(line) &&
        !rows.some(({ kind }) => kind === 'line')
      ) {
        use = 'dough';
        section = undefined;
      }
      if (start.rest === '') return heading();
    }
    const body = start?.rest ?? line;
    const tells = telling === 'notes' || body.length > mostTold ? {} : directionsOf(body);
    if (telling === 'notes' || (telling === 'method' && !isIngredient(body, library)))
      return about(body, tells);
    if (body.length > mostLetters && !(body.length <= mostTold && isInstruction(body))) {
      // Asked about by its beginning; taking it apart would take as long as it is.
      const plain = `unreadable ${body.slice(0, 60).replace(/\d/g, '')}`;
      return add({ text: raw, plain, kind: 'line', doubt: null, tells: {} });
    }
    const { text: plain, doubt } = plainLine(inEnglish(body), mark);
    // What the pieces are rolled in tells what to do, and says how much of what.
    const told =
      isInstruction(body) || (Object.keys(tells).length > 0 && /^\D/.test(body) && !measured.test(body));
    if (told && !(body.length <= mostLetters && coatOfLine(plain, library))) return about(body, tells);
    const parts = partsOfLine(plain, library);
    for (const part of parts)
      add({
        text: parts.length > 1 ? part : start ? body : raw,
        plain: part,
        kind: 'line',
        doubt: parts.length > 1 ? null : doubt,
        tells: {},
      });
  });
  return rows;
};

/** What a pasted recipe is called: its first line, where that is neither an ingredient nor the heading of a part; else "". */
export const recipeTitle = (text: string, settings: RowSettings = {}): string => {
  const [first] = recipeRows(text, settings);
  if (first?.kind !== 'heading' || first.section !== undefined || !first.text.trim().startsWith(first.plain))
    return '';
  const isTable = textLines(text).some(({ raw, header }) => header && raw === first.text);
  return isTable ? '' : first.plain.replace(/^#+\s*|\s*:\s*$/g, '');
};
