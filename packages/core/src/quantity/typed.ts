import { massUnitsG, volumeUnitsMl } from './mass.js';
import { celsiusToFahrenheit, fahrenheitToCelsius } from './temperature.js';

/**
 * What a person types into a field: a mass in g, a length in mm, a temperature in °C, a difference of two in K, a volume in
 * L, how many of something, or any other number.
 */
export type TypedKind = 'mass' | 'length' | 'temperature' | 'difference' | 'volume' | 'count' | 'number';
export type UnitSystem = 'metric' | 'us';

const quartL = volumeUnitsMl.quart / 1000;
const litresOf = {
  l: 1,
  litre: 1,
  litres: 1,
  liter: 1,
  liters: 1,
  ml: 0.001,
  cl: 0.01,
  dl: 0.1,
  cup: quartL / 4,
  cups: quartL / 4,
  pt: quartL / 2,
  pint: quartL / 2,
  pints: quartL / 2,
  qt: quartL,
  quart: quartL,
  quarts: quartL,
  gal: 4 * quartL,
  gallon: 4 * quartL,
  gallons: 4 * quartL,
} as const;
const mmOf = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  '″': 25.4,
  ft: 304.8,
} as const;
const { g, kg, oz, lb } = massUnitsG;
const gramsOf = {
  ...massUnitsG,
  gr: g,
  gram: g,
  grams: g,
  kilo: kg,
  kilos: kg,
  kilogram: kg,
  kilograms: kg,
  ounce: oz,
  ounces: oz,
  lbs: lb,
  pound: lb,
  pounds: lb,
} as const;
const factors: Readonly<Record<'mass' | 'length' | 'volume', Readonly<Record<string, number>>>> = {
  mass: gramsOf,
  length: mmOf,
  volume: litresOf,
};

/** The unit that a field shows and that a bare number is taken in. */
export const typedUnit = (kind: TypedKind, units: UnitSystem): string =>
  ({
    mass: units === 'us' ? 'oz' : 'g',
    length: units === 'us' ? 'in' : 'mm',
    temperature: units === 'us' ? '°F' : '°C',
    difference: units === 'us' ? '°F' : '°C',
    volume: units === 'us' ? 'qt' : 'L',
    count: '',
    number: '',
  })[kind];

/** What three digits behind one comma are: a thousand of small units, a part of large ones, or nobody knows. */
type AfterComma = 'thousands' | 'part' | 'unsure';

/** Of what is worth no more than this, in g, mm or L, nobody types thousandths. */
const smallest = { mass: 1, length: 1, volume: 0.01 } as const;
const afterCommaOf = (kind: keyof typeof smallest, factor: number): AfterComma =>
  factor <= smallest[kind] ? 'thousands' : 'part';

