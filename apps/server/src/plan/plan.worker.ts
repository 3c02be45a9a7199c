import {
  JokulError,
  checkPlan,
  dayProblem,
  predictIn,
  ribbonOf,
  setTemperature,
  solvePlan,
  takeInOwn,
  trayLayout,
  type BakeResult,
  type BatchPlan,
  type DayInput,
  type Equipment,
  type Formula,
  type HouseRules,
  type Ingredient,
  type Layout,
  type Prediction,
} from '@jokul/core';
import type { PlanView, ProductForecast } from '@jokul/contracts';

/* Heavy computation, run in worker threads: nothing here touches the database. */

/** A refusal as data: an error that crosses a thread keeps its message only. */
export type Outcome<T> =
  | { readonly result: T }
  | { readonly refused: { readonly code: string; readonly message: string; readonly path: string } };

const outcome = <T>(work: () => T): Outcome<T> => {
  try {
    return { result: work() };
  } catch (error) {
    if (!(error instanceof JokulError)) throw error;
    const { code, message, path } = error;
    return { refused: { code, message, path } };
  }
};

export interface PredictTask {
  readonly formula: Formula;
  readonly fan: boolean;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  /** The bakery's own ingredients that the formula holds. */
  readonly own: readonly Ingredient[];
}

const rounded = (values: readonly number[], digits: number) =>
  values.map((value) => Number(value.toFixed(digits)));

/** One bake; its curves are rounded to what a screen can show, for they are stored and sent with every plan. */
export const predict = (task: PredictTask): Outcome<BakeResult> => outcome(() => predictBake(task));

const predictBake = ({ formula, fan, equipment, rules, own }: PredictTask): BakeResult => {
  takeInOwn(own);
  const bake = predictIn(formula, { fan }, equipment, rules);
  const { timesS, centreC, edgeC, bottomC, diameterMm, heightMm, lossShare } = bake.curves;
  return {
    ...bake,
    curves: {
      timesS: rounded(timesS, 1),
      centreC: rounded(centreC, 2),
      edgeC: rounded(edgeC, 2),
      bottomC: rounded(bottomC, 2),
      diameterMm: rounded(diameterMm, 2),
      heightMm: rounded(heightMm, 2),
      lossShare: rounded(lossShare, 5),
    },
  };
};

export interface ProductBakes {
  readonly fan: BakeResult | null;
  readonly still: BakeResult | null;
}

export interface PlanTask {
  readonly input: Omit<DayInput, 'predictions'>;
  readonly bakes: Readonly<Record<string, ProductBakes>>;
  /** Formulas of the batches that have begun, which may be older versions. */
  readonly fixedFormulas: Readonly<Record<string, Formula>>;
  readonly own: readonly Ingredient[];
}

export type PlanBody = Pick<PlanView, 'plan' | 'violations' | 'forecasts' | 'ribbons' | 'batchFormula'>;

const bakeIn = (bakes: ProductBakes | undefined, fan: boolean) => (fan ? bakes?.fan : bakes?.still) ?? null;

const predictionsOf = (
  formula: Formula,
  bakes: ProductBakes | undefined,
  equipment: Equipment,
): Prediction[] =>
  equipment.ovens.flatMap((oven) => {
    const bake = bakeIn(bakes, oven.fan);
    return bake ? [{ ovenId: oven.id, setC: setTemperature(formula, oven.fan), bake }] : [];
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

const forecast = (
  formula: Formula,
  bakes: ProductBakes,
  equipment: Equipment,
  rules: HouseRules,
): ProductForecast => ({
  formulaVersion: formula.version,
  fan: bakes.fan && { setC: setTemperature(formula, true), bake: bakes.fan },
  still: bakes.still && { setC: setTemperature(formula, false), bake: bakes.still },
  layout: layoutOrNull(formula, predictionsOf(formula, bakes, equipment), equipment, rules),
});

/** The plan of a day with everything that the screens show of it. */
export const plan = (task: PlanTask): Outcome<PlanBody> => outcome(() => planDay(task));

const planDay = ({ input, bakes, fixedFormulas, own }: PlanTask): PlanBody => {
  takeInOwn(own);
  const { formulas, equipment, rules } = input;
  const predictions = new Map(
    [...formulas.values()].map((f) => [f.code, predictionsOf(f, bakes[f.code], equipment)]),
  );
  const { problem, refused } = dayProblem({ ...input, predictions });
  const solved = solvePlan(problem);
  const formulaOf = (batch: BatchPlan) => fixedFormulas[batch.batchId] ?? formulas.get(batch.productCode);
  const fanOf = (ovenId: string) => equipment.ovens.find((oven) => oven.id === ovenId)?.fan ?? true;
  const ribbons = solved.batches.flatMap((batch) => {
    const formula = formulaOf(batch);
    return formula
      ? ribbonOf(
          batch,
          formula,
          equipment.places,
          (ovenId) => bakeIn(bakes[batch.productCode], fanOf(ovenId))?.curves,
          rules,
        )
      : [];
  });
  return {
    plan: { ...solved, unplaced: [...refused, ...solved.unplaced] },
    violations: checkPlan(problem, solved),
    forecasts: Object.fromEntries(
      [...formulas.values()].flatMap((f) => {
        const own = bakes[f.code];
        return own ? [[f.code, forecast(f, own, equipment, rules)]] : [];
      }),
    ),
    ribbons,
    batchFormula: Object.fromEntries(
      solved.batches.map((batch) => [batch.batchId, formulaOf(batch)?.version ?? 1]),
    ),
  };
};
