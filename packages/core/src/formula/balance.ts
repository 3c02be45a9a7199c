import { ingredient, type Ingredient } from '../ingredient/index.js';
import { add, div, mul, relation, sub, sumFigure, type Figure, say } from '../shown/index.js';
import { totalPercent } from './amounts.js';
import { doughLines, doughParts, flourPercent, type DoughPart, type Formula } from './formula.js';

type Staged = Pick<Formula, 'stages'>;

export const partsOfDough = (formula: Staged): readonly DoughPart[] =>
  doughLines(formula).flatMap(doughParts);

/** A sum over the plain ingredients of a dough per 100 of flour, each counted by `of`. */
export const perFlour = (formula: Staged, of: (food: Ingredient) => number): number => {
  const flour = flourPercent(doughLines(formula));
  return flour > 0
    ? (100 * partsOfDough(formula).reduce((sum, { food, percent }) => sum + percent * of(food), 0)) / flour
    : Number.NaN;
};

/** What is worked into a dough and binds water, although it is no flour. */
const workedIn: ReadonlySet<string> = new Set([
  'rolled-oats',
  'quick-oats',
  'wheat-bran',
  'wheat-germ',
  'coconut',
  'sweet-coconut',
  'chia',
  'linseed',
  'biscuit-crumbs',
  'cocoa-powder',
  'dutch-cocoa',
]);
const bindingOf = ({ analysis }: Ingredient) => analysis.starch + analysis.protein + analysis.fibre;
const isChocolate = ({ id, kind }: Ingredient) => kind === 'inclusion' && id.endsWith('chocolate');

/**
 * What carries fat, sugar and water in a dough, as percent of its flours: each by its starch, protein and fibre against
 * wheat flour's. A dough of oats, cocoa or nuts is then judged as a dough of flour would be. Chocolate beyond the weight
 * of the flour is no longer pieces in a dough but part of it.
 */
export const bodyPercent = (formula: Staged): number => {
  const flour = flourPercent(doughLines(formula));
  const unit = bindingOf(ingredient('wheat-flour'));
  const foods = partsOfDough(formula).map(({ food, percent }) => ({
    food,
    percent: (100 * percent) / flour,
  }));
  const binds = ({ id, kind, analysis }: Ingredient) =>
    kind === 'flour' ||
    kind === 'nut-butter' ||
    (kind === 'flavour' && analysis.starch > 0.3) ||
    workedIn.has(id);
  const chocolate = foods.filter(({ food }) => isChocolate(food));
  const chocolates = chocolate.reduce((sum, { percent }) => sum + percent, 0);
  const melted = chocolates > 100 ? 1 - 100 / chocolates : 0;
  return (
    foods
      .filter(({ food }) => binds(food))
      .reduce((sum, { food, percent }) => sum + percent * bindingOf(food), 0) /
      unit +
    (melted * chocolate.reduce((sum, { food, percent }) => sum + percent * bindingOf(food), 0)) / unit
  );
};

/** A sum over the plain ingredients per 100 of the dough's body (see `bodyPercent`), opening to what each brings. */
export const perBodyFigure = (formula: Staged, name: string, of: (food: Ingredient) => number): Figure => {
  const flour = flourPercent(doughLines(formula));
  const body = (bodyPercent(formula) / 100) * flour;
  return sumFigure({
    name: say`${name} per 100 of flour and what binds like it`,
    symbol: 'r',
    unit: '',
    terms: partsOfDough(formula)
      .filter(({ food }) => of(food) > 0)
      .map(({ food, percent }) => ({
        symbol: '100 b x / B',
        name: say`${food.name}: ${percent.toFixed(2)} % with ${(100 * of(food)).toFixed(1)} %`,
        value: (100 * percent * of(food)) / body,
        unit: '' as const,
        source: food.source,
      })),
    source: say`mass balance over the ingredients; B: flours, and oats, cocoa, nuts and the like by their starch, protein and fibre`,
  });
};

