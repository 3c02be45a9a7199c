import { foodOf, type Ingredient } from '../ingredient/index.js';
import { leaveningOf, partsOfDough, perFlour } from './balance.js';
import { doughLines, flourPercent, type Formula } from './formula.js';

export const attributes = ['spread', 'thickness', 'chew', 'crispness', 'tenderness', 'colour'] as const;
export type Attribute = (typeof attributes)[number];
type Effects = Partial<Readonly<Record<Attribute, number>>>;

/**
 * Something that a baker can change, how it is measured on a formula, how large an ordinary step of it is, and what
 * one step up tends to do, in points. The directions are common trade knowledge (and Pyler and Gorton, 2008, for
 * sugars, fat and leavening); the sizes are this program's own estimates and stand uncalibrated. Those of spread and
 * thickness are what the bake model answers on an ordinary dough (`bake/shape-forecast.test.ts` holds them to it).
 */
export interface Lever {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
  readonly step: number;
  readonly of: (formula: Formula) => number;
  readonly perStep: Effects;
}

const sugarOf =
  (...ids: readonly string[]) =>
  (formula: Formula) =>
    perFlour(formula, ({ id }) => (ids.includes(id) ? 1 : 0));
const inKind =
  (kind: Ingredient['kind'], weight: (food: Ingredient) => number = () => 1) =>
  (formula: Formula) =>
    perFlour(formula, (food) => (food.kind === kind ? weight(food) : 0));

const flourProtein = (formula: Formula): number => {
  const flours = partsOfDough(formula).filter(({ food }) => food.kind === 'flour');
  const mass = flours.reduce((sum, { percent }) => sum + percent, 0);
  return (
    (100 * flours.reduce((sum, { food, percent }) => sum + percent * food.composition.protein, 0)) / mass
  );
};
const meltedShare = (formula: Formula): number => {
  const butter = doughLines(formula).filter((line) => foodOf(line).kind === 'butter');
  const all = butter.reduce((sum, line) => sum + line.percent, 0);
  const melted = formula.method?.cream === 'melted';
  return all === 0
    ? 0
    : butter.filter((line) => line.browned || melted).reduce((sum, line) => sum + line.percent, 0) / all;
};
const creaming = (formula: Formula): number =>
  ({ short: -1, standard: 0, long: 1, melted: -1 })[formula.method?.cream ?? 'standard'];

