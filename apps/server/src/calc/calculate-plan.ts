import { Ajv } from 'ajv';
import { planSchema, type PlanAnswer } from '@jokul/contracts';
import {
  costOf,
  leastCost,
  leastUndone,
  missingPieces,
  solvePlan,
  undonePieces,
  type PlanProblem,
} from '@jokul/core';
import { solveBinary, solveLinear } from '../computation/linear.js';

export const runPlan = (problem: PlanProblem): PlanAnswer => {
  const least = leastUndone(problem, solveLinear);
  const plan = solvePlan(problem, { leastUndone: least, solveBinary });
  return {
    tasks: plan.batches.flatMap((batch) => batch.tasks),
    loads: plan.batches.flatMap((batch) => batch.loads),
    unplaced: plan.unplaced,
    boundS: plan.boundS,
    objective: {
      undonePieces: undonePieces(problem, plan.batches),
      cost: costOf(problem, plan.batches).minutes,
    },
    bound: { undonePieces: least, cost: leastCost(problem, missingPieces(problem, plan.batches)) },
  };
};

export const checkProblem = new Ajv({ allErrors: false }).compile<PlanProblem>(planSchema);

/** So many at once: beyond it, ask in parts. */
export const mostAtOnce = 1000;
