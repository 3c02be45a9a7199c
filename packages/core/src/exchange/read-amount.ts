import { numericQuantity } from 'numeric-quantity';
import { countWords, fills, numberWords, unitOfWord, type WrittenUnit } from './words.js';

/** An amount as written: `high` differs from `low` for "2-3 cups". */
export interface WrittenAmount {
  readonly low: number;
  readonly high: number;
  readonly unit: WrittenUnit;
  /** heaping, scant, ... */
  readonly fill?: string;
  /** −1 in "1 cup minus 1 tablespoon". */
  readonly sign: 1 | -1;
}

/** "1,5" is one and a half, "1,000" a thousand; a thin space or a slash of type reads as the plain one. */
const plainFigures = (text: string): string =>
  text
    .replace(/(\d),(\d{1,2})(?!\d)/g, '$1.$2')
    .replace(/[\u2009\u202f\u00a0]/g, ' ')
    .replace(/(?<![\d/.])(\d+)\s*-\s*(\d+\/\d+)/g, (found, whole: string, part: string) => {
      // "1-1/2 cups" is one and a half; "1/2-3/4" and "1-3/2" are from one to the other.
      const [above = 1, below = 1] = part.split('/').map(Number);
      return above < below ? `${whole} ${part}` : found;
    })
    .replace(/(\d)\s+and\s+(a\s+half|\d+\/\d+|[¼½¾⅓⅔⅛])/gi, (_, whole: string, part: string) =>
      /half/i.test(part) ? `${whole} 1/2` : `${whole} ${part}`,
    );

const figure = String.raw`(?:\d+(?:[.,]\d+)*(?:\s+\d+\s*[/⁄]\s*\d+|\s*[¼-¾⅐-⅞])?|\d+\s*[/⁄]\s*\d+|[¼-¾⅐-⅞])`;
const mixed = String.raw`(?:\d+\s+\d+\s*[/⁄]\s*\d+|\d+\s*[/⁄]\s*\d+|${figure})`;
const leading = new RegExp(String.raw`^(${mixed})(?:\s*(?:-|–|—|to|or)\s*(${mixed}))?\s*`, 'i');
const spoken = new RegExp(
  String.raw`^(half a|half an|a half|a quarter|quarter of a|half of a|${Object.keys(numberWords).join('|')})(?:\s+(dozen))?\s+`,
  'i',
);

const valueOf = (text: string) => numericQuantity(text.replace(/\s+/g, ' ').trim(), { round: false });

const spokenValue = (phrase: string, dozen: string | undefined): number => {
  const words = phrase.toLowerCase().split(' ');
  const value = words.includes('half')
    ? 0.5
    : words.includes('quarter')
      ? 0.25
      : (numberWords[words[0] ?? ''] ?? Number.NaN);
  return dozen ? value * 12 : value;
};

interface Taken {
  readonly low: number;
  readonly high: number;
  readonly rest: string;
}

const takeNumber = (text: string): Taken | null => {
  const figures = leading.exec(text);
  if (figures) {
    const low = valueOf(figures[1] ?? '');
    const high = figures[2] === undefined ? low : valueOf(figures[2]);
    const rest = text.slice(figures[0].length);
    const dozen = /^dozen\s+/i.exec(rest);
    const by = dozen ? 12 : 1;
    if (Number.isFinite(low) && Number.isFinite(high))
      return { low: low * by, high: high * by, rest: rest.slice(dozen?.[0].length ?? 0) };
  }
  const said = spoken.exec(text);
  if (!said) return null;
  const value = spokenValue(said[1] ?? '', said[2]);
  return Number.isFinite(value) ? { low: value, high: value, rest: text.slice(said[0].length) } : null;
};

const filling = /^(heaping|heaped|rounded|generous|scant|level)\s+/i;

