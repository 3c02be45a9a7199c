import {
  bakesIn,
  dayProblem,
  JokulError,
  longerMixS,
  moveLoad,
  readPlan,
  replan,
  type BatchPlan,
  type Equipment,
  type Formula,
  type MovedLoad,
  type OvenBake,
  type PlanProblem,
  type Replanned,
  say,
} from '@jokul/core';
import { outcome, type Outcome } from './outcome.js';
import { predictionsFor } from './plan-day.js';
import { triesTold, type MoveTask, type PlanTask, type ReadPlanTask, type ReplanTask } from './plan-tasks.js';
import { predictionsOf, type ProductBakes } from './predictions.js';

/** More is not tried for than so long with each set of loads that may move, s. */
const replanSeconds = 1.5;

/** A way out of a day that slipped; null where nothing is in trouble. */
export const replanDay = (task: ReplanTask): Outcome<Replanned | null> => outcome(() => findReplan(task));

/** The day as a problem in which nothing is to be placed but what is planned. */
const asPlanned = ({ input, bakes }: Pick<PlanTask, 'input' | 'bakes'>): PlanProblem => {
  const { problem } = dayProblem({
    ...input,
    predictions: predictionsFor(input, bakes),
    longerOf: longerMixS,
  });
  return { ...problem, products: problem.products.map((product) => ({ ...product, batches: [] })) };
};

const ovenBakes = (formula: Formula, bakes: ProductBakes, equipment: Equipment): readonly OvenBake[] =>
  predictionsOf(formula, bakes, equipment).flatMap(({ ovenId, setC, bake: { pull } }) =>
    pull && bakesIn(formula, ovenId) ? [{ ovenId, setC, pullS: Math.round(pull.value) }] : [],
  );

/** A load that is moved by hand, with what follows from it. */
export const moveDay = (task: MoveTask): Outcome<MovedLoad> =>
  outcome(() => {
    const { input, bakes, fixedBakes, fixedFormulas, started, move } = task;
    const batch = input.fixed.find(({ loads }) => loads.some(({ id }) => id === move.loadId));
    if (!batch) throw new JokulError('unknown-load', say`This load is not in the plan any more.`, 'loadId');
    const formula = fixedFormulas[batch.batchId] ?? input.formulas.get(batch.productCode);
    const its = fixedBakes[batch.batchId] ?? bakes[batch.productCode];
    const oven = input.equipment.ovens.find(({ id }) => id === move.ovenId);
    if (!oven) throw new JokulError('unknown-oven', say`This oven is out of use.`, 'ovenId');
    const bake =
      formula && its
        ? ovenBakes(formula, its, input.equipment).find(({ ovenId }) => ovenId === oven.id)
        : undefined;
    if (formula && !bakesIn(formula, oven.id))
      throw new JokulError(
        'not-its-oven',
        say`${formula.name} is not baked in ${oven.name}: its formula says in which ovens it is.`,
        'ovenId',
      );
    if (!bake)
      throw new JokulError('no-bake', say`${oven.name} does not bring it to what it is baked to.`, 'ovenId');
    const { loadId, startS, trays } = move;
    return moveLoad({
      problem: asPlanned(task),
      batches: input.fixed,
      started,
      loadId,
      bake,
      startS,
      ...(trays !== undefined && { trays }),
    });
  });

/** A plan from a file, with what it changes and breaks. */
export const readDay = (task: ReadPlanTask): Outcome<Omit<MovedLoad, 'loadId'>> =>
  outcome(() => {
    const { input, bakes, fixedBakes, fixedFormulas, started, begun, given } = task;
    return readPlan({
      problem: asPlanned(task),
      batches: input.fixed,
      begun,
      started,
      given,
      bakesOf: ({ batchId, productCode }) => {
        const formula = fixedFormulas[batchId] ?? input.formulas.get(productCode);
        const its = fixedBakes[batchId] ?? bakes[productCode];
        return formula && its ? ovenBakes(formula, its, input.equipment) : [];
      },
    });
  });

const findReplan = (task: ReplanTask): Replanned | null => {
  const { input, fixedBakes, fixedFormulas, planned, begun, started, homeless } = task;
  const { formulas, equipment } = input;
  const formulaOf = (batch: BatchPlan) => fixedFormulas[batch.batchId] ?? formulas.get(batch.productCode);
  return replan({
    problem: asPlanned(task),
    planned,
    expected: input.fixed,
    begun,
    started,
    homeless,
    restOf: (batch) => {
      const formula = formulaOf(batch);
      if (!formula) throw new Error(`no formula of ${batch.batchId}`);
      return formula.rest;
    },
    bakesOf: (batch) => {
      const formula = formulaOf(batch);
      const other = fixedBakes[batch.batchId];
      return formula && other ? ovenBakes(formula, other, equipment) : undefined;
    },
    // Somebody waits, and on the demo day as many tries as the time allows found no better way.
    effort: { seconds: replanSeconds, soon: true, ...(triesTold !== undefined && { tries: triesTold }) },
  });
};
