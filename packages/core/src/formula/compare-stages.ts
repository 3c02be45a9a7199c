import { sayDuration } from '../shown/index.js';
import type { Formula, FormulaStage, StageTool } from './formula.js';

/* What changed of the stages from one version to the next, a short phrase each. */

const stageToolWords: Readonly<Record<StageTool, string>> = {
  mixer: 'the stand mixer',
  'hand-mixer': 'a hand mixer',
  spoon: 'a spoon',
};

const orderPhrases = (before: Formula, after: Formula): readonly string[] => {
  const order = (formula: Formula) => formula.stages.map(({ name }) => name).join(', ');
  return order(before) === order(after) ? [] : [`stages: ${order(after)}`];
};

const workPhrases = (was: FormulaStage, is: FormulaStage): readonly string[] => {
  const name = is.name.toLowerCase();
  return [
    ...(was.parts === is.parts
      ? []
      : [`${name} in ${is.parts === undefined ? 'the usual parts' : `${is.parts} parts`}`]),
    ...(was.tool === is.tool ? [] : [`${name} with ${is.tool ? stageToolWords[is.tool] : 'the usual tool'}`]),
    ...(was.workS === is.workS
      ? []
      : [`${name} worked for ${is.workS === undefined ? 'the usual time' : sayDuration(is.workS)}`]),
  ];
};

const lineOrderPhrases = (was: FormulaStage, is: FormulaStage): readonly string[] => {
  const [had, has] = [was, is].map(({ lines }) => lines.map(({ ingredientId }) => ingredientId)) as [
    string[],
    string[],
  ];
  const sameOnes = had.toSorted().join() === has.toSorted().join();
  return sameOnes && had.join() !== has.join() ? [`${is.name.toLowerCase()} in another order`] : [];
};

const cuePhrases = (was: FormulaStage, is: FormulaStage): readonly string[] =>
  was.cue === is.cue ? [] : [`cue of ${is.name.toLowerCase()} rewritten`];

/** Stages of both versions, each with itself. */
const eachStage = (
  before: Formula,
  after: Formula,
  say: (was: FormulaStage, is: FormulaStage) => readonly string[],
): readonly string[] =>
  after.stages.flatMap((is) => {
    const was = before.stages.find(({ id }) => id === is.id);
    return was ? say(was, is) : [];
  });

export const stagePhrases = (before: Formula, after: Formula): readonly string[] => [
  ...orderPhrases(before, after),
  ...[workPhrases, lineOrderPhrases, cuePhrases].flatMap((say) => eachStage(before, after, say)),
];
