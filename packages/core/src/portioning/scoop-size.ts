import { numericQuantity } from 'numeric-quantity';
import { volumeUnitsMl } from '../quantity/index.js';
import { formatFixed, formatNumber } from '../shown/index.js';
import { quartMl } from './scoop.js';

/** Scoops are made from this number to that one. */
export const scoopNumbers = [4, 100] as const;

const volumes: Readonly<Record<string, number>> = {
  ml: 1,
  cl: 10,
  tsp: volumeUnitsMl.tsp,
  teaspoon: volumeUnitsMl.tsp,
  tbsp: volumeUnitsMl.tbsp,
  tablespoon: volumeUnitsMl.tbsp,
  oz: volumeUnitsMl.floz,
  'fl oz': volumeUnitsMl.floz,
  ounce: volumeUnitsMl.floz,
  cup: volumeUnitsMl.cup,
};
const lengths: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  inch: 25.4,
  inche: 25.4,
  '"': 25.4,
};

/** A scoop told by how wide its bowl is holds about half a ball of that width, mL. */
const bowlMl = (widthMm: number) => (Math.PI / 12) * (widthMm / 10) ** 3;

const valueIn = <T>(table: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(table, key) ? table[key] : undefined;

/**
 * The number of a scoop (scoops per US quart) as somebody writes it down: "40", "No. 40", "45 mL", "1 1/2 tbsp", "1.5 oz" (of
 * volume), "1/4 cup", or how wide its bowl is, "2 in". Null where it cannot be read, or is no scoop from No. 4 to No. 100.
 */
export const readScoop = (text: string): number | null => {
  const found = /^(?:(?:no\.?|nr\.?|#)\s*)?([\d\s./,½¼¾⅓⅔⅛]+?)\s*([a-z". ]*)$/i.exec(text.trim());
  if (!found) return null;
  const amount = numericQuantity((found[1] ?? '').replace(',', '.').trim(), { round: false });
  const unit = (found[2] ?? '').toLowerCase().replaceAll('.', '').trim().replace(/s$/, '');
  const [ml, mm] = [valueIn(volumes, unit), valueIn(lengths, unit)];
  const number =
    unit === ''
      ? amount
      : ml !== undefined
        ? quartMl / (amount * ml)
        : mm !== undefined
          ? quartMl / bowlMl(amount * mm)
          : Number.NaN;
  const [from, to] = scoopNumbers;
  return number >= from - 1e-6 && number <= to + 1e-6 ? Number(number.toPrecision(6)) : null;
};

/** A scoop as it is called: by its number where it has a whole one, else by what it holds. */
export const sayScoop = (number: number): string =>
  Math.abs(number - Math.round(number)) < 0.005
    ? `No. ${Math.round(number)}`
    : `${formatNumber(Number((quartMl / number).toPrecision(3)))} mL`;

const spoons = [
  ['⅛', 1 / 8],
  ['¼', 1 / 4],
  ['⅓', 1 / 3],
  ['½', 1 / 2],
  ['⅔', 2 / 3],
  ['¾', 3 / 4],
] as const;

/** As kitchen measures go: 2½, ¾; to the nearest of these within 4 %, else with two decimals. */
const asMeasure = (amount: number): string => {
  const whole = Math.floor(amount);
  const all = [['', 0], ...spoons, ['', 1]] as const;
  const off = (part: number) => Math.abs(amount - whole - part);
  const [mark, part] = all.reduce((best, one) => (off(one[1]) < off(best[1]) ? one : best));
  const n = part === 1 ? whole + 1 : whole;
  if (n + part === 0 || off(part) > 0.04 * amount) return formatFixed(amount, 2);
  return n === 0 ? mark : `${n}${mark}`;
};

/** What a level scoop holds, in all that bakers go by. */
export interface ScoopSize {
  readonly number: number;
  readonly ml: number;
  readonly fluidOz: number;
  readonly tablespoons: string;
  readonly cups: string;
  /** A ball of it, mm across. */
  readonly ballMm: number;
  /** Dough of that density, g. */
  readonly doughG: number;
}

/** @param densityGPerMl of the dough that it is filled with */
export const scoopSize = (number: number, densityGPerMl: number): ScoopSize => {
  const ml = quartMl / number;
  return {
    number,
    ml,
    fluidOz: ml / volumeUnitsMl.floz,
    tablespoons: asMeasure(ml / volumeUnitsMl.tbsp),
    cups: asMeasure(ml / volumeUnitsMl.cup),
    ballMm: 10 * Math.cbrt((6 * ml) / Math.PI),
    doughG: ml * densityGPerMl,
  };
};
