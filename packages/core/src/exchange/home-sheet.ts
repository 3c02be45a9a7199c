import {
  declaredIn,
  amountsFor,
  doughLines,
  totalPercent,
  type Formula,
  type ToppingWay,
} from '../formula/index.js';
import { foodOf, type Declared, type Ingredient } from '../ingredient/index.js';
import { volumeUnitsMl } from '../quantity/index.js';
import { JokulError, requireNumber, say } from '../shown/index.js';

/** Cups and spoons of a kitchen, mL. */
export const kitchens = {
  us: { cup: volumeUnitsMl.cup, tbsp: volumeUnitsMl.tbsp, tsp: volumeUnitsMl.tsp },
  metric: {
    cup: volumeUnitsMl['metric-cup'],
    tbsp: volumeUnitsMl['metric-tbsp'],
    tsp: volumeUnitsMl['metric-tsp'],
  },
} as const;
export type Kitchen = keyof typeof kitchens;

export interface HomeLine {
  readonly name: string;
  /** As in the formula. */
  readonly massG: number;
  /** What a kitchen without a scale takes: "1 cup and 2 tbsp", "2 large", or grams where nothing fits. */
  readonly measure: string;
  /** Grams that the measure gives, as the ingredient is packed here. */
  readonly measureG: number;
  /** How it is filled: "spooned", "packed"; empty where it makes no difference. */
  readonly packing: string;
  /** How it is put on the pieces; null for what is in the dough. */
  readonly on: ToppingWay | null;
}
export interface HomeSheet {
  readonly pieces: number;
  readonly doughG: number;
  readonly lines: readonly HomeLine[];
  readonly allergens: readonly Declared[];
}

const fractions = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
] as const;
const spoonFractions = [
  [0, ''],
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [1 / 2, '½'],
  [3 / 4, '¾'],
] as const;

interface Measure {
  readonly ml: number;
  readonly says: string;
  /** How many tools are filled: fewer are better. */
  readonly tools: number;
}

const wholes = (upTo: number) => Array.from({ length: upTo + 1 }, (_, n) => n);
const number = (whole: number, fraction: string) => `${whole > 0 || !fraction ? whole : ''}${fraction}`;

/** Every amount up to twelve cups that cups and spoons give with at most two kinds of them. */
const measuresOf = (kitchen: Kitchen): readonly Measure[] => {
  const { cup, tbsp, tsp } = kitchens[kitchen];
  const cups = wholes(12).flatMap((n) =>
    fractions.map(([part, sign]) => ({
      ml: (n + part) * cup,
      says: n + part > 1 ? say`${number(n, sign)} cups` : say`${number(n, sign)} cup`,
      tools: (n > 0 ? 1 : 0) + (part > 0 ? 1 : 0),
    })),
  );
  const spoons = wholes(3).map((n) => ({ ml: n * tbsp, says: say`${n} tbsp`, tools: 1 }));
  const small = wholes(2).flatMap((n) =>
    spoonFractions
      .filter(([part]) => n === 0 || part !== 1 / 8)
      .map(([part, sign]) => ({
        ml: (n + part) * tsp,
        says: say`${number(n, sign)} tsp`,
        tools: 1 + (part > 0 && n > 0 ? 1 : 0),
      })),
  );
  /** Between the quarter and the whole: two spoons of the set. */
  const pinch = [
    [3 / 8, say`¼ tsp and ⅛ tsp`],
    [5 / 8, say`½ tsp and ⅛ tsp`],
  ] as const;
  const fine = pinch.map(([n, says]) => ({ ml: n * tsp, says, tools: 2 }));
  const both = (a: readonly Measure[], b: readonly Measure[]) =>
    a
      .filter(({ ml }) => ml > 0)
      .flatMap((x) =>
        b
          .filter(({ ml }) => ml > 0)
          .map((y) => ({ ml: x.ml + y.ml, says: say`${x.says} and ${y.says}`, tools: x.tools + y.tools })),
      );
  return [...cups, ...spoons, ...small, ...fine, ...both(cups, spoons), ...both(spoons, small)].filter(
    ({ ml }) => ml > 0,
  );
};
const measures: Readonly<Record<Kitchen, readonly Measure[]>> = {
  us: measuresOf('us'),
  metric: measuresOf('metric'),
};

