import {
  celsiusToFahrenheit,
  formatFixed,
  formatNumber,
  readTyped,
  massUnitsG,
  sayDuration,
  showTyped,
  typedUnit,
  type TypedKind,
} from '@jokul/core';
import { usePreferences, type Preferences } from './preferences';

export type Units = Preferences['units'];

/** 32 g, 1.24 kg, 12.5 kg; or 1.13 oz, 2.7 lb. */
export const sayMass = (massG: number, units: Units): string => {
  if (units === 'us') {
    const oz = massG / massUnitsG.oz;
    return Math.abs(oz) < 16 ? `${formatFixed(oz, 2)} oz` : `${formatFixed(massG / massUnitsG.lb, 2)} lb`;
  }
  if (Math.abs(massG) >= 1000) return `${formatFixed(massG / 1000, Math.abs(massG) >= 10_000 ? 1 : 2)} kg`;
  return `${formatNumber(massG)} g`;
};

/** A mass of a few pieces, with so many decimals of a gram; an ounce has one more to be as fine. */
export const sayGrams = (massG: number, units: Units, digits: number): string =>
  units === 'us' ? `${formatFixed(massG / massUnitsG.oz, digits + 1)} oz` : `${formatFixed(massG, digits)} g`;

/**
 * A mass with what a bench scale shows of it: tenths of a gram below 100 g, whole grams above; "none" where no scale there
 * would show any.
 */
export const sayAbout = (massG: number, units: Units): string => {
  if (Math.abs(massG) < 0.5) return 'none';
  const digits = Math.abs(massG) < 100 ? 1 : 0;
  return sayMass(Number(massG.toFixed(digits)), units);
};

export const sayTemperature = (temperatureC: number, units: Units, digits = 0): string =>
  units === 'us'
    ? `${formatFixed(celsiusToFahrenheit(temperatureC), digits)} °F`
    : `${formatFixed(temperatureC, digits)} °C`;

/** How much one temperature differs from another: 3 °C, or 5 °F; the sign is the sentence's. */
export const sayDifference = (byK: number, units: Units, digits = 0): string =>
  units === 'us' ? `${Math.abs(1.8 * byK).toFixed(digits)} °F` : `${Math.abs(byK).toFixed(digits)} °C`;

/** A figure as it stands in a field, in the units of the device: four digits are what anybody sets a thing to. */
export const typedFigure = (value: number, kind: TypedKind, units: Units): string =>
  String(Number(Number(showTyped(value, kind, units)).toPrecision(4)));

/** What was computed or measured of a piece: 80 mm, 9.8 mm; or 3.15 in, 0.386 in. */
export const saySize = (lengthMm: number, units: Units, digits = 0): string =>
  units === 'us' ? `${(lengthMm / 25.4).toFixed(digits + 2)} in` : `${lengthMm.toFixed(digits)} mm`;

/** The same as it is said: a minus is a minus. */
export const saidFigure = (value: number, kind: TypedKind, units: Units): string =>
  typedFigure(value, kind, units).replace('-', '−');

/** 26 mm; or 1.02 in: as much as a rule shows. */
export const sayLength = (lengthMm: number, units: Units): string =>
  units === 'us'
    ? `${Number((lengthMm / 25.4).toFixed(2))} in`
    : `${typedFigure(lengthMm, 'length', units)} mm`;

/** A number as it was typed; none where it cannot be read, or may be two ("1,250"). */
export const typedNumber = (text: string): number => readTyped(text, 'number', 'metric') ?? Number.NaN;

/** How many of something, as it was typed; none where it cannot be read. */
export const typedCount = (text: string): number => readTyped(text, 'count', 'metric') ?? Number.NaN;

/** The words of this device for masses, temperatures and durations. */
export const useUnits = () => {
  const units = usePreferences((p) => p.units);
  return {
    units,
    mass: (massG: number) => sayMass(massG, units),
    about: (massG: number) => sayAbout(massG, units),
    grams: (massG: number, digits = 0) => sayGrams(massG, units, digits),
    temperature: (temperatureC: number, digits = 0) => sayTemperature(temperatureC, units, digits),
    difference: (byK: number, digits = 0) => sayDifference(byK, units, digits),
    size: (lengthMm: number, digits = 0) => saySize(lengthMm, units, digits),
    length: (lengthMm: number) => sayLength(lengthMm, units),
    duration: sayDuration,
    /** What a field is called, with the unit that a bare number in it is taken in. */
    label: (name: string, kind: TypedKind) => `${name}, ${typedUnit(kind, units)}`,
    unit: (kind: TypedKind) => typedUnit(kind, units),
    /** A stored value as a field shows it. */
    figure: (value: number, kind: TypedKind) => typedFigure(value, kind, units),
    /** What was typed into a field, as it is stored; none where it cannot be read. */
    typed: (text: string, kind: TypedKind) =>
      text.trim() === '' ? Number.NaN : (readTyped(text, kind, units) ?? Number.NaN),
    /** −25 to 40 °C. */
    range: (from: number, to: number, kind: TypedKind) =>
      `${saidFigure(from, kind, units)} to ${saidFigure(to, kind, units)} ${typedUnit(kind, units)}`,
  };
};