const perKg = (
  formula: Staged,
  name: string,
  symbol: string,
  unit: '' | 'mL',
  of: (food: Ingredient) => number,
  source: string,
): Figure => {
  const total = totalPercent(formula);
  return sumFigure({
    name,
    symbol,
    unit,
    terms: partsOfDough(formula)
      .map(({ food, percent }) => ({
        food,
        gPerKg: (1000 * percent) / total,
      }))
      .filter(({ food }) => of(food) > 0)
      .map(({ food, gPerKg }) => ({
        symbol: 'm q',
        name: say`${food.name}: ${gPerKg.toFixed(2)} g per kg of dough × ${Number(of(food).toFixed(4))} per g`,
        value: gPerKg * of(food),
        unit,
        source: food.source,
      })),
    source,
  });
};

const gasOf = relation({
  name: say`Gas of the leavening, mL per kg of dough`,
  symbol: 'G',
  unit: 'mL',
  inputs: {
    P: { symbol: 'P', name: say`gas of powder and other complete leaveners, per kg`, unit: 'mL' },
    S: { symbol: 'S', name: say`gas of soda if it reacted fully, per kg`, unit: 'mL' },
    n: { symbol: 'n', name: say`share of the base that finds acid`, unit: 'share' },
  },
  formula: ({ P, S, n }) => add(P, mul(S, div(add(1, n), 2))),
  source: say`soda with acid gives all its carbon dioxide; by heat alone half (2 NaHCO₃ → Na₂CO₃ + CO₂ + H₂O)`,
  note: say`At 20 °C. How much of it stays in the dough is another matter.`,
});
const metOf = relation({
  name: say`Share of the base that finds acid`,
  symbol: 'n',
  unit: 'share',
  inputs: {
    A: { symbol: 'A', name: say`acid, mmol per kg of dough`, unit: '' },
    B: { symbol: 'B', name: say`base, mmol per kg of dough`, unit: '' },
  },
  formula: ({ A, B }) => div(A, B),
  source: say`equivalents; more acid than base counts as 1`,
});
const leftOf = relation({
  name: say`Base left over, mmol per kg of dough`,
  symbol: 'B − A',
  unit: '',
  inputs: {
    B: { symbol: 'B', name: say`base, mmol per kg of dough`, unit: '' },
    A: { symbol: 'A', name: say`acid, mmol per kg of dough`, unit: '' },
  },
  formula: ({ B, A }) => sub(B, A),
  source: say`equivalents of base less those of acid; 12 mmol are 1 g of soda`,
  note: say`Flour takes up some of it too; acids of sugars and cocoa vary. Below zero, acid is left.`,
});

/** Base, acid and gas of a dough. */
export interface LeaveningBalance {
  readonly base: Figure;
  readonly acid: Figure;
  /** Base less acid, mmol per kg of dough. */
  readonly left: Figure;
  /** mL per kg of dough at 20 °C. */
  readonly gas: Figure;
}

/** The leavening of a dough: what base meets what acid, what is left, and how much gas there is. */
export const leaveningOf = (formula: Staged): LeaveningBalance => {
  const base = perKg(
    formula,
    say`Base, mmol per kg of dough`,
    'B',
    '',
    ({ leavening }) => leavening.baseMmolPerG,
    say`molar mass: 11.9 mmol per g of soda`,
  );
  const acid = perKg(
    formula,
    say`Acid, mmol per kg of dough`,
    'A',
    '',
    ({ leavening }) => leavening.acidMmolPerG,
    say`typical titratable acidity of each ingredient`,
  );
  const needsAcid = ({ leavening }: Ingredient) => leavening.baseMmolPerG > 0;
  const soda = perKg(
    formula,
    say`Gas of soda`,
    'S',
    'mL',
    (food) => (needsAcid(food) ? food.leavening.gasMlPerG : 0),
    say`24.06 L per mole at 20 °C`,
  );
  const complete = perKg(
    formula,
    say`Gas of powder`,
    'P',
    'mL',
    (food) => (needsAcid(food) ? 0 : food.leavening.gasMlPerG),
    say`12 to 14 % of available carbon dioxide by mass`,
  );
  const met =
    base.value > 0 && acid.value < base.value ? metOf({ A: acid, B: base }) : base.value > 0 ? 1 : 0;
  return { base, acid, left: leftOf({ B: base, A: acid }), gas: gasOf({ P: complete, S: soda, n: met }) };
};