/** One more tool to fill must be worth so much of the amount. */
const perTool = 0.015;
/** Farther off than this a spoon is no measure: it is weighed. */
const tooFar = 0.12;
/** Spoons come in eighths of a teaspoon: of so little, mL, more has to do. */
const littleMl = 2;
const tooFarOfLittle = 0.25;
const eggSize = 'large';

const packingOf = ({ densityGPerMl }: Ingredient): readonly [string, number] | undefined =>
  Object.entries(densityGPerMl)[0];

const homeLine = (food: Ingredient, massG: number, kitchen: Kitchen, on: ToppingWay | null): HomeLine => {
  const line = { name: food.name, massG, on };
  const each = food.kind === 'egg' ? food.pieceG[eggSize] : undefined;
  if (each !== undefined) {
    const n = Math.max(1, Math.round(massG / each));
    if (Math.abs((n * each) / massG - 1) <= tooFar)
      return { ...line, measure: say`${n} large`, measureG: n * each, packing: '' };
  }
  const weighed = { ...line, measure: `${Math.max(1, Math.round(massG))} g`, measureG: massG, packing: '' };
  const packed = packingOf(food);
  if (!packed) return weighed;
  const [packing, density] = packed;
  const wanted = massG / density;
  const best = measures[kitchen].reduce<readonly [number, Measure] | null>((found, measure) => {
    const cost = Math.abs(measure.ml / wanted - 1) + perTool * measure.tools;
    return found && found[0] <= cost ? found : [cost, measure];
  }, null);
  const far = wanted < littleMl ? tooFarOfLittle : tooFar;
  if (!best || Math.abs(best[1].ml / wanted - 1) > far) return weighed;
  return {
    ...line,
    measure: best[1].says,
    measureG: best[1].ml * density,
    packing: packing === 'level' ? '' : packing,
  };
};

/** Numbers of pieces that a household bakes at once. */
const fewest = 10;
const most = 36;

/** The number of pieces at which the eggs come closest to whole ones. */
export const piecesForHome = (formula: Formula): number => {
  const egg = doughLines(formula).find((line) => foodOf(line).kind === 'egg');
  const each = egg && foodOf(egg).pieceG[eggSize];
  if (!egg || each === undefined) return 24;
  const eggs = (pieces: number) =>
    (egg.percent / totalPercent(formula)) * pieces * (formula.piece.massG / each);
  const off = (pieces: number) => {
    const n = eggs(pieces);
    return Math.round(n) < 1 ? 1 : Math.abs(n / Math.round(n) - 1);
  };
  return wholes(most - fewest)
    .map((n) => n + fewest)
    .reduce((best, pieces) => (off(pieces) < off(best) - 1e-9 ? pieces : best));
};

/**
 * A formula for a kitchen without a scale: grams into cups, spoons and eggs, each with the grams that the measure gives.
 * Bulk densities are typical, so a cup is good to some 10 %: grams stay beside it.
 * @param pieces how many pieces the sheet is for, 1 to 500
 * @throws JokulError `out-of-range`
 */
export const homeSheet = (formula: Formula, pieces: number, kitchen: Kitchen): HomeSheet => {
  requireNumber(pieces, say`The number of pieces`, 1, 500);
  if (!Number.isInteger(pieces))
    throw new JokulError('out-of-range', say`The number of pieces is a whole number.`, 'pieces');
  const doughG = pieces * formula.piece.massG;
  const perPercent = doughG / totalPercent(formula);
  return {
    pieces,
    doughG,
    lines: [
      ...amountsFor(formula, doughG).map(({ line, mass }) =>
        homeLine(foodOf(line), mass.value, kitchen, null),
      ),
      ...formula.toppings.map((line) =>
        homeLine(foodOf(line), line.percent * perPercent, kitchen, line.on ?? 'coat'),
      ),
    ],
    allergens: declaredIn(formula),
  };
};