const takeUnit = (text: string): { unit: WrittenUnit; fill?: string; rest: string } => {
  let rest = text;
  let fill: string | undefined;
  const filled = filling.exec(rest);
  if (filled) {
    fill = (filled[1] ?? '').toLowerCase();
    rest = rest.slice(filled[0].length);
  }
  // "1 packed cup": how it is filled stands before the measure.
  const packed =
    /^(?:(?:firmly|tightly|lightly|loosely)\s+)?(?:packed|full|level)\s+(?=cups?\b|t(?:able|ea)?sp|tbsp|c\.)/i.exec(
      rest,
    );
  if (packed) rest = rest.slice(packed[0].length);
  const fluid = /^(?:fl\.?\s*oz\.?|fluid\s+ounces?)(?![a-z])\s*/i.exec(rest);
  if (fluid) return { unit: { kind: 'volume', unit: 'floz' }, rest: rest.slice(fluid[0].length) };
  const word = /^([a-z]+\.?|%)(?![a-z])\s*/i.exec(rest);
  const unit = word && unitOfWord(word[1] ?? '');
  // "c" and "t" before a word are units; alone at the end they would be too.
  if (!word || !unit) return { unit: { kind: 'piece' }, ...(fill && { fill }), rest };
  rest = rest.slice(word[0].length);
  // "1 cup heaping": how it is filled may stand behind the measure too.
  const behind = fill === undefined && unit.kind === 'volume' ? filling.exec(rest) : null;
  if (behind) {
    fill = (behind[1] ?? '').toLowerCase();
    rest = rest.slice(behind[0].length);
  }
  return { unit, ...(fill && Object.hasOwn(fills, fill) && { fill }), rest };
};

/** One amount at the start of the text, and what follows it; null when there is none. */
export const takeAmount = (raw: string): { amount: WrittenAmount; rest: string } | null => {
  const text = plainFigures(raw.trimStart());
  const number = takeNumber(text);
  if (!number) return null;
  const { unit, fill, rest } = takeUnit(number.rest.trimStart());
  return {
    amount: { low: number.low, high: number.high, unit, sign: 1, ...(fill && { fill }) },
    rest: rest.replace(/^of\s+/i, ''),
  };
};

/** Units whose smaller ones follow without a joint: "1 lb 2 oz", "1 kg 200 g", "1 cup 2 tbsp". */
const families: readonly (readonly string[])[] = [
  ['lb', 'oz'],
  ['kg', 'g'],
  ['l', 'dl', 'cl', 'ml'],
  ['quart', 'pint', 'cup', 'tbsp', 'dsp', 'tsp'],
];
const rankOf = ({ unit }: WrittenAmount) => {
  const name = 'unit' in unit ? unit.unit : '';
  const family = families.findIndex((units) => units.includes(name));
  return { family, rank: families[family]?.indexOf(name) ?? -1 };
};
/** Any other figure behind an amount is no more of it: "8 oz 225 g" says one amount twice. */
const goesOn = (before: WrittenAmount, amount: WrittenAmount): boolean => {
  const [a, b] = [rankOf(before), rankOf(amount)];
  return a.family !== -1 && a.family === b.family && a.rank < b.rank;
};

/** Baker's percent or the cocoa of a chocolate beside an amount says nothing of how much there is. */
const withoutShares = (amounts: readonly WrittenAmount[]): readonly WrittenAmount[] => {
  const real = amounts.filter(({ unit }) => unit.kind !== 'percent');
  return real.length > 0 ? real : amounts;
};

const furtherJoint = new RegExp(
  String.raw`^\s*(?:,\s*)?(plus|\+|and|&|minus|less)\s+(?=[\d¼-¾⅐-⅞]|half\s|(?:${Object.keys(countWords).join('|')})\s)`,
  'i',
);

/** All amounts at the start: "1/2 cup plus 2 tablespoons", "1 lb 4 oz", "1 cup minus 1 tbsp". */
export const takeAmounts = (raw: string): { amounts: readonly WrittenAmount[]; rest: string } => {
  const amounts: WrittenAmount[] = [];
  let rest = raw;
  let joint = '';
  for (;;) {
    const taken = takeAmount(rest);
    const last = amounts.at(-1);
    // A second amount has a unit of its own: "1 cup 2 eggs" is not one amount.
    const another =
      taken !== null &&
      (last === undefined ||
        taken.amount.unit.kind === 'percent' ||
        last.unit.kind === 'percent' ||
        (joint !== ''
          ? taken.amount.unit.kind !== 'piece' && taken.amount.unit.kind !== 'vague'
          : goesOn(last, taken.amount)));
    if (!taken || !another) return { amounts: withoutShares(amounts), rest };
    amounts.push({ ...taken.amount, sign: /minus|less/i.test(joint) ? -1 : 1 });
    const found = furtherJoint.exec(taken.rest);
    joint = found?.[1] ?? '';
    rest = found ? taken.rest.slice(found[0].length) : taken.rest;
    if (found === null && !/^\d/.test(rest.trimStart()))
      return { amounts: withoutShares(amounts), rest: taken.rest };
  }
};
