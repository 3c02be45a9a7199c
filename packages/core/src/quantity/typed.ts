import { massUnitsG, volumeUnitsMl } from './mass.js';
import { celsiusToFahrenheit, fahrenheitToCelsius } from './temperature.js';

/** What a person types into a field: a mass in g, a length in mm, a temperature in °C, a difference of two in K, a volume in L. */
export type TypedKind = 'mass' | 'length' | 'temperature' | 'difference' | 'volume' | 'number';
export type UnitSystem = 'metric' | 'us';

const quartL = volumeUnitsMl.quart / 1000;
const litresOf = { l: 1, litre: 1, liter: 1, ml: 0.001, qt: quartL, quart: quartL, gal: 4 * quartL } as const;
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
const gramsOf = { ...massUnitsG, lbs: massUnitsG.lb } as const;
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
    number: '',
  })[kind];

/** A number as people write it: 1.5, 1,5, 1/2, 1 1/2, −20; null when it is none. */
const numberOf = (text: string): number | null => {
  const plain = text.trim().replace('−', '-');
  const fraction = /^(-?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain);
  if (fraction) {
    const [, sign, whole = '0', above = '0', below = '1'] = fraction;
    if (Number(below) === 0) return null;
    return (sign ? -1 : 1) * (Number(whole) + Number(above) / Number(below));
  }
  return /^-?\d*[.,]?\d+$|^-?\d+[.,]$/.test(plain) ? Number(plain.replace(',', '.')) : null;
};

/** Degrees, of a scale or between two points of it: the second has no zero to mind. */
const degrees = (text: string, kind: 'temperature' | 'difference', units: UnitSystem): number | null => {
  const found = /^(.*?)\s*(?:°|º|degrees?)?\s*([cCfF])?$/.exec(text.trim());
  const value = numberOf(found?.[1] ?? '');
  if (value === null) return null;
  const unit = found?.[2]?.toLowerCase() ?? (units === 'us' ? 'f' : 'c');
  if (unit !== 'f') return value;
  return kind === 'difference' ? value / 1.8 : fahrenheitToCelsius(value);
};

/**
 * What was typed, in g, mm, °C or L; a bare number in the units of the device, another unit understood where it stands:
 * "350F", "1 lb 4 oz", "18 in", "1,5 kg". Null when it cannot be read.
 */
export const readTyped = (text: string, kind: TypedKind, units: UnitSystem): number | null => {
  if (kind === 'number') return numberOf(text);
  if (kind === 'temperature' || kind === 'difference') return degrees(text, kind, units);
  const bare = numberOf(text);
  const known = factors[kind];
  if (bare !== null) return bare * (known[typedUnit(kind, units).toLowerCase()] ?? 1);
  const parts = [...text.trim().matchAll(/(-?[\d.,/ −]+?)\s*([a-zA-Z"″]+)\s*/g)];
  if (
    parts.length === 0 ||
    parts
      .map(([all]) => all)
      .join('')
      .trim() !== text.trim()
  )
    return null;
  let sum = 0;
  for (const [, amount = '', unit = ''] of parts) {
    const value = numberOf(amount);
    // Asked for by what a person typed: only a unit's own name counts.
    const factor = Object.hasOwn(known, unit.toLowerCase()) ? known[unit.toLowerCase()] : undefined;
    if (value === null || factor === undefined) return null;
    sum += value * factor;
  }
  return sum;
};

/** A stored value as the field shows it, without its unit: as few digits as keep it what it is. */
export const showTyped = (value: number, kind: TypedKind, units: UnitSystem): string => {
  const us = units === 'us';
  const shownAs = (): number => {
    if (kind === 'number') return value;
    if (kind === 'temperature') return us ? celsiusToFahrenheit(value) : value;
    if (kind === 'difference') return us ? value * 1.8 : value;
    return value / (factors[kind][typedUnit(kind, units).toLowerCase()] ?? 1);
  };
  return String(Number(shownAs().toPrecision(6)));
};