/** Every lever of the forecast. */
export const levers: readonly Lever[] = [
  {
    id: 'fat',
    name: 'fat',
    unit: '% of flour',
    step: 8,
    of: (f) => perFlour(f, ({ kind, composition }) => (kind === 'inclusion' ? 0 : composition.fat)),
    perStep: { spread: 0.8, thickness: -0.7, chew: -0.3, crispness: 0.3, tenderness: 0.8 },
  },
  {
    id: 'white-sugar',
    name: 'white sugar',
    unit: '% of flour',
    step: 12,
    of: sugarOf('white-sugar', 'caster-sugar', 'raw-cane-sugar', 'dextrose'),
    perStep: { spread: 1.3, thickness: -1.4, chew: -0.2, crispness: 1, tenderness: -0.2, colour: 0.3 },
  },
  {
    id: 'moist-sugar',
    name: 'brown sugar, syrup, honey',
    unit: '% of flour',
    step: 12,
    of: (f) =>
      perFlour(f, ({ id, kind, analysis }) =>
        kind === 'syrup' ? analysis.sugars : id.endsWith('brown-sugar') || id === 'coconut-sugar' ? 1 : 0,
      ),
    perStep: { spread: 0.8, thickness: -0.95, chew: 1, crispness: -0.8, tenderness: 0.3, colour: 0.9 },
  },
  {
    id: 'fine-sugar',
    name: 'icing sugar',
    unit: '% of flour',
    step: 12,
    of: sugarOf('icing-sugar'),
    perStep: { spread: -0.35, thickness: 0.2, chew: -0.5, crispness: 0.2, tenderness: 0.9, colour: -0.1 },
  },
  {
    id: 'water',
    name: 'water',
    unit: '% of flour',
    step: 4,
    of: (f) =>
      perFlour(f, ({ kind, composition }) =>
        kind === 'flour' || kind === 'inclusion' ? 0 : composition.water,
      ),
    perStep: { spread: 0.4, thickness: -0.35, chew: 0.3, crispness: -1, tenderness: -0.2, colour: -0.3 },
  },
  {
    id: 'white',
    name: 'egg white',
    unit: '% of flour',
    step: 8,
    of: (f) => perFlour(f, ({ id }) => (id === 'egg-white' ? 1 : id === 'whole-egg' ? 0.65 : 0)),
    perStep: { spread: 0.45, thickness: -0.4, chew: 0.2, crispness: -0.2, tenderness: -0.4, colour: 0.2 },
  },
  {
    id: 'yolk',
    name: 'egg yolk',
    unit: '% of flour',
    step: 5,
    of: (f) => perFlour(f, ({ id }) => (id === 'egg-yolk' ? 1 : id === 'whole-egg' ? 0.35 : 0)),
    perStep: { thickness: 0.05, chew: 0.3, crispness: 0.1, tenderness: 0.6, colour: 0.3 },
  },
  {
    id: 'soda',
    name: 'soda beyond its acid',
    unit: 'mmol/kg',
    step: 15,
    of: (f) => Math.max(0, leaveningOf(f).left.value),
    perStep: { spread: 0.3, thickness: 0.05, crispness: 0.3, tenderness: 0.2, colour: 0.9 },
  },
  {
    id: 'gas',
    name: 'gas of the leavening',
    unit: 'mL/kg',
    step: 350,
    of: (f) => leaveningOf(f).gas.value,
    perStep: { thickness: 0.6, tenderness: 0.5, crispness: -0.1 },
  },
  {
    id: 'protein',
    name: 'protein of the flour',
    unit: '%',
    step: 1.5,
    of: flourProtein,
    perStep: { spread: -0.8, thickness: 0.8, chew: 0.9, crispness: 0.1, tenderness: -0.8, colour: 0.3 },
  },
  {
    id: 'inclusions',
    name: 'inclusions and oats',
    unit: '% of flour',
    step: 20,
    of: inKind('inclusion'),
    perStep: { spread: -1.3, thickness: 1.25, chew: 0.2, crispness: -0.1 },
  },
  {
    id: 'melted',
    name: 'butter melted or browned',
    unit: 'share',
    step: 1,
    of: meltedShare,
    perStep: { spread: 1.45, thickness: -1.75, chew: 0.5, crispness: 0.5, colour: 0.3 },
  },
  {
    id: 'cream',
    name: 'creaming',
    unit: 'short to long',
    step: 1,
    of: creaming,
    perStep: { spread: 0.45, thickness: -0.3, chew: -0.4, tenderness: 0.5 },
  },
  {
    id: 'rest',
    name: 'rest',
    unit: 'lg(1 + h)',
    step: 0.7,
    of: (f) => Math.log10(1 + f.rest.bestS / 3600),
    perStep: { spread: -0.35, thickness: 0.35, chew: 0.2, crispness: 0.2, colour: 0.6 },
  },
  {
    id: 'oven',
    name: 'oven',
    unit: '°C',
    step: 10,
    of: (f) => f.bake.setC + (f.bake.fan ? 17 : 0),
    perStep: { spread: -0.1, thickness: 0.1, chew: 0.2, crispness: -0.2, colour: 0.6 },
  },
  {
    id: 'doneness',
    name: 'baked further',
    unit: 'soft centre to crisp through',
    step: 1,
    of: (f) => ({ 'soft-centre': 0, chewy: 1, 'crisp-edge': 2, 'crisp-through': 3 })[f.bake.target],
    perStep: { crispness: 2.5, chew: -1, tenderness: -0.3, colour: 0.8 },
  },
  {
    id: 'piece',
    name: 'piece weight',
    unit: 'ln g',
    step: 0.4,
    of: (f) => Math.log(f.piece.massG),
    perStep: { spread: 0.45, thickness: 1.75, chew: 0.4, crispness: -0.6, colour: -0.2, tenderness: 0.1 },
  },
];

