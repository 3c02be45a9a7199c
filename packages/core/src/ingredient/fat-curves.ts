import type { Ingredient } from './ingredient.js';
import { solidFatShare } from './milk-fat.js';

/** Fats by how they melt. */
export const fatNames = [
  'milk-fat',
  'block-margarine',
  'soft-margarine',
  'shortening',
  'lard',
  'coconut',
  'cocoa-butter',
  'oil',
] as const;
export type FatName = (typeof fatNames)[number];

/** Mass fractions of a dough by fat. */
export type Fats = Readonly<Partial<Record<FatName, number>>>;

/** Percent solid at 5, 10 … 40 °C: typical of each kind; single products differ by several percent. */
const solidPercent: Readonly<Record<Exclude<FatName, 'milk-fat' | 'oil'>, readonly number[]>> = {
  'block-margarine': [48, 40, 32, 25, 17, 10, 5, 2],
  'soft-margarine': [32, 26, 19, 13, 7, 3, 1, 0],
  shortening: [36, 30, 26, 22, 18, 14, 10, 5],
  lard: [33, 28, 24, 19, 10, 5, 3, 1],
  coconut: [88, 78, 58, 34, 3, 0, 0, 0],
  'cocoa-butter': [92, 88, 83, 77, 68, 40, 1, 0],
};
const firstC = 5;
const everyK = 5;
/** Below the first figure the solid share grows on towards all of it, as milk fat does. */
const colderPerK = 0.008;
/** Above the last figure what is left is gone within so much, K. */
const goneWithinK = 8;

/** Solid share (0 to 1) of a fat at a temperature, °C. */
export const solidShare = (fat: FatName, temperatureC: number): number => {
  if (fat === 'milk-fat') return solidFatShare(temperatureC);
  if (fat === 'oil') return 0;
  const percent = solidPercent[fat];
  const at = (temperatureC - firstC) / everyK;
  const of = (i: number) => (percent[i] ?? 0) / 100;
  if (at <= 0) return Math.min(0.97, of(0) + colderPerK * (firstC - temperatureC));
  const last = percent.length - 1;
  if (at >= last) return of(last) * Math.max(0, 1 - (temperatureC - firstC - last * everyK) / goneWithinK);
  const i = Math.floor(at);
  return of(i) + (at - i) * (of(i + 1) - of(i));
};

/** All fat of a dough that acts in it, mass fraction. */
export const fatIn = (fats: Fats): number => fatNames.reduce((sum, name) => sum + (fats[name] ?? 0), 0);

/** Solid fat as a mass fraction of the dough. Blends add by mass; that fats soften one another is left out. */
export const solidIn = (fats: Fats, temperatureC: number): number =>
  fatNames.reduce((sum, name) => {
    const share = fats[name];
    return share ? sum + share * solidShare(name, temperatureC) : sum;
  }, 0);

const fatById: Readonly<Record<string, FatName>> = {
  margarine: 'block-margarine',
  shortening: 'shortening',
  lard: 'lard',
  'coconut-oil': 'coconut',
  'sunflower-oil': 'oil',
  'olive-oil': 'oil',
  'cream-cheese': 'milk-fat',
  mascarpone: 'milk-fat',
};

/** Which fat an ingredient brings into the dough; null when its fat does not act there (nuts, chocolate, egg). */
export const fatOf = ({ id, kind }: Ingredient): FatName | null => {
  if (kind === 'butter') return 'milk-fat';
  if (kind !== 'fat') return null;
  // A fat of the bakery's own: most that are sold for baking are made like block margarine.
  return Object.hasOwn(fatById, id) ? (fatById[id] as FatName) : 'block-margarine';
};
