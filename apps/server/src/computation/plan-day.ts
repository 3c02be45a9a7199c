import type { ProductForecast } from '@jokul/contracts';
import {
  bakesIn,
  aheadWorkOf,
  canonicalJson,
  checkPlan,
  cleaningsOf,
  dayProblem,
  inUse,
  leastUndone,
  longerMixS,
  placeAfterAgain,
  preparationsOf,
  qualityOf,
  resourceIds,
  ribbonOf,
  safePlan,
  trayLayout,
  type BakeResult,
  type BatchPlan,
  type DayInput,
  type Equipment,
  type Formula,
  type HouseRules,
  type Layout,
  type Plan,
  type Prediction,
} from '@jokul/core';
import { bringLinear, solveBinary, solveLinear } from './linear.js';
import { outcome, type Outcome } from './outcome.js';
import { triesTold, type PlanBody, type PlanTask } from './plan-tasks.js';
import { bakeIn, predictionsOf, type ProductBakes } from './predictions.js';

/** Forecasts in the ovens that are in use: one that is kept for what bakes in it already takes nothing new. */
export const predictionsFor = (
  { formulas, equipment }: PlanTask['input'],
  bakes: PlanTask['bakes'],
): ReadonlyMap<string, readonly Prediction[]> =>
  new Map([...formulas.values()].map((f) => [f.code, predictionsOf(f, bakes[f.code], inUse(equipment))]));

/** The day with its bakes, and what its doughs ask for before they are mixed. */
export const withAhead = (input: PlanTask['input'], bakes: PlanTask['bakes']): DayInput => ({
  ...input,
  predictions: predictionsFor(input, bakes),
  aheadOf: (formula, massG) => aheadWorkOf(formula, massG, input.rules, input.equipment.places),
  longerOf: longerMixS,
});

const layoutOrNull = (
  formula: Formula,
  predictions: readonly Prediction[],
  equipment: Equipment,
  rules: HouseRules,
): Layout | null => {
  try {
    return predictions.some((p) => p.bake.cooled) ? trayLayout(formula, predictions, equipment, rules) : null;
  } catch {
    // The plan itself says why this piece does not fit on a tray.
    return null;
  }
};

/** Ovens in which a product comes out alike share one forecast. */
const forecast = (
  formula: Formula,
  bakes: ProductBakes,
  equipment: Equipment,
  rules: HouseRules,
): ProductForecast => {
  const predictions = predictionsOf(formula, bakes, equipment);
  const alike = new Map<string, { ovenIds: string[]; setC: number; bake: BakeResult }>();
  for (const { ovenId, setC, bake: found } of predictions) {
    const key = canonicalJson({ setC, pull: found.pull?.value ?? 0, at: found.atPull });
    const known = alike.get(key);
    if (known) known.ovenIds.push(ovenId);
    else alike.set(key, { ovenIds: [ovenId], setC, bake: found });
  }
  return {
    formulaVersion: formula.version,
    bakes: [...alike.values()],
    layout: layoutOrNull(
      formula,
      predictions.filter(({ ovenId }) => bakesIn(formula, ovenId)),
      equipment,
      rules,
    ),
  };
};

/** The plan of a day with everything that the screens show of it. */
export const plan = async (task: PlanTask): Promise<Outcome<PlanBody>> => {
  await bringLinear();
  return outcome(() => planDay(task));
};

/** Ways out of what is not ready in time are sought for so long, s. */
export const waysSeconds = 3;

const planDay = ({
  input,
  bakes,
  fixedFormulas,
  fixedBakes,
  keep,
  supposed,
  chance,
  tries = triesTold,
  moved = [],
}: PlanTask): PlanBody => {
  const { formulas, equipment, rules } = input;
  const { problem: asked, refused } = dayProblem(withAhead(input, bakes));
  const problem = { ...asked, fixed: placeAfterAgain(asked, asked.fixed, new Set(moved)) };
  const least = leastUndone(problem, solveLinear);
  const solved: Plan = keep
    ? { batches: problem.fixed, unplaced: [], boundS: 0 }
    : safePlan(problem, {
        leastUndone: least,
        solveBinary,
        ...(chance !== undefined && { chance }),
        ...(tries !== undefined && { tries }),
      }).plan;
  const formulaOf = (batch: BatchPlan) => fixedFormulas[batch.batchId] ?? formulas.get(batch.productCode);
  const shifts = problem.resources.find(({ id }) => id === resourceIds.hands)?.when;
  const ribbons = solved.batches.flatMap((batch) => {
    const formula = formulaOf(batch);
    return formula
      ? ribbonOf(
          batch,
          formula,
          equipment.places,
          (ovenId) => bakeIn(fixedBakes[batch.batchId] ?? bakes[batch.productCode], ovenId)?.curves,
          rules,
        )
      : [];
  });
  return {
    plan: { ...solved, unplaced: [...refused, ...solved.unplaced] },
    quality: qualityOf(problem, solved.batches, {
      leastUndone: least,
      timeZone: rules.timeZone,
      waysSeconds: keep || supposed ? 0 : waysSeconds,
      wanted: chance ?? null,
    }),
    violations: checkPlan(problem, solved),
    forecasts: Object.fromEntries(
      [...formulas.values()].flatMap((f) => {
        const own = bakes[f.code];
        return own ? [[f.code, forecast(f, own, equipment, rules)]] : [];
      }),
    ),
    batchForecasts: Object.fromEntries(
      Object.entries(fixedBakes).flatMap(([batchId, own]) => {
        const formula = fixedFormulas[batchId];
        return formula ? [[batchId, forecast(formula, own, equipment, rules)]] : [];
      }),
    ),
    ribbons,
    preparations: [
      ...solved.batches.flatMap((batch) => {
        const formula = formulaOf(batch);
        return formula ? preparationsOf(batch, formula, rules, equipment.places, shifts, input.nowS) : [];
      }),
      ...cleaningsOf(solved.batches, formulaOf),
    ].sort((a, b) => a.startS - b.startS),
    batchFormula: Object.fromEntries(
      solved.batches.map((batch) => [batch.batchId, formulaOf(batch)?.version ?? 1]),
    ),
  };
};