/** What moved a score away from the reference: something of the formula, what it was and is, and the points. */
export interface ScoreMove {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
  readonly from: number | string;
  readonly to: number | string;
  readonly points: number;
}

/** What is told by levers; spread and thickness come from the bake model (`bake/shape-forecast.ts`). */
export const byLevers = ['chew', 'crispness', 'tenderness', 'colour'] as const satisfies readonly Attribute[];
export type ByLevers = (typeof byLevers)[number];

export interface TextureForecast {
  /** 5 is the reference formula; 0 and 10 are as far as the scale goes. */
  readonly scores: Readonly<Record<ByLevers, number>>;
  /** What moved each score away from the reference, the strongest first. */
  readonly because: Readonly<Record<ByLevers, readonly ScoreMove[]>>;
}

/** Points as a score of 0 to 10: strong moves count less and less, so that the scale never runs out at a jump. */
export const bendScore = (points: number): number => 5 + 5 * Math.tanh(points / 9);

const perAttribute = <T>(of: (attribute: ByLevers) => T): Readonly<Record<ByLevers, T>> => ({
  chew: of('chew'),
  crispness: of('crispness'),
  tenderness: of('tenderness'),
  colour: of('colour'),
});

/**
 * Texture of a formula against the bakery's own reference, 0 to 10 with the reference at 5: a forecast from the
 * direction of each lever. Qualitatively right at best; a trial decides.
 */
export const forecastTexture = (formula: Formula, reference: Formula): TextureForecast => {
  const moves = levers.map((lever) => ({ lever, from: lever.of(reference), to: lever.of(formula) }));
  const because = perAttribute((attribute) =>
    moves
      .map(({ lever: { id, name, unit, step, perStep }, from, to }): ScoreMove => {
        const points = ((perStep[attribute] ?? 0) * (to - from)) / step;
        return { id, name, unit, from, to, points };
      })
      .filter(({ points }) => Math.abs(points) > 0.02)
      .sort((a, b) => Math.abs(b.points) - Math.abs(a.points)),
  );
  return {
    scores: perAttribute((attribute) =>
      bendScore(because[attribute].reduce((sum, { points }) => sum + points, 0)),
    ),
    because,
  };
};

export interface LeverAdvice {
  readonly lever: Lever;
  readonly direction: 'more' | 'less';
  /** Points toward what is wanted by one ordinary step. */
  readonly gain: number;
  /** What else the same step does, in points. */
  readonly aside: readonly { readonly attribute: Attribute; readonly points: number }[];
}

/** Levers that move an attribute up or down, the strongest first, each with what else it moves. */
export const leversFor = (
  attribute: Attribute,
  want: 'more' | 'less',
  formula: Formula,
): readonly LeverAdvice[] =>
  levers
    .filter(({ perStep }) => (perStep[attribute] ?? 0) !== 0)
    .map((lever): LeverAdvice => {
      const perStep = lever.perStep[attribute] ?? 0;
      const up = perStep > 0 === (want === 'more');
      const sign = up ? 1 : -1;
      return {
        lever,
        direction: up ? 'more' : 'less',
        gain: Math.abs(perStep),
        aside: attributes
          .filter((other) => other !== attribute && (lever.perStep[other] ?? 0) !== 0)
          .map((other) => ({ attribute: other, points: sign * (lever.perStep[other] ?? 0) })),
      };
    })
    // Less of what is not there is no advice.
    .filter(
      ({ lever, direction }) =>
        direction === 'more' || lever.of(formula) > lever.step * 0.3 || lever.id === 'cream',
    )
    .sort((a, b) => b.gain - a.gain);

/** Flour is 100 again: all percents by the same factor. */
export const withFlour100 = <T extends Pick<Formula, 'stages' | 'toppings'>>(formula: T): T => {
  const factor = 100 / flourPercent(doughLines(formula));
  const scaled = <L extends { readonly percent: number }>(line: L): L => ({
    ...line,
    percent: line.percent * factor,
  });
  return {
    ...formula,
    stages: formula.stages.map((stage) => ({ ...stage, lines: stage.lines.map(scaled) })),
    toppings: formula.toppings.map(scaled),
  };
};