/** "2½" as "2 1/2", "1 000" and "1'000" as "1000", "1.250,5" as "1250.5". */
const plainFigure = (text: string): string =>
  text
    .trim()
    .replace('−', '-')
    .replace(
      /(\d?)\s*([¼-¾⅐-⅞])/g,
      (_, before: string, part: string) =>
        `${before && `${before} `}${part.normalize('NFKC').replace('⁄', '/')}`,
    )
    .replace(
      /^(-?\d{1,3})((?:[ '’\u00a0\u202f]\d{3})+)(?=$|[.,]\d)/,
      (_, head: string, tail: string) => `${head}${tail.replace(/\D/g, '')}`,
    )
    .replace(
      /^(-?\d{1,3})((?:\.\d{3})+),(\d+)$/,
      (_, head: string, tail: string, part: string) => `${head}${tail.replaceAll('.', '')}.${part}`,
    );

/**
 * A number as people write it: 1.5, 1,5, 1/2, 1 1/2, 2½, −20, 1,250.5; null when it is none, or when it may be two: "1,250"
 * is one and a quarter in one kitchen and twelve hundred and fifty in another.
 */
const numberOf = (text: string, afterComma: AfterComma): number | null => {
  const plain = plainFigure(text);
  const fraction = /^(-?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
  if (fraction) {
    const [, sign, whole = '0', above = '0', below = '1'] = fraction;
    if (Number(below) === 0) return null;
    return (sign ? -1 : 1) * (Number(whole) + Number(above) / Number(below));
  }
  const parted = /^-?[1-9]\d{0,2}((?:,\d{3})+)(\.\d+)?$/.exec(plain);
  if (parted) {
    const once = parted[1]?.length === 4 && parted[2] === undefined;
    if (!once || afterComma === 'thousands') return Number(plain.replaceAll(',', ''));
    return afterComma === 'part' ? Number(plain.replace(',', '.')) : null;
  }
  return /^-?\d*[.,]?\d+$|^-?\d+[.,]$/.test(plain) ? Number(plain.replace(',', '.')) : null;
};

/** Degrees, of a scale or between two points of it: the second has no zero to mind. */
const degrees = (text: string, kind: 'temperature' | 'difference', units: UnitSystem): number | null => {
  const found = /^(.*?)\s*(?:°|º|degrees?|deg\.?)?\s*([cCfF]|(?<=\d\s*)K)?$/.exec(text.trim());
  const value = numberOf(found?.[1] ?? '', 'part');
  if (value === null) return null;
  const unit = found?.[2]?.toLowerCase() ?? (units === 'us' ? 'f' : 'c');
  // A kelvin is as far as a degree, but no temperature of a kitchen.
  if (unit === 'k') return kind === 'difference' ? value : null;
  if (unit !== 'f') return value;
  return kind === 'difference' ? value / 1.8 : fahrenheitToCelsius(value);
};

/** "1 lb", "4 oz.", and what joins it to the next. */
const somePart =
  /([\d¼-¾⅐-⅞][\d.,/ '’¼-¾⅐-⅞]*?)\s*([a-zA-Z"″]+)\.?(?:\s*(?:,|\+|&|\band\b|\bplus\b)\s*(?=\S)|\s*)/g;

/**
 * What was typed, in g, mm, °C or L; a bare number in the units of the device, another unit understood where it stands:
 * "350F", "1 lb 4 oz", "18 in", "1,5 kg". Null when it cannot be read.
 */
export const readTyped = (text: string, kind: TypedKind, units: UnitSystem): number | null => {
  if (kind === 'number') return numberOf(text, 'unsure');
  // Of pieces there are no thousandths.
  if (kind === 'count') return numberOf(text, 'thousands');
  if (kind === 'temperature' || kind === 'difference') return degrees(text, kind, units);
  const known = factors[kind];
  const own = known[typedUnit(kind, units).toLowerCase()] ?? 1;
  const bare = numberOf(text, afterCommaOf(kind, own));
  if (bare !== null) return bare * own;
  // A sign in front is of the whole: "-1 lb 4 oz" is taken off.
  const [, sign = '', body = ''] = /^\s*([-−]?)\s*(.*?)\s*$/s.exec(text) ?? [];
  const parts = [...body.matchAll(somePart)];
  if (parts.length === 0 || parts.map(([all]) => all).join('') !== body) return null;
  let sum = 0;
  for (const [, amount = '', written = ''] of parts) {
    const unit = written.toLowerCase();
    // Asked for by what a person typed: only a unit's own name counts.
    const factor = Object.hasOwn(known, unit) ? known[unit] : undefined;
    if (factor === undefined) return null;
    const value = numberOf(amount, afterCommaOf(kind, factor));
    if (value === null) return null;
    sum += value * factor;
  }
  return sign ? -sum : sum;
};

/** A stored value as the field shows it, without its unit: as few digits as keep it what it is. */
export const showTyped = (value: number, kind: TypedKind, units: UnitSystem): string => {
  const us = units === 'us';
  const shownAs = (): number => {
    if (kind === 'number' || kind === 'count') return value;
    if (kind === 'temperature') return us ? celsiusToFahrenheit(value) : value;
    if (kind === 'difference') return us ? value * 1.8 : value;
    return value / (factors[kind][typedUnit(kind, units).toLowerCase()] ?? 1);
  };
  return String(Number(shownAs().toPrecision(6)));
};
