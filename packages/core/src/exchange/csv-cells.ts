import Papa from 'papaparse';

/* Tables of plain text as CSV (RFC 4180) and back, cell for cell. */

/** How MySQL and MariaDB write that nothing is there, to be told from an empty text. */
const nothing = String.raw`\N`;
/** A spreadsheet would take such a text for a formula; one more apostrophe in front makes it text. */
const likeFormula = /^'*[=+\-@\t\r\\]/;
const isNumber = (text: string): boolean => /^-?\d+(?:\.\d+)?$/.test(text);

const cellOf = (value: string | null): string => {
  if (value === null) return nothing;
  return likeFormula.test(value) && !isNumber(value) ? `'${value}` : value;
};
const valueOf = (cell: string): string | null => {
  if (cell === nothing) return null;
  return cell.startsWith("'") && likeFormula.test(cell) ? cell.slice(1) : cell;
};

/** One row as a line of CSV, with its end. */
export const csvLine = (values: readonly (string | null)[]): string =>
  `${Papa.unparse([values.map(cellOf)])}\r\n`;

/** The cells of one row of CSV, with or without its line end. */
export const csvCells = (record: string): readonly (string | null)[] =>
  (Papa.parse<string[]>(record.replace(/\r?\n$/, ''), { delimiter: ',', newline: '\r\n' }).data[0] ?? []).map(
    valueOf,
  );

/**
 * Parts a CSV file into its rows, piece by piece as it is read: a large one is never in memory whole. Line ends may have
 * been changed on the way; those within a text in quotes part nothing, and empty lines are no rows.
 */
export const csvRecords = (): {
  /** The rows that end within a further piece. */
  readonly take: (piece: string) => readonly string[];
  /** What is left when there is no more: the last row, where it has no line end. */
  readonly end: () => readonly string[];
} => {
  let rest = '';
  let quoted = false;
  const notEmpty = (record: string): boolean => /[^\r\n]/.test(record);
  return {
    take: (piece) => {
      const text = rest + piece;
      const records: string[] = [];
      let start = 0;
      for (let i = rest.length; i < text.length; i++) {
        const letter = text[i];
        if (letter === '"') quoted = !quoted;
        else if (letter === '\n' && !quoted) {
          records.push(text.slice(start, i + 1));
          start = i + 1;
        }
      }
      rest = text.slice(start);
      return records.filter(notEmpty);
    },
    end: () => [rest].filter(notEmpty),
  };
};
