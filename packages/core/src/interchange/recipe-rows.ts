import { directionsOf, isInstruction, type Directions } from './directions.js';
import { decimalMarkOf, plainLine, type DecimalMark } from './figures.js';
import { inEnglish } from './other-tongues.js';
import { partsOfLine } from './parts-of-line.js';
import { sectionStart, lineUseOf, type LineUse } from './sections.js';

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

/** The rows of a pasted text, in their order; blank lines are left out. */
export const recipeRows = (text: string, decimal?: DecimalMark): readonly RecipeRow[] => {
  const mark = decimal ?? decimalMarkOf(text);
  const rows: RecipeRow[] = [];
  let section: string | undefined;
  let use: LineUse = 'dough';
  const add = (row: Omit<RecipeRow, 'use' | 'section'>) =>
    rows.push({ ...row, use, ...(section !== undefined && { section }) });
  for (const raw of text.split(/\r?\n/)) {
    const line = raw.trim();
    if (line === '') continue;
    const start = sectionStart(line);
    if (start) {
      section = start.section;
      use = lineUseOf(section);
      // What the first heading says, when it is no part of a recipe, is the recipe's name.
      if (use === 'other' && !/^for\b/i.test(line) && !rows.some(({ kind }) => kind === 'line')) {
        use = 'dough';
        section = undefined;
      }
      if (start.rest === '') {
        add({ text: raw, plain: line, kind: 'heading', doubt: null, tells: {} });
        continue;
      }
    }
    const body = start?.rest ?? line;
    const tells = directionsOf(body);
    if (isInstruction(body) || (Object.keys(tells).length > 0 && /^\D/.test(body) && !measured.test(body))) {
      add({ text: raw, plain: body, kind: 'instruction', doubt: null, tells });
      continue;
    }
    const { text: plain, doubt } = plainLine(inEnglish(body), mark);
    const parts = partsOfLine(plain);
    for (const part of parts)
      add({
        text: parts.length > 1 ? part : start ? body : raw,
        plain: part,
        kind: 'line',
        doubt: parts.length > 1 ? null : doubt,
        tells: {},
      });
  }
  return rows;
};
