import { withoutMarkup } from './markup.js';
import Papa from 'papaparse';

/*
 * A recipe kept in a spreadsheet comes as a table: cells with tabs, bars, semicolons or commas between them, grams beside
 * baker's percent, the unit in the heading. Each row becomes the line that a person would have written.
 */

export interface TextLine {
  /** As it was pasted. */
  readonly raw: string;
  /** To be read; empty for a ruled line. */
  readonly line: string;
  /** The row that names the columns. */
  readonly header?: true;
}

const marks = ['\t', '|', ';', ','] as const;
type Mark = (typeof marks)[number];

/**
 * Cells of a row. A programme that writes tables writes points as decimal marks, and no marks of thousands: a further
 * digit says so where three stand behind the point. With semicolons both are meant the other way round.
 */
const cellsOf = (row: string, mark: Mark): readonly string[] => {
  const body = mark === '|' ? row.trim().replace(/^\|/, '').replace(/\|$/, '') : row.trim();
  const [cells = []] = Papa.parse<string[]>(body, { delimiter: mark }).data;
  return cells.map((cell) =>
    mark === ';' ? cell.trim() : cell.trim().replace(/^(\d+\.\d{3})(?=$|\s*[a-z]+$)/i, '$10'),
  );
};

const number = String.raw`[~≈]?\s*(?:\d[\d.,'’  \u202f]*(?:\s*[/⁄]\s*\d+)?|\d*\s*[¼-¾⅐-⅞])`;
const unit = String.raw`(?:g|gr|grams?|gramm|kg|mg|oz|lbs?|ml|cl|dl|l|tsp|tbsp|cups?|tl|el|pcs?|pieces?|stk\.?|stück|each)`;
const bareFigure = new RegExp(String.raw`^${number}$`);
const figure = new RegExp(String.raw`^${number}\s*${unit}?\.?$`, 'i');
const percent = new RegExp(String.raw`^${number}\s*%$`);
const unitAlone = new RegExp(String.raw`^${unit}\.?$`, 'i');
const ruled = /^[\s|:+=_-]+$/;

