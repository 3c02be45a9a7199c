import { JokulError, say } from '../shown/index.js';

/*
 * A lot's name for ever: product code, year, a number that is handed out once in that year, and a check character:
 * "GNG-26-417-K", said "G N G, twenty-six, four-seventeen, K". A part of a lot adds its number: "GNG-26-417-K.2".
 * Lots of an older Jokul ("GNG-1127-A": day and letter) keep their names; none is made in that form any more.
 */

const characters = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const modulus = characters.length;

/**
 * The check character of letters and digits after ISO/IEC 7064, MOD 37,36: it tells every single wrong character, and all
 * but one in some four hundred swaps of two neighbours.
 */
export const checkCharacter = (text: string): string => {
  let product = modulus;
  for (const character of text) {
    const value = characters.indexOf(character);
    if (value < 0) continue;
    const sum = (product + value) % modulus;
    product = ((sum === 0 ? modulus : sum) * 2) % (modulus + 1);
  }
  return characters[(modulus + 1 - product) % modulus] ?? '0';
};

/**
 * The id of the lot with a number of the year's counter.
 * @param year of the day that it is baked for, four digits
 * @param number of the bakery's counter for that year, from 1
 * @example lotId('GNG', 2026, 417) // 'GNG-26-417-H'
 */
export const lotId = (productCode: string, year: number, number: number): string => {
  const body = `${productCode}-${String(year % 100).padStart(2, '0')}-${number}`;
  return `${body}-${checkCharacter(body)}`;
};

const pattern = /^([A-Z0-9]{2,6})-(\d{2})-([1-9]\d{0,8})-([A-Z0-9])(?:\.([1-9]\d{0,2}))?$/;
/** Meant as one of ours, also where a slip made it none. */
const alike = /^[A-Z0-9]{2,6}-\d{2}-\d{1,9}-[A-Z0-9](?:\..*)?$/;

export interface LotName {
  readonly productCode: string;
  /** Four digits. */
  readonly year: number;
  readonly number: number;
  /** The number of a part; null for a whole lot. */
  readonly part: number | null;
}

/** What a lot's id says, or null where it is none: of an older form, mistyped, or with a wrong check character. */
export const readLotId = (id: string): LotName | null => {
  const found = pattern.exec(id);
  const [, productCode = '', year = '', number = '', check, part] = found ?? [];
  if (!found || checkCharacter(`${productCode}-${year}-${number}`) !== check) return null;
  return {
    productCode,
    year: 2000 + Number(year),
    number: Number(number),
    part: part === undefined ? null : Number(part),
  };
};

/**
 * Refuses an id that is meant to be one of ours but was mistyped.
 * @throws JokulError `bad-lot`
 */
export const requireLotId = (id: string): void => {
  if (alike.test(id) && readLotId(id) === null)
    throw new JokulError(
      'bad-lot',
      say`There is no lot "${id}": its last character does not fit. Read it off the tub again.`,
      'lot',
    );
};

/** The product that a lot was mixed as; it stands first in ids of every form. A part may go on as another one. */
export const productOf = (lot: string): string => lot.split('-')[0] ?? lot;

/** What a lot is by now: as its record says, else as it was mixed. */
export const productIs = (
  lot: string,
  known: { readonly begun: { readonly productCode: string } | null } | undefined,
): string => known?.begun?.productCode ?? productOf(lot);

/** Parts that plans take are numbered from here on; what is split off by hand stays below. */
export const firstPlannedPart = 101;

/**
 * The id of a lot's next part, beside those that there are. A part of a part is counted with the whole lot, and those that
 * plans take are counted by themselves.
 */
export const partId = (lot: string, taken: Iterable<string>): string => {
  const whole = lot.replace(/\.\d+$/, '');
  const used = [...taken]
    .filter((id) => id.startsWith(`${whole}.`))
    .map((id) => Number(id.slice(whole.length + 1)))
    .filter((number) => number < firstPlannedPart);
  return `${whole}.${Math.max(1, ...used) + 1}`;
};
