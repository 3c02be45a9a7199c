import Papa from 'papaparse';
import { JokulError, say } from '../shown/index.js';

/* A table out of a spreadsheet whose first row names its columns: commas, semicolons or tabs, in any order. */

export interface TableRow {
  /** As it stands in the text, from 1, the heading counted. */
  readonly line: number;
  /** What stands under a heading; empty where there is no such column. */
  readonly cell: (heading: string) => string;
}

export interface TableAsked {
  /** What it is a table of, for its errors. */
  readonly what: string;
  readonly needed: readonly string[];
  /** So much is read at once. */
  readonly letters: number;
  readonly rows: number;
}

/** Headings as people write them: "Water (%)", "water, g/100 g" and "water %" are one. */
const plainHeading = (text: string) =>
  text
    .toLowerCase()
    .replace(/\(.*?\)|%|g\s*\/\s*100\s*g|,/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** @throws JokulError `bad-table` when a needed column has no heading, or the table is too long */
export const readTable = (text: string, { what, needed, letters, rows }: TableAsked): readonly TableRow[] => {
  if (text.length > letters)
    throw new JokulError('bad-table', say`That is too much for a table of ${what}.`, 'text');
  const whole = text.replace(/^\uFEFF/, '').trim();
  // By the heading: what stands in the rows is anybody's.
  const [first = ''] = whole.split(/\r?\n/, 1);
  const often = (sign: string) => first.split(sign).length;
  const delimiter = [',', ';', '\t'].reduce((best, sign) => (often(sign) > often(best) ? sign : best));
  const { data } = Papa.parse<string[]>(whole, { delimiter, skipEmptyLines: 'greedy' });
  const heading = (data[0] ?? []).map(plainHeading);
  for (const column of needed)
    if (!heading.includes(column))
      throw new JokulError(
        'bad-table',
        say`The first row names the columns; "${column}" is not among them. Save the table from here to see how it is written.`,
        'text',
      );
  if (data.length - 1 > rows)
    throw new JokulError('bad-table', say`At most ${rows} ${what} at once.`, 'text');
  return data.slice(1).map((cells, i) => ({
    line: i + 2,
    // A spreadsheet keeps a sign that would begin a formula behind an apostrophe.
    cell: (column) => (cells[heading.indexOf(plainHeading(column))] ?? '').replace(/^'(?=[=+\-@])/, ''),
  }));
};
