import { say } from '../shown/index.js';
import { standardMethod, type Formula, type FormulaStage, type StageTool } from '../formula/index.js';
import { foodOf } from '../ingredient/index.js';

export type StepPicture = 'cream' | 'egg' | 'dry' | 'fold' | 'hand' | 'melt';

/** One step at the mixer: how, how long, when to scrape, and when it is enough. */
export interface MixStep {
  readonly stageId: string;
  readonly name: string;
  readonly tool: StageTool;
  /** Whether another tool is taken for it than for the step before. */
  readonly changesTool: boolean;
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
  short: { durationS: 60, stopWhen: say`Just combined, no lumps of butter. It stays dense: thick cookies.` },
  standard: { durationS: 180, stopWhen: say`Paler and soft; the sugar still grates between two fingers.` },
  long: { durationS: 360, stopWhen: say`Pale, fluffy, nearly double. More air, more spread and crumb.` },
  melted: { durationS: 60, stopWhen: say`Glossy and even. Let it stand until it thickens.` },
} as const;

const creamNames: Readonly<Record<keyof typeof creaming, string>> = {
  short: say`just combined`,
  standard: say`creamed as usual`,
  long: say`creamed long`,
  melted: say`with melted butter`,
};

/** How another school does a step, and when it has enough. */
export interface OtherSchool {
  readonly name: string;
  readonly durationS: number;
  readonly stopWhen: string;
}

type Role = 'cream' | 'egg' | 'dry' | 'fold';

/** What a stage does, by what goes in. */
export const roleOf = ({ lines }: FormulaStage): Role => {
  const kinds = lines.map((line) => foodOf(line).kind);
  if (kinds.includes('flour')) return 'dry';
  if (kinds.some((kind) => kind === 'butter' || kind === 'fat')) return 'cream';
  return kinds.includes('inclusion') ? 'fold' : 'egg';
};

/** How much longer a step takes by hand: estimates, to be stopped by the cue as any time here. */
const slower: Readonly<Record<StageTool, number>> = { mixer: 1, 'hand-mixer': 1.5, spoon: 2.5 };

type UsualStep = Omit<MixStep, 'tool' | 'changesTool'>;

/** The usual step as this stage has it: with its own tool, parts and time. */
const asTheStageHas = (usual: UsualStep, stage: FormulaStage): Omit<MixStep, 'changesTool'> => {
  const tool = stage.tool ?? (usual.speed === 'off' ? 'spoon' : 'mixer');
  const usualS = usual.speed === 'off' ? usual.durationS : usual.durationS * slower[tool];
  const durationS = stage.workS ?? Math.round(usualS / 5) * 5;
  const longer = durationS / usual.durationS;
  return {
    ...usual,
    tool,
    // A spoon has no speeds, and reaches what would be scraped.
    speed: tool === 'spoon' ? 'off' : usual.speed === 'off' ? 'lowest' : usual.speed,
    durationS,
    parts: stage.parts ?? usual.parts,
    scrapeAtS: tool === 'spoon' ? [] : usual.scrapeAtS.map((atS) => Math.round(atS * longer)),
  };
};

/** The steps of a formula at the mixer, by its school. Durations are usual ones, to be stopped by the cue. */
export const mixSteps = (formula: Formula): readonly MixStep[] => {
  const own = usualSteps(formula).map(([stage, usual]) => asTheStageHas(usual, stage));
  return own.map((step, i) => ({ ...step, changesTool: i > 0 && own[i - 1]?.tool !== step.tool }));
};

const usualSteps = (formula: Formula): readonly (readonly [FormulaStage, UsualStep])[] => {
  return formula.stages
    .filter(({ lines }) => lines.length > 0)
    .map((stage) => [stage, usualStep(formula, stage)] as const);
};

const usualStep = (formula: Formula, stage: FormulaStage): UsualStep => {
  const { cream, egg, finish } = { ...standardMethod, ...formula.method };
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
            stopWhen: say`Barely blended, streaks may show. Less air: a thicker cookie.`,
          }
        : {
            ...common,
            picture: 'egg',
            speed: '1',
            durationS: 75,
            parts: 2,
            scrapeAtS: [40],
            stopWhen: say`Silky, no slick of egg. Split and grainy: it was cold; warm the bowl a little.`,
          };
    case 'dry':
      return {
        ...common,
        picture: 'dry',
        speed: 'lowest',
        durationS: 40,
        parts: stage.lines.length > 2 ? 2 : 1,
        scrapeAtS: [20],
        stopWhen: say`A little flour still shows. Worked further it turns tough.`,
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
            stopWhen: say`By hand, the bottom turned up; everything evenly spread.`,
          }
        : {
            ...common,
            picture: 'fold',
            speed: 'lowest',
            durationS: 20,
            parts: 1,
            scrapeAtS: [],
            stopWhen: say`Evenly spread. Turn up the bottom of the bowl by hand.`,
          };
  }
};

/** What the other schools do where the school of this formula does something else. */
export const otherSchools = (formula: Formula, stageId: string): readonly OtherSchool[] => {
  const stage = formula.stages.find(({ id }) => id === stageId);
  if (!stage || stage.lines.length === 0) return [];
  const method = { ...standardMethod, ...formula.method };
  const as = (name: string, change: Partial<typeof method>): OtherSchool => {
    const { durationS, stopWhen } = usualStep({ ...formula, method: { ...method, ...change } }, stage);
    return { name, durationS, stopWhen };
  };
  switch (roleOf(stage)) {
    case 'cream':
      return (Object.keys(creaming) as (keyof typeof creaming)[])
        .filter((cream) => cream !== method.cream)
        .map((cream) => as(creamNames[cream], { cream }));
    case 'egg':
      return [
        method.egg === 'fully'
          ? as(say`egg barely blended`, { egg: 'barely' })
          : as(say`egg worked in fully`, { egg: 'fully' }),
      ];
    case 'fold':
      return [
        method.finish === 'hand'
          ? as(say`in the mixer`, { finish: 'machine' })
          : as(say`finished by hand`, { finish: 'hand' }),
      ];
    default:
      return [];
  }
};

/** A formula as the usual school makes it: its stages with the usual tool and time. */
const asUsual = (formula: Formula): Formula => {
  const { method: _, ...rest } = formula;
  return {
    ...rest,
    stages: formula.stages.map((stage) => {
      const { tool: _tool, workS: _workS, parts: _parts, ...usual } = stage;
      return usual;
    }),
  };
};

const allStepsS = (formula: Formula): number =>
  mixSteps(formula).reduce((sum, { durationS }) => sum + durationS, 0);

/**
 * By how much a dough takes longer than the same one made the usual way, by its own school, tools and times, s; below 0 for
 * less. What the house says of weighing and mixing a batch is of the usual way.
 */
export const longerMixS = (formula: Formula): number => allStepsS(formula) - allStepsS(asUsual(formula));

/** Time that the stand mixer works on the dough, s. */
export const workedS = (formula: Formula): number =>
  mixSteps(formula).reduce((sum, { tool, durationS }) => sum + (tool === 'mixer' ? durationS : 0), 0);
