import { doughLines, flourPercent, type Formula } from './formula.js';
import { attributes, levers, type Attribute, type Lever } from './texture-levers.js';

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
