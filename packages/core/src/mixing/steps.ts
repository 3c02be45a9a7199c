import { standardMethod, type Formula, type FormulaStage } from '../formula/index.js';
import { ingredient } from '../ingredient/index.js';

export type StepPicture = 'cream' | 'egg' | 'dry' | 'fold' | 'hand' | 'melt';

/** One step at the mixer: how, how long, when to scrape, and when it is enough. */
export interface MixStep {
  readonly stageId: string;
  readonly name: string;
  readonly picture: StepPicture;
  readonly speed: 'off' | 'lowest' | '1' | '2';
  readonly durationS: number;
  /** In how many parts the ingredients go in. */
  readonly parts: number;
  /** Seconds into the step at which to stop and scrape. */
  readonly scrapeAtS: readonly number[];
  readonly stopWhen: string;
}

const creaming = {
  short: { durationS: 60, stopWhen: 'Just combined, no lumps of butter. It stays dense: thick cookies.' },
  standard: { durationS: 180, stopWhen: 'Paler and soft; the sugar still grates between two fingers.' },
  long: { durationS: 360, stopWhen: 'Pale, fluffy, nearly double. More air, more spread and crumb.' },
  melted: { durationS: 60, stopWhen: 'Glossy and even. Let it stand until it thickens.' },
} as const;

type Role = 'cream' | 'egg' | 'dry' | 'fold';

/** What a stage does, by what goes in. */
export const roleOf = ({ lines }: FormulaStage): Role => {
  const kinds = lines.map(({ ingredientId }) => ingredient(ingredientId).kind);
  if (kinds.includes('flour')) return 'dry';
  if (kinds.some((kind) => kind === 'butter' || kind === 'fat')) return 'cream';
  return kinds.includes('inclusion') ? 'fold' : 'egg';
};

/** The steps of a formula at the mixer, by its school. Durations are usual ones, to be stopped by the cue. */
export const mixSteps = (formula: Formula): readonly MixStep[] => {
  const { cream, egg, finish } = { ...standardMethod, ...formula.method };
  return formula.stages
    .filter(({ lines }) => lines.length > 0)
    .map((stage): MixStep => {
      const common = { stageId: stage.id, name: stage.name };
      switch (roleOf(stage)) {
        case 'cream': {
          const { durationS, stopWhen } = creaming[cream];
          return {
            ...common,
            picture: cream === 'melted' ? 'melt' : 'cream',
            speed: '2',
            durationS,
            parts: 1,
            scrapeAtS: durationS > 90 ? [30, Math.round(durationS / 2)] : [30],
            stopWhen,
          };
        }
        case 'egg':
          return egg === 'barely'
            ? {
                ...common,
                picture: 'egg',
                speed: '1',
                durationS: 25,
                parts: 1,
                scrapeAtS: [],
                stopWhen: 'Barely blended, streaks may show. Less air: a thicker cookie.',
              }
            : {
                ...common,
                picture: 'egg',
                speed: '1',
                durationS: 75,
                parts: 2,
                scrapeAtS: [40],
                stopWhen: 'Silky, no slick of egg. Split and grainy: it was cold; warm the bowl a little.',
              };
        case 'dry':
          return {
            ...common,
            picture: 'dry',
            speed: 'lowest',
            durationS: 40,
            parts: stage.lines.length > 2 ? 2 : 1,
            scrapeAtS: [20],
            stopWhen: 'A little flour still shows. Worked further it turns tough.',
          };
        default:
          return finish === 'hand'
            ? {
                ...common,
                picture: 'hand',
                speed: 'off',
                durationS: 60,
                parts: 1,
                scrapeAtS: [],
                stopWhen: 'By hand, the bottom turned up; everything evenly spread.',
              }
            : {
                ...common,
                picture: 'fold',
                speed: 'lowest',
                durationS: 20,
                parts: 1,
                scrapeAtS: [],
                stopWhen: 'Evenly spread. Turn up the bottom of the bowl by hand.',
              };
      }
    });
};

/** Time that the mixer works on the dough, s. */
export const workedS = (formula: Formula): number =>
  mixSteps(formula).reduce((sum, { speed, durationS }) => sum + (speed === 'off' ? 0 : durationS), 0);
