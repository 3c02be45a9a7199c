/*
 * Figures as people write them, brought to plain ones: decimal comma, thousands by point, blank or apostrophe, words for
 * numbers. What can be read in two ways is not decided here but said.
 */

import { say } from '../shown/index.js';
import { containers, countWords } from './words.js';

export type DecimalMark = 'point' | 'comma';

export interface PlainText {
  readonly text: string;
  /** Two readings of one figure, where the line itself does not tell which is meant. */
  readonly doubt: readonly [number, number] | null;
}

const blanks = /[\u2009\u202f\u00a0\u2007]/g;
/** Units of which single grams matter: three digits behind a mark are thousands there. */
const small = String.raw`(?:g|gr|gram|grams|gramme|grammes|grm|ml)\b`;
const large = String.raw`(?:kg|kilos?|kilograms?|l|litres?|liters?)\b`;

/** No one amount of a recipe is more, g; and amounts of thousands of grams are round ones. */
const mostG = 30_000;
const roundG = 5;

/** "1.250" or "1,250" before a unit: thousands of grams, or a kilogram and a quarter. */
const threeDigits = (text: string, mark: DecimalMark | undefined): PlainText => {
  let doubt: PlainText['doubt'] = null;
  const plain = text.replace(
    new RegExp(String.raw`(?<![\d.,])(\d{1,3})([.,])(\d{3})(?![\d.,])(?=\s*(${small}|${large})?)`, 'gi'),
    (found, whole: string, sign: string, part: string, unit: string | undefined) => {
      const decimal = `${whole}.${part}`;
      const thousands = `${whole}${part}`;
      // A nought in front is never thousands; of a kilogram the part is grams.
      if (whole.startsWith('0') || (unit && new RegExp(`^${large}$`, 'i').test(unit))) return decimal;
      // Nobody weighs 558 kg of flour into a dough, nor 1,234 g of it: such figures have a decimal mark.
      if (unit && (Number(thousands) > mostG || Number(thousands) % roundG !== 0)) return decimal;
      const isMark = (sign === ',') === (mark === 'comma');
      if (unit) {
        if (mark === undefined || !isMark) return thousands;
        // "2.500 g" where the point is the decimal mark: two and a half grams, or two and a half thousand.
        doubt = [Number(decimal), Number(thousands)];
        return thousands;
      }
      if (mark === undefined && sign === ',') return thousands;
      return isMark ? decimal : mark === undefined ? found : thousands;
    },
  );
  return { text: plain, doubt };
};

const numberWord = `(?:${Object.keys(countWords).join('|')}|\\d+)`;
const parts: Readonly<Record<string, string>> = {
  half: '1/2',
  halves: '1/2',
  quarter: '1/4',
  quarters: '1/4',
  third: '1/3',
  thirds: '1/3',
  eighth: '1/8',
  eighths: '1/8',
};
const partWord = `(?:${Object.keys(parts).join('|')})`;
const numberOf = (word: string) => countWords[word.toLowerCase()] ?? Number(word);
/** Three quarters: 3/4. */
const share = (count: string, part: string) => {
  const [, below = '1'] = (parts[part.toLowerCase()] ?? '1/1').split('/');
  return `${numberOf(count)}/${below}`;
};

/** Words before an amount that say that it is not exact: it is read as it stands. */
const roughly = String.raw`(?:about|around|approx\.?|approximately|roughly|circa|ca\.?|c\.a\.|etwa|environ|~|≈)`;

/** "11/2 cups" is a slip for "1 1/2" more often than five and a half: both are said, to be asked about. */
const slippedFraction = (text: string): string =>
  text.replace(
    /(?<![\d.,/])([1-9])([1-7])\/([2348])(?!\d)/g,
    (found, whole: string, above: string, below: string) =>
      Number(above) < Number(below) ? say`${whole} ${above}/${below} or ${found}` : found,
  );

/** "one and a half cups", "a cup and a half", "three quarters of a cup", "1 & 1/2", "one half cup". */
const spokenParts = (text: string): string =>
  text
    // "one-and-one-half cups"
    .replace(
      /^\s*(one|two|three|\d)-and-(an?|one|three)-(half|halves|third|quarters?|eighths?)\b/i,
      '$1 and $2 $3',
    )
    .replace(
      /\b(one|two|three|five|[1-7])-((?:half|quarter|third|eighth)s?)(?=\s)/gi,
      (_, count: string, part: string) => share(count, part),
    )
    .replace(
      /(\d\/\d)\s+of\s+an?\s+(?=(?:cup|tea|table|pound|ounce|kilo|stick|pint|lit)\w*|t(?:bsp|sp))/gi,
      '$1 ',
    )
    .replace(
      new RegExp(String.raw`\b(?!an?\s)(${numberWord})\s+and\s+(\d\/\d)(?=\s)`, 'gi'),
      (_, whole: string, part: string) => `${numberOf(whole)} ${part}`,
    )
    .replace(/(\d)\s*&\s*(\d+\s*[/⁄]\s*\d+|[¼-¾⅐-⅞])/g, '$1 $2')
    .replace(
      new RegExp(String.raw`\b(${numberWord})\s+(?:and|&)\s+(?:an?|one)\s+(${partWord})\b`, 'gi'),
      (_, whole: string, part: string) => `${numberOf(whole)} ${parts[part.toLowerCase()] ?? ''}`,
    )
    .replace(
      new RegExp(
        String.raw`\b(${numberWord})\s+(?:and|&)\s+(two|three)[\s-]+((?:quarter|third|eighth)s?)\b`,
        'gi',
      ),
      (_, whole: string, count: string, part: string) => `${numberOf(whole)} ${share(count, part)}`,
    )
    .replace(
      new RegExp(
        String.raw`\b(${numberWord})\s+((?:heap(?:ed|ing)\s+|level\s+)?(?:cups?|tablespoons?|teaspoons?|tbsps?|tsps?|pounds?|ounces?|sticks?|kilos?|pints?|litres?|liters?)\.?)\s+and\s+(?:an?|one)\s+(${partWord})(?:\s+of\b)?`,
        'gi',
      ),
      (_, whole: string, unit: string, part: string) =>
        `${numberOf(whole)} ${parts[part.toLowerCase()] ?? ''} ${unit}`,
    )
    .replace(
      new RegExp(
        String.raw`^\s*(?:an?\s+|one[\s-]+)?(${partWord})\s+(?!of\s+\d)(?:of\s+)?(?:an?\s+)?(?=[a-z])`,
        'i',
      ),
      (found, part: string) =>
        /^half\s+(?:and|dozen)/i.test(found) ? found : `${parts[part.toLowerCase()] ?? ''} `,
    )
    .replace(
      new RegExp(
        String.raw`^\s*(two|three|five|seven|[2-7])[\s-]+(thirds|quarters|eighths)\s+(?:of\s+)?(?:an?\s+)?`,
        'i',
      ),
      (_, count: string, part: string) => `${share(count, part)} `,
    );

