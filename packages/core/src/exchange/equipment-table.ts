import { say } from '../shown/index.js';
import Papa from 'papaparse';
import { trayMaterials } from '../bake/index.js';
import { equipmentKinds, freeId, type Equipment, type EquipmentKind } from '../bakery/index.js';
import { linerKinds } from '../formula/index.js';
import { railWays } from '../tray/index.js';
import { readTable } from './table-of-things.js';

/*
 * Ovens, trays, liners, mixers, scales, cold places and racks as one table for a spreadsheet, a row each, and back. Nothing is taken
 * in that was not read whole; people, hours and scoops are not in it.
 */

type Value = string | number | boolean;
interface Column {
  readonly heading: string;
  readonly key: string;
  readonly of: readonly EquipmentKind[];
  /** Yes or no, one of some words, or a figure with its limits as written; `whole` and `share` (written in percent). */
  readonly as:
    | 'yes'
    | readonly string[]
    | { readonly min: number; readonly max: number; readonly whole?: true; readonly share?: true };
  readonly optional?: true;
}

const columns: readonly Column[] = [
  { heading: 'fan', key: 'fan', of: ['ovens'], as: 'yes' },
  { heading: 'places', key: 'places', of: ['ovens'], as: { min: 1, max: 60, whole: true } },
  { heading: 'places', key: 'places', of: ['racks'], as: { min: 1, max: 5000, whole: true } },
  { heading: '°C a minute', key: 'degreesPerMin', of: ['ovens'], as: { min: 0.1, max: 60 } },
  {
    heading: 'hotter than set °C',
    key: 'offsetK',
    of: ['ovens'],
    as: { min: -60, max: 60 },
    optional: true,
  },
  {
    heading: 'cools °C a minute',
    key: 'coolsPerMin',
    of: ['ovens'],
    as: { min: 0.1, max: 60 },
    optional: true,
  },
  {
    heading: 'door fall °C',
    key: 'doorFallK',
    of: ['ovens'],
    as: { min: 0, max: 120 },
    optional: true,
  },
  { heading: 'door back s', key: 'doorBackS', of: ['ovens'], as: { min: 10, max: 3600 }, optional: true },
  { heading: 'uneven °C', key: 'unevenK', of: ['ovens'], as: { min: 0, max: 60 }, optional: true },
  { heading: 'across °C', key: 'acrossK', of: ['ovens'], as: { min: 0, max: 60 }, optional: true },
  { heading: 'heaters W', key: 'powerW', of: ['ovens'], as: { min: 200, max: 200_000 }, optional: true },
  { heading: 'made of', key: 'material', of: ['trays'], as: Object.keys(trayMaterials) },
  { heading: 'length mm', key: 'lengthMm', of: ['trays'], as: { min: 100, max: 2000 } },
  { heading: 'width mm', key: 'widthMm', of: ['trays'], as: { min: 100, max: 2000 } },
  { heading: 'count', key: 'count', of: ['trays'], as: { min: 1, max: 5000, whole: true } },
  { heading: 'rails', key: 'rails', of: ['trays'], as: railWays, optional: true },
  { heading: 'bowl L', key: 'bowlL', of: ['mixers'], as: { min: 1, max: 400 } },
  { heading: 'least fill', key: 'minFill', of: ['mixers'], as: { min: 1, max: 90, share: true } },
  { heading: 'most fill', key: 'maxFill', of: ['mixers'], as: { min: 5, max: 100, share: true } },
  { heading: 'carries g', key: 'maxMassG', of: ['mixers'], as: { min: 200, max: 400_000 } },
  { heading: 'motor W', key: 'powerW', of: ['mixers'], as: { min: 20, max: 20_000 }, optional: true },
  { heading: 'bowls', key: 'bowls', of: ['mixers'], as: { min: 1, max: 20, whole: true }, optional: true },
  { heading: 'carries g', key: 'maxMassG', of: ['scales'], as: { min: 20, max: 500_000 } },
  { heading: 'step g', key: 'resolutionG', of: ['scales'], as: { min: 0.001, max: 100 } },
  { heading: 'right to g', key: 'toleranceG', of: ['scales'], as: { min: 0, max: 1000 }, optional: true },
  { heading: 'kind', key: 'kind', of: ['places'], as: ['walk-in', 'freezer', 'bench'] },
  { heading: 'air °C', key: 'airC', of: ['places'], as: { min: -40, max: 45 } },
  { heading: 'W/m²K', key: 'hWPerM2K', of: ['places'], as: { min: 2, max: 60 } },
  { heading: 'tray places', key: 'trayPlaces', of: ['places'], as: { min: 0, max: 5000, whole: true } },
  { heading: 'tub places', key: 'tubPlaces', of: ['places'], as: { min: 0, max: 5000, whole: true } },
  { heading: 'bag places', key: 'bagPlaces', of: ['places'], as: { min: 0, max: 5000, whole: true } },
  { heading: 'machine W', key: 'powerW', of: ['places'], as: { min: 50, max: 200_000 }, optional: true },
  { heading: 'probe', key: 'probe', of: ['places'], as: 'yes', optional: true },
  { heading: 'kind', key: 'kind', of: ['liners'], as: linerKinds },
  { heading: 'count', key: 'count', of: ['liners'], as: { min: 1, max: 5000, whole: true }, optional: true },
  {
    heading: 'lets through W/m²K',
    key: 'contactWPerM2K',
    of: ['liners'],
    as: { min: 10, max: 600 },
    optional: true,
  },
  { heading: 'holds', key: 'drag', of: ['liners'], as: { min: 0.1, max: 3 }, optional: true },
];
const headings = [...new Set(columns.map(({ heading }) => heading))];

