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

/** The rows of a CSV file that `csvLine` wrote, or a spreadsheet saved again. */
export const csvRows = (text: string): readonly (readonly (string | null)[])[] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimiter: ',',
    newline: text.includes('\r\n') ? '\r\n' : '\n',
  })
    .data.filter((row) => row.length > 1 || row[0] !== '')
    .map((row) => row.map(valueOf));
