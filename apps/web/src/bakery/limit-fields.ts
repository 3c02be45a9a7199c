import { t } from '@lingui/core/macro';
import {
  formatNumber,
  limitKeys,
  usualLimits,
  type LimitKey,
  type LimitPart,
  type OwnLimits,
} from '@jokul/core';

/** Soda weighs so much a mmol of its base, g. */
const sodaG = 1 / 11.9;

/** A limit as it is asked for: what its label names, times a factor. */
export interface LimitField {
  readonly label: string;
  readonly factor?: number;
}

const percent = (label: string): LimitField => ({ label, factor: 100 });
const soda = (label: string): LimitField => ({ label, factor: sodaG });

export const limitFields: Readonly<Record<LimitKey, LimitField>> = {
  fatLow: { label: t`Fat, from` },
  fatHigh: { label: t`Fat, up to` },
  sugarsLow: { label: t`Sugar, from` },
  sugarsHigh: { label: t`Sugar, up to` },
  waterLow: { label: t`Water, from` },
  waterHigh: { label: t`Water, up to` },
  saltLow: { label: t`Salt, from` },
  saltUnweighed: { label: t`Salt where none is weighed, from` },
  saltHigh: { label: t`Salt, up to` },
  saltDoubled: { label: t`Salt with salted butter, up to` },
  gasLow: { label: t`Gas, mL per kg of dough, from` },
  gasHigh: { label: t`Gas, mL per kg, up to` },
  darkGasHigh: { label: t`Gas with ginger or dark syrup, up to` },
  ammoniaGasHigh: { label: t`Gas with baker’s ammonia, up to` },
  baseLeft: soda(t`Soda without acid, g per kg of dough`),
  darkBaseLeft: soda(t`Soda without acid, ginger or dark syrup`),
  acidLeft: soda(t`Acid left, as g of soda per kg of dough`),
  fatHolds: { label: t`Fat that a dough holds` },
  fatHoldsPerSugar: { label: t`More fat for each part of sugar` },
  fatHoldsFromSugar: { label: t`for sugar beyond` },
  bindingWater: { label: t`Water to bind without egg` },
  butterWater: { label: t`Water short by browned butter or oil` },
  softFat: percent(t`Solid fat when portioned, % at least`),
  darkRimSoft: { label: t`Rim, soft centre` },
  darkRimChewy: { label: t`Rim, chewy` },
  darkRimEdge: { label: t`Rim, crisp edge` },
  darkRimThrough: { label: t`Rim, crisp through` },
  darkBaseSoft: { label: t`Underside, soft centre` },
  darkBaseChewy: { label: t`Underside, chewy` },
  darkBaseEdge: { label: t`Underside, crisp edge` },
  darkBaseThrough: { label: t`Underside, crisp through` },
  meltedStiffness: percent(t`Melted butter: dough as stiff as, %`),
  longStiffness: percent(t`Creamed long: as stiff as, %`),
  shortStiffness: percent(t`Creamed short: as stiff as, %`),
  meltedLift: percent(t`Melted butter: rises as far as, %`),
  longLift: percent(t`Creamed long: rises as far as, %`),
  shortLift: percent(t`Creamed short: rises as far as, %`),
  restedStiffness: percent(t`Days in the cold: as stiff as, %`),
  restedColour: percent(t`Days in the cold: browns as fast as, %`),
  baseStiffness: percent(t`0.84 g soda without acid a kg: as stiff as, %`),
  baseColour: percent(t`0.84 g soda without acid a kg: browns as fast as, %`),
  coatColour: percent(t`Rolled in sugar: browns as fast as, %`),
};

/** The parts, in the order of a formula's way: what is checked, how the work tells, what is too dark. */
export const limitParts: readonly {
  readonly part: LimitPart;
  readonly title: string;
  readonly lead: string;
}[] = [
  {
    part: 'recipe',
    title: t`Recipe check`,
    lead: t`What the check of a formula names as unusual. Parts per 100 of flour, where nothing else is said.`,
  },
  {
    part: 'dark',
    title: t`Too dark`,
    lead: t`By what each is to become, on the colour score: 0 is raw dough, 100 is burnt. Compare with the scores that you log.`,
  },
  {
    part: 'work',
    title: t`What the work does`,
    lead: t`Against the same dough creamed as usual, not rested, and without a coat: 100 is no difference. These are estimates; what your bakes show comes on top.`,
  },
];

export const keysOf = (part: LimitPart): readonly LimitKey[] =>
  limitKeys.filter((key) => usualLimits[key].part === part);

/** Its label with its part, where it stands alone. */
export const limitName = (key: LimitKey): string => {
  const title = limitParts.find(({ part }) => part === usualLimits[key].part)?.title ?? '';
  return `${title}: ${limitFields[key].label}`;
};

/** A limit as its field shows it. */
export const shownLimit = (key: LimitKey, value: number): string =>
  formatNumber(value * (limitFields[key].factor ?? 1));

/** What a house sets, as text; nothing where it keeps the usual. */
export const typedLimits = (own: OwnLimits): Readonly<Record<string, string>> =>
  Object.fromEntries(
    limitKeys.map((key) => {
      const value = own[key];
      return [key, value === undefined ? '' : shownLimit(key, value)];
    }),
  );
