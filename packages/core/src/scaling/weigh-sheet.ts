import { foodOf, type Ingredient, type NamesFood } from '../ingredient/index.js';
import { formatNumber, sumFigure, type Figure, type Warning, say } from '../shown/index.js';
import { lineName, type Amount } from '../formula/index.js';

export interface Scale {
  readonly id: string;
  readonly name?: string;
  readonly maxMassG: number;
  readonly resolutionG: number;
  /** How far it may be off, by its last check, g; half of its step where left out. */
  readonly toleranceG?: number;
  /** Out of use, and kept for what was recorded with it. */
  readonly retired?: boolean;
}

export interface WeighLine extends NamesFood {
  readonly key: string;
  readonly stageId: string;
  readonly name: string;
  readonly exact: Figure;
  readonly roundedG: number;
  readonly scaleId: string;
  readonly resolutionG: number;
  /** Largest error of the scale as a share of the amount: of its step, d/2 m, or of its last check. */
  readonly errorShare: number;
  readonly toleranceG: number;
}

export interface WeighSheet {
  readonly lines: readonly WeighLine[];
  /** Totals of the dough, without toppings. */
  readonly exactTotalG: number;
  readonly roundedTotalG: number;
  readonly warnings: readonly Warning[];
}

/** Allowed error as a share of the amount: fine for what acts in small doses. A default that a bakery may change. */
export const weighTolerance = { leavening: 0.005, salt: 0.005, other: 0.01 } as const;

const toleranceShare = ({ kind }: Pick<Ingredient, 'kind'>): number =>
  kind === 'leavening' || kind === 'salt' ? weighTolerance[kind] : weighTolerance.other;

/** Digits behind the point that a scale shows: 2 for one of 0.25 g, 1 for 2.5 g, none for 5 g. */
export const digitsOf = (resolutionG: number): number => {
  const [, exponent = '0'] = resolutionG.toString().split('e');
  const [, behind = ''] = (resolutionG.toString().split('e')[0] ?? '').split('.');
  return Math.max(0, behind.length - Number(exponent));
};

/** The amount as a scale can show it, g: a whole number of its steps, also of steps such as 0.25 or 2.5 g. */
export const roundToScale = (massG: number, resolutionG: number): number =>
  Number((Math.round(massG / resolutionG) * resolutionG).toFixed(digitsOf(resolutionG)));

/** How far a reading may be off, g: half of the step, or what the last check of the scale found. */
const offG = ({ resolutionG, toleranceG = 0 }: Scale): number => Math.max(resolutionG / 2, toleranceG);

/**
 * The coarsest scale that holds the amount and reads it within tolerance, else the finest that holds it.
 * Ties of a scale too small for the amount go to the largest one (weighed in parts).
 */
export const pickScale = (massG: number, tolerance: number, scales: readonly Scale[]): Scale => {
  const coarseFirst = [...scales].sort((a, b) => offG(b) - offG(a) || b.resolutionG - a.resolutionG);
  const holding = coarseFirst.filter((scale) => scale.maxMassG >= massG);
  const chosen =
    holding.find((scale) => offG(scale) <= tolerance * massG) ??
    holding.at(-1) ??
    [...scales].sort((a, b) => b.maxMassG - a.maxMassG)[0];
  if (!chosen) throw new RangeError(say`pickScale needs at least one scale`);
  return chosen;
};

/** A weigh sheet: every amount on its scale, rounded to what that scale can show. Needs at least one scale. */
export const weighSheet = (amounts: readonly Amount[], scales: readonly Scale[]): WeighSheet => {
  const warnings: Warning[] = [];
  const lines = amounts.map(({ key, stageId, line, name, mass }): WeighLine => {
    const tolerance = toleranceShare(foodOf(line));
    const scale = pickScale(mass.value, tolerance, scales);
    // Of nothing, nothing is off: a line of 0 % is one that a baker keeps for another day.
    const errorShare = mass.value > 0 ? offG(scale) / mass.value : 0;
    if (errorShare > tolerance) {
      warnings.push({
        code: 'scale-too-coarse',
        message:
          scale.toleranceG !== undefined && scale.toleranceG > scale.resolutionG / 2
            ? say`${name}: ${formatNumber(mass.value)} g on a scale that is right to ${formatNumber(scale.toleranceG)} g may be off by ${formatNumber(errorShare * 100)} %; a finer scale is needed.`
            : say`${name}: ${formatNumber(mass.value)} g on a scale of ${scale.resolutionG} g may be off by ${formatNumber(errorShare * 100)} %; a finer scale is needed.`,
        figures: { massG: mass.value, resolutionG: scale.resolutionG, errorShare },
      });
    }
    if (mass.value > scale.maxMassG) {
      warnings.push({
        code: 'weigh-in-parts',
        message: say`${name}: ${formatNumber(mass.value)} g is more than the ${scale.id} scale holds; weigh it in ${Math.ceil(mass.value / scale.maxMassG)} parts.`,
        figures: { massG: mass.value, maxMassG: scale.maxMassG },
      });
    }
    return {
      key,
      stageId,
      ingredientId: line.ingredientId,
      ...(line.food && { food: line.food }),
      name: lineName(line, name),
      exact: mass,
      roundedG: roundToScale(mass.value, scale.resolutionG),
      scaleId: scale.id,
      resolutionG: scale.resolutionG,
      errorShare,
      toleranceG: Math.max(scale.resolutionG, scale.toleranceG ?? 0, tolerance * mass.value),
    };
  });
  // What is set aside for the pieces is weighed with the rest, but is no part of the dough.
  const inDough = lines.filter(({ stageId }) => stageId !== 'topping');
  const sum = (of: (line: WeighLine) => number) => inDough.reduce((total, line) => total + of(line), 0);
  return {
    lines,
    exactTotalG: sum((line) => line.exact.value),
    roundedTotalG: sum((line) => line.roundedG),
    warnings,
  };
};

/** What the sheet comes to, exactly and as weighed, as sums that open. Toppings are no part of it. */
export const sheetTotals = ({ lines }: WeighSheet): { readonly exact: Figure; readonly rounded: Figure } => {
  const inDough = lines.filter(({ stageId }) => stageId !== 'topping');
  return {
    exact: sumFigure({
      name: say`Sum of the exact amounts`,
      symbol: 'Σ m',
      unit: 'g',
      terms: inDough.map(({ name, exact }) => ({
        symbol: 'm',
        name,
        value: exact.value,
        unit: 'g' as const,
        source: exact.source,
        shown: exact,
      })),
      source: say`sum of the sheet; butter to brown counts before its loss`,
    }),
    rounded: sumFigure({
      name: say`Sum of the amounts as weighed`,
      symbol: 'Σ m',
      unit: 'g',
      terms: inDough.map(({ name, roundedG, scaleId, resolutionG }) => ({
        symbol: 'm',
        name,
        value: roundedG,
        unit: 'g' as const,
        source: say`rounded to ${resolutionG} g of the ${scaleId} scale`,
      })),
      source: say`sum of the sheet; butter to brown counts before its loss`,
    }),
  };
};
