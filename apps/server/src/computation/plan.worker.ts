import {
  aheadWorkOf,
  bake,
  canonicalJson,
  checkPlan,
  dayProblem,
  inUse,
  JokulError,
  moveLoad,
  readPlan,
  placeAfterAgain,
  cleaningsOf,
  preparationsOf,
  resourceIds,
  ribbonOf,
  leastUndone,
  loadTemperature,
  longerMixS,
  qualityOf,
  replan,
  safePlan,
  trayLayout,
  wallClock,
  type BakeInput,
  type BakeResult,
  type BatchPlan,
  type DayInput,
  type Equipment,
  type Formula,
  type HouseRules,
  type Layout,
  type MovedLoad,
  type OvenBake,
  type Plan,
  type PlanProblem,
  type PlanQuality,
  type Prediction,
  type Replanned,
} from '@jokul/core';
import type { PlanView, ProductForecast } from '@jokul/contracts';
import { stepBack } from '../common/step-back.js';
import { bringLinear, solveBinary, solveLinear } from './linear.js';
import { outcome, type Outcome } from './outcome.js';
import { bakeIn, predictionsOf, type ProductBakes } from './predictions.js';

stepBack();

/** Tests of what surrounds planning have little tried, so that the processor is free for them. */
const told = Number(process.env.JOKUL_PLAN_TRIES);
const triesTold = Number.isSafeInteger(told) && told > 0 ? told : undefined;

export { answers, calibrate, logged } from './calibration.worker.js';

/* Heavy computation, run in worker threads: nothing here touches the database. */

export interface PredictTask {
  readonly input: BakeInput;
}

export interface StartTask {
  readonly formula: Formula;
  readonly equipment: Pick<Equipment, 'places'>;
  readonly rules: Pick<HouseRules, 'doughC'>;
}

/** How cold a planned dough is loaded, °C. */
export const startC = ({ formula, equipment, rules }: StartTask): Outcome<number> =>
  outcome(() => loadTemperature(formula, rules, equipment));

const rounded = (values: readonly number[], digits: number) =>
  values.map((value) => Number(value.toFixed(digits)));

/** One bake; its curves are rounded to what a screen can show, for they are stored and sent with every plan. */
export const predict = (task: PredictTask): Outcome<BakeResult> => outcome(() => predictBake(task));

const predictBake = ({ input }: PredictTask): BakeResult => {
  const result = bake(input);
  const { timesS, centreC, edgeC, bottomC, diameterMm, heightMm, lossShare } = result.curves;
  return {
    ...result,
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

export interface PlanTask {
  /** Leave every batch where it is and only put the pulls right. */
  readonly keep?: boolean;
  /** It is only looked at: nobody asks for ways out of what does not fit. */
  readonly supposed?: boolean;
  /** How sure each ready-by shall be, as a share; as late as possible where left out. */
  readonly chance?: number;
  /** Improvements that are tried; a quick plan's where left out. */
  readonly tries?: number;
  /** Loads that go in at other times than planned by what is known now: their icing and packing find hands anew. */
  readonly moved?: readonly string[];
  readonly input: Omit<DayInput, 'predictions'>;
  readonly bakes: Readonly<Record<string, ProductBakes>>;
  /** Formulas of the batches that have begun, which may be older versions. */
  readonly fixedFormulas: Readonly<Record<string, Formula>>;
  /** The bakes of those that are made otherwise than the latest formula of their product. */
  readonly fixedBakes: Readonly<Record<string, ProductBakes>>;
}

/** A day that slipped: `input.fixed` are its batches as they will come about. */
export interface ReplanTask extends Pick<PlanTask, 'input' | 'bakes' | 'fixedFormulas' | 'fixedBakes'> {
  readonly planned: readonly BatchPlan[];
  readonly begun: ReadonlySet<string>;
  readonly started: ReadonlySet<string>;
  readonly homeless: ReadonlySet<string>;
}

export type PlanBody = Pick<
  PlanView,
  | 'plan'
  | 'quality'
  | 'violations'
  | 'preparations'
  | 'forecasts'
  | 'ribbons'
  | 'batchFormula'
  | 'batchForecasts'
>;

/** Forecasts in the ovens that are in use: one that is kept for what bakes in it already takes nothing new. */
const predictionsFor = (
  { formulas, equipment }: PlanTask['input'],
  bakes: PlanTask['bakes'],
): ReadonlyMap<string, readonly Prediction[]> =>
  new Map([...formulas.values()].map((f) => [f.code, predictionsOf(f, bakes[f.code], inUse(equipment))]));

/** The day with its bakes, and what its doughs ask for before they are mixed. */
const withAhead = (input: PlanTask['input'], bakes: PlanTask['bakes']): DayInput => ({
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
    layout: layoutOrNull(formula, predictions, equipment, rules),
  };
};

/** The plan of a day with everything that the screens show of it. */
export const plan = async (task: PlanTask): Promise<Outcome<PlanBody>> => {
  await bringLinear();
  return outcome(() => planDay(task));
};

/** Ways out of what is not ready in time are sought for so long, s. */
const waysSeconds = 3;

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
        return formula ? preparationsOf(batch, formula, rules, equipment.places, shifts) : [];
      }),
      ...cleaningsOf(solved.batches, formulaOf),
    ].sort((a, b) => a.startS - b.startS),
    batchFormula: Object.fromEntries(
      solved.batches.map((batch) => [batch.batchId, formulaOf(batch)?.version ?? 1]),
    ),
  };
};

/** Several days planned together. */
export type DaysTask = Pick<PlanTask, 'input' | 'bakes' | 'chance' | 'tries'>;