/** What a row is a row of. */
const whats: Readonly<Record<EquipmentKind, string>> = {
  ovens: 'oven',
  trays: 'tray',
  liners: 'liner',
  mixers: 'mixer',
  scales: 'scale',
  places: 'place',
  racks: 'rack',
};

type Thing = Readonly<Record<string, unknown>> & { readonly id: string };
const thingsOf = (equipment: Equipment, kind: EquipmentKind) =>
  equipment[kind] as unknown as readonly Thing[];

/** A scale may go by its id. */
const nameOf = ({ id, name }: Thing): string => (typeof name === 'string' ? name : id);

/** A figure that could be read with its mark as one of thousands: both readings are within the limits. */
const isAmbiguous = (text: string, min: number, max: number): boolean =>
  /^[1-9]\d{0,2}(?:[.,]\d{3})+$/.test(text) &&
  [Number.parseFloat(text.replace(',', '.')), Number(text.replace(/[.,]/g, ''))].every(
    (figure) => figure >= min && figure <= max,
  );

/** Figures as figures: a spreadsheet takes a text that begins with a minus for a formula. */
const written = ({ as }: Column, value: unknown): string | number => {
  if (value === undefined) return '';
  if (as === 'yes') return value === true ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (typeof value !== 'number' || typeof as === 'string' || !('min' in as)) return '';
  const figure = Number((as.share ? 100 * value : value).toFixed(6));
  // A further digit tells a decimal mark from one of thousands.
  return isAmbiguous(String(figure), as.min, as.max) ? `${figure}0` : figure;
};

/** The table. Figures in the units of their headings, shares in percent. */
export const equipmentToCsv = (equipment: Equipment): string =>
  `${Papa.unparse(
    equipmentKinds.flatMap((kind) =>
      thingsOf(equipment, kind).map((thing) => ({
        what: whats[kind],
        id: thing.id,
        name: typeof thing.name === 'string' ? thing.name : '',
        'out of use': thing.retired === true ? 'yes' : 'no',
        ...Object.fromEntries(headings.map((heading) => [heading, ''])),
        ...Object.fromEntries(
          columns
            .filter(({ of }) => of.includes(kind))
            .map((column) => [column.heading, written(column, thing[column.key])]),
        ),
      })),
    ),
    { escapeFormulae: true },
  )}\n`;

export interface EquipmentTableRow {
  /** As it stands in the text, from 1, the heading counted. */
  readonly line: number;
  readonly name: string;
  readonly kind: EquipmentKind | null;
  readonly thing: Thing | null;
  /** What could not be read, as sentences. */
  readonly troubles: readonly string[];
}

/** So much is read at once. */
const limits = { letters: 200_000, rows: 360 };

const yes = new Map([
  ['yes', true],
  ['true', true],
  ['1', true],
  ['no', false],
  ['false', false],
  ['0', false],
]);

/** @returns the value as stored, or why it is none */
const readCell = (
  { heading, as }: Column,
  text: string,
): { readonly value: Value } | { readonly trouble: string } => {
  const not = text === '' ? say`"${heading}" is empty` : say`"${heading}" cannot be "${text}"`;
  if (as === 'yes') {
    const value = yes.get(text.toLowerCase());
    return value === undefined ? { trouble: say`${not}: write yes or no.` } : { value };
  }
  if (typeof as === 'object' && !('min' in as)) {
    const value = as.find((word) => word === text.toLowerCase());
    return value === undefined ? { trouble: say`${not}: write one of ${as.join(', ')}.` } : { value };
  }
  const { min, max, whole, share } = as;
  const figure = /^[-−]?\d+(?:[.,]\d+)?\s*%?$/.test(text)
    ? Number.parseFloat(text.replace(',', '.').replace('−', '-'))
    : Number.NaN;
  if (isAmbiguous(text, min, max))
    return {
      trouble: say`"${text}" under "${heading}" can be read two ways: write it without a mark for thousands.`,
    };
  if (!(figure >= min && figure <= max) || (whole && !Number.isInteger(figure)))
    return {
      trouble: say`${not}: write a ${whole ? say`whole number` : say`figure`} from ${min} to ${max}.`,
    };
  return { value: share ? figure / 100 : figure };
};

