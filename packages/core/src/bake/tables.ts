import { solidFatOf, type Dough } from '../formula/index.js';
import { solidFatShare } from '../ingredient/index.js';
import { dryEnthalpy, solidConductivity } from '../thermal/index.js';

const fromC = -50;
const toC = 310;
export const stepK = 0.5;
const points = Math.round((toC - fromC) / stepK) + 1;

/** Dough properties by temperature, every half kelvin from −50 to 310 °C, read by linear interpolation. */
export interface BakeTables {
  readonly dryEnthalpy: Float64Array;
  readonly conductivity: Float64Array;
  readonly solidFat: Float64Array;
  readonly saturationPa: Float64Array;
  /** Vapour in free air, kg/(m s Pa). */
  readonly vapourInAir: Float64Array;
  /** What every step reads of every cell, side by side: enthalpy, conductivity, saturation and vapour of each point. */
  readonly sideBySide: Float64Array;
}

/** How many figures of a point lie side by side there. */
export const perPoint = 4;

/** Saturation vapour pressure over water, Pa (Magnus form, Alduchov and Eskridge, 1996, eased above 100 °C): 3 % above the steam table at 100 °C, 6 % at 150 °C. */
export const saturationPa = (temperatureC: number): number =>
  610.94 *
  Math.exp((17.625 * temperatureC) / (temperatureC + 243.04)) *
  (temperatureC > 100 ? Math.exp(-2.6e-4 * (temperatureC - 100)) : 1);

export const gas = 8.314;
const molarWater = 0.018015;
const vapourInAir = (t: number): number => {
  const tk = t + 273.15;
  return (2.26e-5 * (tk / 273.15) ** 1.81 * molarWater) / (gas * tk);
};

export const table = (of: (t: number) => number): Float64Array => {
  const values = new Float64Array(points);
  for (let i = 0; i < points; i++) values[i] = of(fromC + i * stepK);
  return values;
};

/** What is the same for every dough. */
const ofAll = {
  saturationPa: table(saturationPa),
  vapourInAir: table(vapourInAir),
};

/**
 * How firm fat makes the dough, on the scale of its solid share. The effect of solid fat was tuned on butter, where the
 * rest of the dough stiffens in the cold along with it: that part stays whatever the fat is, and in the frost, where
 * the whole dough is hard, it is most of it (estimates).
 */
const notOfTheFat = (temperatureC: number): number =>
  Math.min(0.75, 0.25 + 0.025 * Math.max(0, 5 - temperatureC));
const firmness = (dough: Dough, temperatureC: number): number => {
  const rest = notOfTheFat(temperatureC);
  return (1 - rest) * solidFatOf(dough, temperatureC) + rest * solidFatShare(temperatureC);
};

/** Tables that are read together: their figures of each point side by side. */
export const interleaved = (...rows: readonly Float64Array[]): Float64Array => {
  const all = new Float64Array(points * rows.length);
  rows.forEach((row, r) => row.forEach((value, i) => (all[i * rows.length + r] = value)));
  return all;
};

const known = new WeakMap<Dough, BakeTables>();

/** The tables of a dough, made once for each: many bakes are run of the same one. */
export const bakeTables = (dough: Dough): BakeTables => {
  const before = known.get(dough);
  if (before) return before;
  const one = {
    dryEnthalpy: table((t) => dryEnthalpy(dough, t)),
    solidFat: table((t) => firmness(dough, t)),
    conductivity: table((t) => solidConductivity(dough, Math.min(t, 150))),
    ...ofAll,
  };
  const { dryEnthalpy: heat, conductivity, saturationPa: vapour, vapourInAir: free } = one;
  const made = { ...one, sideBySide: interleaved(heat, conductivity, vapour, free) };
  known.set(dough, made);
  return made;
};

/** Where a temperature lies in the tables, in points; found once for all tables that are read at it. */
export const placeOf = (temperatureC: number): number =>
  Math.min(points - 1.001, Math.max(0, (temperatureC - fromC) / stepK));

export const readAt = (values: Float64Array, place: number): number => {
  const i = place | 0;
  const a = values[i] as number;
  return a + (place - i) * ((values[i + 1] as number) - a);
};

/** Slope per kelvin. */
export const slopeAt = (values: Float64Array, place: number): number => {
  const i = place | 0;
  return ((values[i + 1] as number) - (values[i] as number)) / stepK;
};

export const at = (values: Float64Array, temperatureC: number): number =>
  readAt(values, placeOf(temperatureC));
