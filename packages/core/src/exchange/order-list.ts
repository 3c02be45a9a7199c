import { say } from '../shown/index.js';
import { readTimeOfDay } from '../quantity/index.js';
import Papa from 'papaparse';
import { readOrderDate } from './order-date.js';

/*
 * Orders as they come: lines copied from a spreadsheet, or a CSV file. Which column is what is guessed from its heading and
 * from what stands in it, shown, and put right by a person; nothing is taken in that was not read whole.
 */

export const orderColumns = ['customer', 'product', 'pieces', 'unit', 'date', 'readyBy', 'nothing'] as const;
export type OrderColumn = (typeof orderColumns)[number];

export interface OrderTable {
  readonly heading: readonly string[] | null;
  readonly rows: readonly (readonly string[])[];
  /** What each column seems to be. */
  readonly columns: readonly OrderColumn[];
}

export interface KnownProduct {
  readonly code: string;
  readonly name: string;
}

export interface ReadOrder {
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly readyBy: string;
}

export interface OrderRow {
  /** As it stands in the text, from 1, the heading counted. */
  readonly line: number;
  readonly cells: readonly string[];
  readonly order: ReadOrder | null;
  /** What could not be read, as sentences. */
  readonly troubles: readonly string[];
}

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

const headings: readonly (readonly [OrderColumn, RegExp])[] = [
  ['date', /\b(date|datum)\b/],
  ['unit', /\b(units?|uom)\b/],
  ['readyBy', /\b(ready|by|time|due|hour|deliver\w*|collect\w*|pick ?up)\b/],
  ['pieces', /\b(pieces?|pcs|qty|quantity|count|amount|number|how many|each|dozens?|doz|dz)\b/],
  ['product', /\b(products?|items?|article|code|what|cookies?|kind)\b/],
  ['customer', /\b(customers?|for|who|client|shop|name|place|account)\b/],
];

/** Headings of figures that count no pieces: never guessed to be them. */
const otherFigures =
  /\b(price|cost|total|sum|eur|usd|gbp|kg|g|grams?|weight|trays?|boxes|box|cases?|crates?|bags?|packs?|phone|zip|week|invoice|id|vat|tax)\b/;
/** "Number of trays" counts no pieces, "total pieces" does. */
const isOtherFigure = (heading: string): boolean =>
  otherFigures.test(heading) && !/\b(?:pieces?|pcs|cookies?|dozens?|doz|dz)\b/.test(heading);
/** A heading that says that its figures are dozens. */
const inDozens = (heading: string): boolean => /\b(dozens?|doz|dz)\b/.test(plain(heading));

const dozenWord = String.raw`(?:dozens?|doz|dz)`;
/** "1 1/2 dozen", "1.5 doz", "½ dozen": as many as are whole. */
const partDozens = (text: string): number | null => {
  const found = new RegExp(String.raw`^(\d*)\s*(?:(?:1/2|½)|[.,]5)\s*${dozenWord}\.?$`, 'i').exec(
    text.trim(),
  );
  return found ? 12 * Number(found[1] || '0') + 6 : null;
};

/** What a unit counts in pieces; null for anything that nobody here knows the pieces of. */
const piecesOf = (unit: string): number | null =>
  unit === '' || /^(?:pcs?|pieces?|cookies?|ea|each|x|st|stk|stück)\.?$/i.test(unit)
    ? 1
    : new RegExp(String.raw`^${dozenWord}\.?$`, 'i').test(unit)
      ? 12
      : null;

