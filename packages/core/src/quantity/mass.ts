import { JokulError, say } from '../shown/index.js';

/** Grams per unit (international avoirdupois, exact by definition). */
export const massUnitsG = { mg: 0.001, g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;
export type MassUnit = keyof typeof massUnitsG;

/** Millilitres per unit (US customary spoons and cups; metric and imperial ones by their names). */
export const volumeUnitsMl = {
  ml: 1,
  l: 1000,
  tsp: 4.92892,
  tbsp: 14.78677,
  /** A dessertspoon: two metric teaspoons. */
  dsp: 10,
  cup: 236.58824,
  floz: 29.57353,
  pint: 473.17647,
  quart: 946.35295,
  'metric-tsp': 5,
  'metric-tbsp': 15,
  'metric-cup': 250,
  'imperial-tsp': 5.91939,
  'imperial-tbsp': 17.75817,
  'imperial-cup': 284.13063,
  'imperial-floz': 28.41306,
  'imperial-pint': 568.26125,
  'imperial-quart': 1136.5225,
  cl: 10,
  dl: 100,
} as const;
export type VolumeUnit = keyof typeof volumeUnitsMl;

export const isMassUnit = (unit: string): unit is MassUnit => Object.hasOwn(massUnitsG, unit);
export const isVolumeUnit = (unit: string): unit is VolumeUnit => Object.hasOwn(volumeUnitsMl, unit);

/**
 * A mass in grams from any mass unit.
 * @throws JokulError `unknown-unit`
 */
export const toGrams = (amount: number, unit: string): number => {
  if (!isMassUnit(unit))
    throw new JokulError('unknown-unit', say`"${unit}" is no unit of mass that Jokul knows.`, 'unit');
  return amount * massUnitsG[unit];
};

export const fromGrams = (massG: number, unit: MassUnit): number => massG / massUnitsG[unit];