/** As the server has them. */
const idPattern = /^(?!constructor$)[a-z0-9][a-z0-9-]{0,39}$/;

const readRow = (
  cell: (heading: string) => string,
  line: number,
  idFor: (kind: EquipmentKind, name: string) => string,
): EquipmentTableRow => {
  const troubles: string[] = [];
  const name = cell('name').trim();
  const kind = equipmentKinds.find((own) => whats[own] === cell('what').trim().toLowerCase()) ?? null;
  if (!kind) {
    const known = Object.values(whats).join(', ');
    const trouble = say`"what" cannot be "${cell('what').trim()}": write one of ${known}.`;
    return { line, name, kind, thing: null, troubles: [trouble] };
  }
  const id = cell('id').trim() || idFor(kind, name);
  // A scale may go by its id alone.
  if (name.length > 60 || (name === '' && (kind !== 'scales' || cell('id').trim() === '')))
    troubles.push(say`The name has 1 to 60 letters.`);
  if (!idPattern.test(id))
    troubles.push(
      say`The id "${id}" must have small letters, digits and hyphens, at most 40; or leave it empty.`,
    );
  const use = cell('out of use').trim();
  const retired = yes.get(use.toLowerCase());
  if (use !== '' && retired === undefined)
    troubles.push(say`"out of use" cannot be "${use}": write yes or no.`);
  const values = columns
    .filter(({ of }) => of.includes(kind))
    .flatMap((column): readonly (readonly [string, Value])[] => {
      const text = cell(column.heading).trim();
      if (text === '' && column.optional) return [];
      const read = readCell(column, text);
      if ('value' in read) return [[column.key, read.value]];
      troubles.push(read.trouble);
      return [];
    });
  if (troubles.length > 0) return { line, name, kind, thing: null, troubles };
  const thing = {
    id,
    ...(name !== '' && { name }),
    ...Object.fromEntries(values),
    ...(retired !== undefined && { retired }),
  };
  return { line, name: name || id, kind, thing, troubles };
};

/**
 * Reads such a table, its columns in any order. A row without an id is the thing of its name, or a new one. A row says what
 * of it is not read; so does a second one of the same thing.
 * @param equipment what is there
 * @throws JokulError `bad-table` when it has no heading with what and name, or is too long
 */
export const readEquipmentTable = (text: string, equipment: Equipment): readonly EquipmentTableRow[] => {
  const seen = new Set<string>();
  const idFor = (kind: EquipmentKind, name: string): string =>
    thingsOf(equipment, kind).find((thing) => nameOf(thing).toLowerCase() === name.toLowerCase())?.id ??
    freeId(name, equipment);
  return readTable(text, { what: 'things', needed: ['what', 'name'], ...limits }).map(({ cell, line }) => {
    const row = readRow(cell, line, idFor);
    if (!row.thing || !row.kind) return row;
    const key = `${row.kind} ${row.thing.id}`;
    if (seen.has(key))
      return { ...row, thing: null, troubles: [say`${row.name} stands in the table twice.`] };
    seen.add(key);
    return row;
  });
};

/** What a table says of a thing; what it has no column for, or leaves empty, stays. */
const changedBy = (thing: Thing | undefined, now: Thing): Thing => {
  const { retired, ...rest } = { ...thing, ...now };
  return { ...rest, ...(retired === true && { retired }) };
};

/** The equipment with what a table has: things of a known id are changed, others added; what is not in it stays. */
export const withTable = (equipment: Equipment, rows: readonly EquipmentTableRow[]): Equipment => ({
  ...equipment,
  ...Object.fromEntries(
    equipmentKinds.map((kind) => {
      const read = rows.flatMap((row) => (row.kind === kind && row.thing ? [row.thing] : []));
      const known = thingsOf(equipment, kind);
      const changed = known.map((thing) => {
        const now = read.find(({ id }) => id === thing.id);
        return now ? changedBy(thing, now) : thing;
      });
      const added = read.filter(({ id }) => known.every((thing) => thing.id !== id));
      return [kind, [...changed, ...added.map((thing) => changedBy(undefined, thing))]];
    }),
  ),
});