const heads = {
  amount:
    /^(?:amount|quantity|qty|weight|mass|grams?|gramm|menge|gewicht|poids|quantité|batch|g|kg|oz|lb|ml)\b/i,
  unit: /^(?:unit|units|uom|einheit|unité|measure)$/i,
  percent: /%|^(?:percent|baker)/i,
  name: /^(?:ingredients?|item|name|material|zutat(?:en)?|ingrédients?|what)$/i,
} as const;
/** Columns that say nothing of what goes in. */
const besides =
  /^(?:stage|step|phase|section|part|group|#|no\.?|nr\.?|price|cost|supplier|allergens?|code|sku|lot|id)$/i;
type Role = keyof typeof heads | 'other' | 'besides';

const rolesOf = (cells: readonly string[]): readonly Role[] | null => {
  if (cells.some((cell) => /\d/.test(cell))) return null;
  const roles = cells.map((written): Role => {
    const cell = written.replaceAll('_', ' ').trim();
    if (heads.name.test(cell)) return 'name';
    if (heads.percent.test(cell)) return 'percent';
    if (heads.unit.test(cell)) return 'unit';
    if (besides.test(cell)) return 'besides';
    return heads.amount.test(cell) ? 'amount' : 'other';
  });
  if (!roles.some((role) => role === 'amount' || role === 'percent')) return null;
  const named = roles.includes('name') ? roles : roles.with(roles.indexOf('other'), 'name');
  return named.includes('name') ? named : null;
};

/** The unit that a heading names: "Weight (kg)", "g". */
const unitOfHead = (head: string): string =>
  new RegExp(String.raw`[([]\s*(${unit})\s*[)\]]|(?:^|[\s_])(${unit})$`, 'i')
    .exec(head)
    ?.slice(1)
    .find(Boolean) ?? '';

/** The larger unit, then the smaller one that is added to it. */
const addedTo: readonly (readonly [RegExp, RegExp])[] = [
  [/^(?:lbs?|pounds?)$/i, /^(?:oz|ounces?)$/i],
  [/^(?:kg|kilos?)$/i, /^(?:g|gr|grams?|gramm)$/i],
];

interface Cell {
  readonly cell: string;
  readonly unit: string;
}

/**
 * What several columns of amounts say of one thing: pounds and ounces add up, grams beside ounces say the same again, and
 * a plain count beside a weight ("2 | 100 g" of egg) is how many that is.
 */
const together = (amounts: readonly Cell[]): string => {
  const said = ({ cell, unit: own }: Cell) => `${cell} ${own}`.trim();
  const hasUnit = ({ cell, unit: own }: Cell) => own !== '' || !bareFigure.test(cell);
  const [first, second, ...more] = amounts.some(hasUnit) ? amounts.filter(hasUnit) : amounts;
  if (!first) return '';
  if (!second) return said(first);
  const adds =
    more.length === 0 && addedTo.some(([large, small]) => large.test(first.unit) && small.test(second.unit));
  return adds ? `${said(first)} ${said(second)}` : [first, second, ...more].map(said).join(' / ');
};

/** A cell with its unit apart: "3.2 kg". */
const parted = (cell: string): Cell => {
  const [, own = ''] = new RegExp(String.raw`\d\s*(${unit})\.?$`, 'i').exec(cell) ?? [];
  return own === '' ? { cell, unit: '' } : { cell: cell.replace(/[a-zäöü.]+$/i, '').trim(), unit: own };
};

/** A row without a heading over it: its one name, and every figure it has. */
const byItself = (cells: readonly string[]): string | null => {
  const full = cells.filter((cell) => cell !== '');
  const names = full.filter((cell) => !figure.test(cell) && !percent.test(cell) && !unitAlone.test(cell));
  const figures = full.filter((cell) => figure.test(cell));
  const [name, ...notes] = names;
  if (name === undefined || (figures.length === 0 && !full.some((cell) => percent.test(cell)))) return null;
  // A cell that has its own amount and name is no cell of a table, but an ingredient of a list.
  if (names.some((cell) => new RegExp(String.raw`^${number}\s*\S*\s+[a-z]`, 'i').test(cell))) return null;
  // "Butter 0,25 kg" is no row of a table with commas.
  if (/\d$/.test(name)) return null;
  const own = full.find((cell) => unitAlone.test(cell)) ?? '';
  const shares = full.filter((cell) => percent.test(cell));
  // Two plain figures and nothing to tell them apart: both are said, and asked about.
  const amount =
    figures.length > 1 && figures.every((cell) => bareFigure.test(cell))
      ? figures.join(' or ')
      : together(figures.map(parted)) || (shares[0] ?? '');
  const withUnit = bareFigure.test(amount) && own !== '' ? `${amount} ${own}` : amount;
  return [`${withUnit} ${name}`, ...notes].join(', ');
};

const byRoles = (cells: readonly string[], roles: readonly Role[], header: readonly string[]): string => {
  const of = (role: Role) =>
    cells.flatMap((cell, i) => (roles[i] === role && cell !== '' ? [{ cell, head: header[i] ?? '' }] : []));
  const name = of('name').map(({ cell }) => cell);
  const [own] = of('unit');
  const [share] = of('percent');
  // A unit in a column of its own is of the amount whose heading names none.
  const amounts = of('amount').map(({ cell, head }): Cell => {
    const unitSaid = unitOfHead(head);
    return { cell, unit: bareFigure.test(cell) ? unitSaid || (own?.cell ?? '') : '' };
  });
  const said = together(amounts) || (share ? `${share.cell}${share.cell.includes('%') ? '' : ' %'}` : '');
  return [`${said} ${name.join(' ')}`.trim(), ...of('other').map(({ cell }) => cell)].join(', ');
};

/** Which mark parts the cells; a comma counts only where it stands close, as programs write it. */
const markOf = (rows: readonly string[]): Mark | null =>
  marks.find((mark) =>
    rows.some((row) => {
      if (mark === ',' && !/^"|\S,(?=[\S])[^,]*,\S|","/.test(row)) return false;
      const cells = cellsOf(row, mark);
      return cells.length > 1 && (rolesOf(cells) !== null || (byItself(cells) !== null && cells.length < 9));
    }),
  ) ?? null;

/** The lines of a pasted text, rows of a table among them as lines. */
export const textLines = (text: string): readonly TextLine[] => {
  const rows = text.split(/\r?\n/).map((raw) => ({ raw, plain: withoutMarkup(raw) }));
  const mark = markOf(rows.map(({ plain }) => plain));
  if (mark === null) return rows.map(({ raw, plain }) => ({ raw, line: plain.trim() }));
  let header: readonly string[] = [];
  let roles: readonly Role[] | null = null;
  return rows.map(({ raw, plain }): TextLine => {
    if (ruled.test(plain)) return { raw, line: '' };
    const cells = cellsOf(plain, mark);
    if (cells.length < 2) return { raw, line: plain.trim() };
    const found = rolesOf(cells);
    if (found) {
      header = cells;
      roles = found;
      return { raw, line: plain.trim(), header: true };
    }
    if (roles && (mark !== ',' || cells.length === header.length))
      return { raw, line: byRoles(cells, roles, header) };
    return { raw, line: byItself(cells) ?? (mark === ',' ? plain.trim() : cells.filter(Boolean).join(', ')) };
  });
};
