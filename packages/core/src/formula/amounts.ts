import { foodOf, type NamesFood } from '../ingredient/index.js';
import { div, mul, relation, requireNumber, type Figure, say } from '../shown/index.js';
import {
  doughLines,
  doughPercent,
  flourPercent,
  type Formula,
  type FormulaLine,
  type Topping,
} from './formula.js';

const bakersPercent = relation({
  name: say`Baker's percent`,
  symbol: 'b',
  unit: '%',
  inputs: {
    m: { symbol: 'm', name: say`mass of the ingredient`, unit: 'g' },
    f: { symbol: 'F', name: say`mass of all flours`, unit: 'g' },
  },
  formula: ({ m, f }) => div(mul(100, m), f),
  source: say`definition of baker's percent: flour = 100`,
});

const ingredientMass = relation({
  name: say`Mass of an ingredient`,
  symbol: 'm',
  unit: 'g',
  inputs: {
    M: { symbol: 'M', name: say`dough mass`, unit: 'g' },
    b: { symbol: 'b', name: say`baker's percent as weighed`, unit: '%' },
    B: { symbol: 'B', name: say`sum of all percents that reach the dough`, unit: '%' },
  },
  formula: ({ M, b, B }) => div(mul(M, b), B),
  source: say`${'m = M b / B'}, from the definition of baker's percent`,
  note: say`Browned butter counts in B without the water and the pan loss that it leaves behind.`,
});

/** Sum of the percents that reach the dough. */
export const totalPercent = (formula: Pick<Formula, 'stages'>): number =>
  doughLines(formula).reduce((sum, line) => sum + doughPercent(line), 0);

export interface Amount {
  /** Names this weighing within its sheet: stage and ingredient, and which of several of the same. */
  readonly key: string;
  readonly stageId: string;
  readonly line: FormulaLine;
  readonly name: string;
  readonly mass: Figure;
}

/**
 * Keys of weighings in their order. The same ingredient may be weighed twice in one stage (butter plain and to brown):
 * the second one has a key of its own.
 */
export const weighingKeys = (
  lines: readonly { readonly stageId: string; readonly ingredientId: string }[],
): readonly string[] => {
  const seen = new Map<string, number>();
  return lines.map(({ stageId, ingredientId }) => {
    const plain = `${stageId}/${ingredientId}`;
    const count = (seen.get(plain) ?? 0) + 1;
    seen.set(plain, count);
    return count === 1 ? plain : `${plain}#${count}`;
  });
};

/** The ingredient that a weighing is of. */
export const ingredientOfKey = (key: string): string => key.slice(key.indexOf('/') + 1).replace(/#\d+$/, '');

/**
 * Grams of every ingredient for a dough mass.
 * @param doughMassG mass of the mixed dough, 1 g to 1 t
 * @throws JokulError `out-of-range`
 */
export const amountsFor = (
  formula: Pick<Formula, 'stages'>,
  doughMassG: number | Figure,
): readonly Amount[] => {
  const massG = typeof doughMassG === 'number' ? doughMassG : doughMassG.value;
  requireNumber(massG, say`The dough mass`, 1, 1e6, 'g');
  const total = totalPercent(formula);
  const lines = formula.stages.flatMap(({ id: stageId, lines: own }) =>
    own.map((line) => ({ stageId, line })),
  );
  const keys = weighingKeys(lines.map(({ stageId, line }) => ({ stageId, ingredientId: line.ingredientId })));
  return lines.map(({ stageId, line }, i) => ({
    key: keys[i] ?? '',
    stageId,
    line,
    name: foodOf(line).name,
    mass: ingredientMass({ M: doughMassG, b: line.percent, B: total }),
  }));
};

export interface ToppingAmount extends Amount {
  readonly line: Topping;
}

const everyTopping = (formula: Formula, doughMassG: number): readonly ToppingAmount[] => {
  const total = totalPercent(formula);
  const keys = weighingKeys(
    formula.toppings.map(({ ingredientId }) => ({ stageId: 'topping', ingredientId })),
  );
  return formula.toppings.map((line, i) => ({
    key: keys[i] ?? '',
    stageId: 'topping',
    line,
    name: foodOf(line).name,
    mass: ingredientMass({ M: doughMassG, b: line.percent, B: total }),
  }));
};

/**
 * Topping per dough mass, of what goes on before the oven: percent of the flour in that mass.
 * @returns grams of each topping for `doughMassG` of dough
 */
export const toppingsFor = (formula: Formula, doughMassG: number): readonly ToppingAmount[] =>
  everyTopping(formula, doughMassG).filter(({ line }) => line.on !== 'iced');

/**
 * What the baked and cold pieces of so much dough are iced or glazed with.
 * @returns grams of each part of the icing
 */
export const icingFor = (formula: Formula, doughMassG: number): readonly ToppingAmount[] =>
  everyTopping(formula, doughMassG).filter(({ line }) => line.on === 'iced');

/** Baker's percents from grams. @throws JokulError `not-computable` without flour */
export const percentsFromGrams = (
  grams: readonly (NamesFood & { readonly massG: number })[],
): readonly { readonly ingredientId: string; readonly percent: Figure }[] => {
  const flourG = flourPercent(grams.map(({ massG, ...named }) => ({ ...named, percent: massG })));
  return grams.map(({ ingredientId, massG }) => ({
    ingredientId,
    percent: bakersPercent({ m: massG, f: flourG }),
  }));
};