export interface DaysBody {
  readonly plan: Plan;
  /** The bake day of each batch that is planned anew, by its name. */
  readonly dayOf: Readonly<Record<string, string>>;
  /** Of each day by itself, what the others hold left to them, and of all days together. */
  readonly qualityOf: Readonly<Record<string, PlanQuality>>;
  readonly quality: PlanQuality;
}

/** One of the days as a problem of its own: its demands and the batches that are for them, the other days' taken. */
const oneOf = (
  problem: PlanProblem,
  own: readonly BatchPlan[],
  all: readonly BatchPlan[],
  isOn: (dueS: number) => boolean,
): PlanProblem => ({
  ...problem,
  products: problem.products.flatMap((product) => {
    const places = product.demands.flatMap(({ readyByS }, i) => (isOn(readyByS) ? [i] : []));
    if (places.length === 0) return [];
    return [
      {
        ...product,
        demands: places.flatMap((i) => product.demands[i] ?? []),
        batches: product.batches
          .filter(({ serves = [0] }) => places.includes(serves[0] ?? 0))
          .map((batch) => ({ ...batch, serves: (batch.serves ?? [0]).map((i) => places.indexOf(i)) })),
      },
    ];
  }),
  fixed: problem.fixed.filter(({ batchId }) => own.some((batch) => batch.batchId === batchId)),
  taken: [...(problem.taken ?? []), ...all.filter((batch) => !own.includes(batch))],
});

/** Bake days in one horizon: the same mixer, tray and pair of hands is promised once, and dough goes where it is due first. */
export const planDays = async (task: DaysTask): Promise<Outcome<DaysBody>> => {
  await bringLinear();
  return outcome(() => {
    const { input, bakes, chance, tries = triesTold } = task;
    const { timeZone } = input.rules;
    const { problem } = dayProblem(withAhead(input, bakes));
    const least = leastUndone(problem, solveLinear);
    const { plan: found } = safePlan(problem, {
      leastUndone: least,
      solveBinary,
      ...(chance !== undefined && { chance }),
      ...(tries !== undefined && { tries }),
    });
    const wanted = chance ?? null;
    const judge = (of: PlanProblem, batches: readonly BatchPlan[], leastOf: number, seconds: number) =>
      qualityOf(of, batches, { leastUndone: leastOf, timeZone, waysSeconds: seconds, wanted });
    const dateOf = (dueS: number) => wallClock(dueS, timeZone).date;
    const dayOf = Object.fromEntries([
      ...problem.products.flatMap(({ batches, demands }) =>
        batches.map(
          ({ id, serves = [0] }) => [id, dateOf(demands[serves[0] ?? 0]?.readyByS ?? input.nowS)] as const,
        ),
      ),
      ...input.fixed.flatMap(({ batchId, loads: [load] }) =>
        load ? [[batchId, dateOf(load.dueS)] as const] : [],
      ),
    ]);
    const dates = [
      ...new Set(problem.products.flatMap(({ demands }) => demands.map(({ readyByS }) => dateOf(readyByS)))),
    ];
    const byDay = dates.map((date) => {
      const batches = found.batches.filter(({ batchId }) => dayOf[batchId] === date);
      const day = oneOf(problem, batches, found.batches, (dueS) => dateOf(dueS) === date);
      return [date, judge(day, batches, leastUndone(day, solveLinear), waysSeconds / dates.length)] as const;
    });
    return {
      plan: found,
      dayOf,
      qualityOf: Object.fromEntries(byDay),
      quality: judge(problem, found.batches, least, 0),
    };
  });
};

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
const bakesIn = (formula: Formula, bakes: ProductBakes, equipment: Equipment): readonly OvenBake[] =>
  predictionsOf(formula, bakes, equipment).flatMap(({ ovenId, setC, bake: { pull } }) =>
    pull ? [{ ovenId, setC, pullS: Math.round(pull.value) }] : [],
  );

export interface MoveTask extends Pick<PlanTask, 'input' | 'bakes' | 'fixedFormulas' | 'fixedBakes'> {
  readonly started: ReadonlySet<string>;
  readonly move: {
    readonly loadId: string;
    readonly ovenId: string;
    readonly startS: number;
    readonly trays?: number;
  };
}

/** A load that is moved by hand, with what follows from it. */
export const moveDay = (task: MoveTask): Outcome<MovedLoad> =>
  outcome(() => {
    const { input, bakes, fixedBakes, fixedFormulas, started, move } = task;
    const batch = input.fixed.find(({ loads }) => loads.some(({ id }) => id === move.loadId));
    if (!batch) throw new JokulError('unknown-load', 'This load is not in the plan any more.', 'loadId');
    const formula = fixedFormulas[batch.batchId] ?? input.formulas.get(batch.productCode);
    const its = fixedBakes[batch.batchId] ?? bakes[batch.productCode];
    const oven = input.equipment.ovens.find(({ id }) => id === move.ovenId);
    if (!oven) throw new JokulError('unknown-oven', 'This oven is out of use.', 'ovenId');
    const bake =
      formula && its
        ? bakesIn(formula, its, input.equipment).find(({ ovenId }) => ovenId === oven.id)
        : undefined;
    if (!bake)
      throw new JokulError('no-bake', `${oven.name} does not bring it to what it is baked to.`, 'ovenId');
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

export interface ReadPlanTask extends Omit<MoveTask, 'move'> {
  readonly begun: ReadonlySet<string>;
  readonly given: readonly BatchPlan[];
}

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
        return formula && its ? bakesIn(formula, its, input.equipment) : [];
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
      return formula && other ? bakesIn(formula, other, equipment) : undefined;
    },
    // Somebody waits, and on the demo day as many tries as the time allows found no better way.
    effort: { seconds: replanSeconds, soon: true, ...(triesTold !== undefined && { tries: triesTold }) },
  });
};