/**
 * A line with its figures made plain.
 * @param mark the decimal mark of the whole sheet, where it is known
 */
export const plainLine = (raw: string, mark?: DecimalMark): PlainText => {
  const spaced = slippedFraction(raw)
    .replace(blanks, ' ')
    // "T55 500 g": the grade of a flour is no figure of it.
    .replace(/\b(?:T|[Tt]ype?|[Tt]ipo)\s?\d{2,4}\b(?!\s*(?:g|kg|ml|oz|lb)\b)/g, ' ')
    .replace(/^(\s*)an?\s+(?=\d+\s*[/⁄]|[¼-¾⅐-⅞])/i, '$1')
    .replace(/^(\s*)(?:an?\s+)?couple(?:\s+of)?\s+/i, (_, before: string) => `${before}2 `)
    // "scant cup sugar", "good pinch of salt": one of them.
    .replace(
      /^(\s*)(?:an?\s+)?(?:good|big|large)\s+pinch/i,
      (_, before: string) => say`${before}1 generous pinch`,
    )
    .replace(/^(\s*)(?:an?\s+)?(?:small|tiny|little)\s+pinch/i, (_, before: string) => `${before}1 pinch`)
    .replace(
      /^(\s*)(?=(?:scant|heap(?:ed|ing)|rounded|level|generous)\s+(?:cup|t(?:able|ea)spoon|tbsp|tsp|pinch))/i,
      (_, before: string) => `${before}1 `,
    )
    // "generous 1/2 teaspoon": how it is filled belongs to the measure.
    .replace(
      /^(\s*)(?:an?\s+)?(scant|heap(?:ed|ing)|rounded|level|generous)\s+((?:\d[\d\s./⁄]*|[¼-¾⅐-⅞]))\s*(?=(?:cup|t(?:able|ea)spoon|tbsp|tsp)s?\b)/i,
      (_, before: string, fill: string, count: string) => `${before}${count.trim()} ${fill} `,
    )
    // "2 x large eggs", "1 x 5 ml spoon"
    .replace(/^(\s*\d+)\s*[x×]\s+(?=\p{L})/iu, '$1 ')
    .replace(/(\d\s*ml)\s+spoons?\b/gi, '$1')
    // Bold and slanted letters of a page.
    .replace(/(\*\*|__|[*_`])(?=\S)([^*_`]+?)(?<=\S)\1/g, '$2')
    .replace(new RegExp(String.raw`(^|[\s(:,–-])${roughly}\s*(?=[\d¼-¾⅐-⅞])`, 'gi'), '$1')
    // ",5 kg" at the start; within a line a comma parts: "100 g butter ,200 g sugar".
    .replace(/(^\s*,|(?:^|\s)\.)(?=\d)/g, (mark) => mark.replace(/[.,]/, '0.'))
    // 1'000 g, 12'500 g
    .replace(/(\d)['’´](\d{3})(?!\d)/g, '$1$2')
    // 1 000 g, but not "2 250 g blocks" (which the container tells) nor "1 1/2".
    .replace(
      new RegExp(
        String.raw`(?<![\d.,/])(\d{1,3}) (\d{3})(?=\s*(?:${small}|${large})(?!\s*(?:${containers})))`,
        'gi',
      ),
      '$1$2',
    )
    // 1.250,00 and 1 000,5: thousands in front, a decimal comma behind.
    .replace(/(?<![\d.,])(\d{1,3})[. ](\d{3}),(\d{1,2})(?!\d)/g, '$1$2.$3')
    // 1.000.000 and 1,000,000
    .replace(
      /(?<!\d)(\d{1,3})((?:[.,]\d{3}){2,})(?!\d)/g,
      (_, head: string, tail: string) => head + tail.replace(/[.,]/g, ''),
    );
  const { text, doubt } = threeDigits(spokenParts(spaced), mark);
  return { text, doubt };
};

/** The decimal mark that a sheet shows: "0,5" or "12.5" with one or two digits behind it; undefined where none does. */
export const decimalMarkOf = (text: string): DecimalMark | undefined => {
  const commas =
    (text.match(/\d,\d{1,2}(?!\d)/g) ?? []).length + (text.match(/(?<!\d)0,\d{3}(?!\d)/g) ?? []).length;
  const points =
    (text.match(/\d\.\d{1,2}(?![\d.])/g) ?? []).length + (text.match(/(?<!\d)0\.\d{3}(?!\d)/g) ?? []).length;
  return commas > points ? 'comma' : points > commas ? 'point' : undefined;
};