/** A count of pieces: 96, 1,200, 1 200, 96 pcs, 8 dozen, ½ dozen; null for anything else. */
export const readPieces = (text: string): number | null => {
  const part = partDozens(text);
  if (part !== null) return part;
  const found =
    /^(\d{1,3}(?:[,.\u0020\u00a0\u202f'](?:\d{3}))+|\d+)(?:[.,]0+)?\s*(?:pcs|pieces|x|ea|(dozens?|doz|dz))?\.?$/i.exec(
      text.trim(),
    );
  if (!found) return null;
  return Number((found[1] as string).replace(/\D/g, '')) * (found[2] ? 12 : 1);
};

/** The product that a text names: by its code, its name, or a name that it alone begins or holds. */
export const readProduct = (text: string, known: readonly KnownProduct[]): KnownProduct | null => {
  const wanted = plain(text);
  if (wanted === '') return null;
  const whole = known.filter(({ code, name }) => plain(code) === wanted || plain(name) === wanted);
  if (whole.length === 1) return whole[0] as KnownProduct;
  const part = known.filter(
    ({ code, name }) =>
      plain(name).includes(wanted) || wanted.split(' ').includes(plain(code)) || wanted.includes(plain(name)),
  );
  return wanted.length >= 3 && part.length === 1 ? (part[0] as KnownProduct) : null;
};

const shareThat = (cells: readonly string[], is: (cell: string) => boolean): number => {
  const full = cells.filter((cell) => cell.trim() !== '');
  return full.length === 0 ? 0 : full.filter(is).length / full.length;
};

/** Whether a cell is a day at all does not hang on the year: a leap year has them all. */
const isDay = (cell: string): boolean => readOrderDate(cell, 2000) !== null;
const isTime = (cell: string): boolean => readTimeOfDay(cell) !== null;

/** What the columns seem to be, by their headings first and by what stands in them. */
const guess = (
  heading: readonly string[] | null,
  rows: readonly (readonly string[])[],
  known: readonly KnownProduct[],
): readonly OrderColumn[] => {
  const width = Math.max(0, heading?.length ?? 0, ...rows.map((row) => row.length));
  const found: OrderColumn[] = Array.from({ length: width }, () => 'nothing');
  const taken = new Set<OrderColumn>();
  const take = (i: number, what: OrderColumn) => {
    if (found[i] !== 'nothing' || taken.has(what)) return;
    found[i] = what;
    taken.add(what);
  };
  const mostly = (i: number, is: (cell: string) => boolean) =>
    shareThat(
      rows.map((row) => row[i] ?? ''),
      is,
    ) >= 0.6;
  heading?.forEach((text, i) => {
    const said = plain(text);
    const [what] = headings.find(([, words]) => words.test(said)) ?? [];
    if (what === 'date') {
      // "Delivery date" over times of day is when it must be ready; over words it is neither.
      if (mostly(i, isDay)) take(i, 'date');
      else if (mostly(i, isTime)) take(i, 'readyBy');
    } else if (what && !(what === 'pieces' && isOtherFigure(said))) take(i, what);
  });
  const tests: readonly (readonly [OrderColumn, (cell: string) => boolean])[] = [
    ['date', isDay],
    ['readyBy', isTime],
    ['product', (cell) => readProduct(cell, known) !== null],
    ['pieces', (cell) => readPieces(cell) !== null],
    ['customer', (cell) => /\p{L}{2}/u.test(cell)],
  ];
  for (const [what, is] of tests) {
    const like = Array.from({ length: width }, (_, i) => i).filter((i) => {
      const other = what === 'pieces' && isOtherFigure(plain(heading?.[i] ?? ''));
      return !other && found[i] === 'nothing' && mostly(i, is);
    });
    // Of several columns of counts (Mon, Tue, Wed) nobody knows which is meant: a person says.
    if (what === 'pieces' && like.length > 1) continue;
    for (const i of like) take(i, what);
  }
  return found;
};

/** The table in a pasted text or a file: tabs, commas or semicolons, with or without a heading. */
export const readOrderTable = (text: string, known: readonly KnownProduct[]): OrderTable => {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ';', ',', '|'],
  });
  const rows = data.map((row) => row.map((cell) => cell.trim()));
  const [first] = rows;
  // A heading has words where the lines have counts and times.
  const isHeading =
    first !== undefined &&
    first.every((cell) => readPieces(cell) === null && readTimeOfDay(cell) === null) &&
    (rows.length > 1 || first.some((cell) => headings.some(([, words]) => words.test(plain(cell))))) &&
    first.some((cell) => headings.some(([, words]) => words.test(plain(cell))));
  const heading = isHeading ? first : null;
  const lines = isHeading ? rows.slice(1) : rows;
  return { heading, rows: lines, columns: guess(heading, lines, known) };
};

/** Why a line is not for the day that it is put on; null where it is, or says no day. */
const otherDay = (cell: string, date: string | undefined): string | null => {
  if (cell === '' || date === undefined) return null;
  const said = readOrderDate(cell, Number(date.slice(0, 4)));
  if (said === null) return say`"${cell}" is no day such as ${date}.`;
  return said === date ? null : say`It is for ${said}: open that day and add it there.`;
};

/**
 * The orders of a table, by what its columns are; a customer, a day or a ready-by that is left out is that of the line
 * above.
 * @param usual what counts where a column is left out; with `date`, lines for another day are not taken
 */
export const ordersOf = (
  { heading, rows }: Pick<OrderTable, 'heading' | 'rows'>,
  columns: readonly OrderColumn[],
  known: readonly KnownProduct[],
  usual: { readonly customer?: string; readonly readyBy?: string; readonly date?: string } = {},
): readonly OrderRow[] => {
  let { customer = '', readyBy = '' } = usual;
  let day = '';
  return rows.map((cells, i): OrderRow => {
    const of = (what: OrderColumn) => {
      const column = columns.indexOf(what);
      return column < 0 ? '' : (cells[column] ?? '').trim();
    };
    const troubles: string[] = [];
    customer = of('customer') || customer;
    if (customer === '') troubles.push(say`It does not say who it is for.`);
    if (customer.length > 80) troubles.push(say`The name of the customer is longer than 80 letters.`);
    const product = readProduct(of('product'), known);
    if (!product)
      troubles.push(
        of('product') === ''
          ? say`It names no product.`
          : say`"${of('product')}" is no product, or could be several.`,
      );
    const counted = readPieces(of('pieces'));
    const headed = heading?.[columns.indexOf('pieces')] ?? '';
    // "96 pcs" and "8 dozen" say themselves what they are.
    const bare = /^[\d\s.,'\u00a0\u202f]+$/.test(of('pieces'));
    const each = bare ? piecesOf(of('unit')) : 1;
    if (each === null) troubles.push(say`"${of('unit')}" is no count of pieces: say how many pieces it is.`);
    const pieces = counted === null ? null : counted * (bare && inDozens(headed) ? 12 : (each ?? 1));
    if (pieces === null || pieces === 0)
      troubles.push(
        of('pieces') === '' ? say`It has no pieces.` : say`"${of('pieces')}" is no number of pieces.`,
      );
    else if (pieces > 20_000) troubles.push(say`${pieces} pieces are more than one line takes (20,000).`);
    day = of('date') || day;
    const elsewhere = otherDay(day, usual.date);
    if (elsewhere !== null) troubles.push(elsewhere);
    const time = of('readyBy') === '' ? readyBy : readTimeOfDay(of('readyBy'));
    if (time === null || time === '')
      troubles.push(
        of('readyBy') === ''
          ? say`It has no ready-by.`
          : say`"${of('readyBy')}" is no time of day such as 05:40.`,
      );
    else readyBy = time;
    return {
      line: i + 1 + (heading ? 1 : 0),
      cells,
      order:
        troubles.length === 0 && product && pieces !== null && time
          ? { customer, productCode: product.code, pieces, readyBy: time }
          : null,
      troubles,
    };
  });
};
