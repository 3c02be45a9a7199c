import { sayDuration, say } from '../shown/index.js';
import type { Formula, FormulaStage, StageTool } from './formula.js';

/* What changed of the stages from one version to the next, a short phrase each. */

const stageToolWords: Readonly<Record<StageTool, string>> = {
  mixer: say`the stand mixer`,
  'hand-mixer': say`a hand mixer`,
  spoon: say`a spoon`,
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
      : [is.parts === undefined ? say`${name} in the usual parts` : say`${name} in ${is.parts} parts`]),
    ...(was.tool === is.tool
      ? []
      : [is.tool ? say`${name} with ${stageToolWords[is.tool]}` : say`${name} with the usual tool`]),
    ...(was.workS === is.workS
      ? []
      : [
          is.workS === undefined
            ? say`${name} worked for the usual time`
            : say`${name} worked for ${sayDuration(is.workS)}`,
        ]),
  ];
};

const lineOrderPhrases = (was: FormulaStage, is: FormulaStage): readonly string[] => {
  const [had, has] = [was, is].map(({ lines }) => lines.map(({ ingredientId }) => ingredientId)) as [
    string[],
    string[],
  ];
  const sameOnes = had.toSorted().join() === has.toSorted().join();
  return sameOnes && had.join() !== has.join() ? [say`${is.name.toLowerCase()} in another order`] : [];
};

const cuePhrases = (was: FormulaStage, is: FormulaStage): readonly string[] =>
  was.cue === is.cue ? [] : [say`cue of ${is.name.toLowerCase()} rewritten`];

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
