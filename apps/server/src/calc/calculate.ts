import 'reflect-metadata';
import { Ajv } from 'ajv';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import {
  amountsFor,
  adjustInput,
  bake,
  bakeInput,
  conduct,
  constantMaterial,
  convertWords,
  costOf,
  doughFromComposition,
  doughMaterial,
  doughNeeded,
  doughPerPiece,
  JokulError,
  layOut,
  layOutBars,
  layOutMixed,
  leastCost,
  leastUndone,
  missingPieces,
  noAdjustment,
  checkScaling,
  readSheet,
  requireNumber,
  solvePlan,
  splitBatches,
  typicalDough,
  undonePieces,
  weighCheck,
  weighSheet,
  type Body,
  type PlanProblem,
} from '@jokul/core';
import { doughIn, stagesOf, startOf } from './asked-dough.js';
import { runCalibrate } from './calibrate.js';
import { runDay } from './day.js';
import { firstTrouble } from '../common/first-trouble.js';
import { bringLinear, solveBinary, solveLinear } from '../computation/linear.js';
import {
  calcRequests,
  planSchema,
  type BakeAnswer,
  type BakeRequestInput,
  type CalcAnswer,
  type CalcName,
  type ColdAnswer,
  type ColdRequest,
  type ConvertAnswer,
  type ConvertRequest,
  type PlanAnswer,
  type ReadAnswer,
  type ReadRequest,
  type ScaleAnswer,
  type ScaleRequest,
  type TrayAnswer,
  type TrayRequest,
  type WeighCheckAnswer,
  type WeighCheckRequest,
  sayUnsound,
  unsoundAt,
} from '@jokul/contracts';

const runConvert = (r: ConvertRequest): ConvertAnswer => {
  const { massG, densityGPerMl, source, rangeG, ingredientId } = convertWords(
    r.amount,
    r.unit,
    r.ingredient,
    r.packing,
  );
  // An id says itself what it is of; a name is answered with the one that it was taken for.
  return {
    massG,
    densityGPerMl,
    source,
    rangeG,
    ...(ingredientId !== r.ingredient && { ingredient: ingredientId }),
  };
};

const runScale = (r: ScaleRequest): ScaleAnswer => {
  checkScaling({ ...r, ingredients: r.formula.ingredients });
  const stages = stagesOf(r.formula);
  const dough = doughNeeded(r.lines, r.losses);
  const [split] = splitBatches(dough.value, r.mixers, doughPerPiece(r.lines, r.losses));
  const sheets = (split?.batches ?? []).map((batch) => ({
    batch,
    sheet: weighSheet(amountsFor(stages, batch.massG), r.scales),
  }));
  return {
    doughMassG: dough.value,
    batches: sheets.map(({ batch, sheet }) => ({
      mixerId: batch.mixerId,
      massG: batch.massG,
      ingredients: sheet.lines.map((line) => ({
        id: line.ingredientId,
        massG: line.exact.value,
        roundedG: line.roundedG,
        scaleId: line.scaleId,
      })),
    })),
    // Batches of the same size warn alike: once is enough.
    warnings: [
      ...new Map(
        sheets.flatMap(({ sheet }) => sheet.warnings).map((warning) => [warning.message, warning]),
      ).values(),
    ],
  };
};

const runCold = (r: ColdRequest): ColdAnswer => {
  if (r.composition && r.properties)
    throw new JokulError('too-much', 'Give a composition or constant properties, not both.', 'properties');
  const material = r.properties
    ? constantMaterial(r.properties)
    : doughMaterial(r.composition ? doughFromComposition(r.composition) : typicalDough);
  const { reachedS, timesS, coreC, surfaceC, meanC, iceFraction } = conduct({
    body: r.body as Body,
    material,
    startC: r.startC,
    steps: r.steps,
    ...(r.until && { until: r.until }),
  });
  return { reachedS, timesS, coreC, surfaceC, meanC, iceFraction };
};

const runBake = (r: BakeRequestInput): BakeAnswer => {
  const start = startOf(r.piece);
  const dough = doughIn(r);
  const { calibration } = r.oven;
  if (calibration) {
    requireNumber(
      calibration.offsetK ?? 0,
      'The offset of the oven',
      -40,
      40,
      'K',
      'oven.calibration.offsetK',
    );
    for (const name of ['hFactor', 'stiffness', 'colourFactor'] as const)
      requireNumber(calibration[name] ?? 1, `The factor ${name}`, 0.3, 3, '', `oven.calibration.${name}`);
  }
  const result = bake(
    adjustInput(
      bakeInput({
        massG: r.piece.massG,
        shape: r.piece.shape,
        ...(r.piece.pressedMm !== undefined && { pressedMm: r.piece.pressedMm }),
        dough,
        start,
        tray: r.tray.material,
        liner: r.tray.liner,
        setC: r.oven.setC,
        fan: r.oven.fan,
        trayRestS: r.rest.trayS,
        roomC: r.rest.airC,
        ...(r.rules?.centreC !== undefined && { centreC: r.rules.centreC }),
        ...(r.target && { target: r.target }),
        ...(r.pullS !== undefined && { pullS: r.pullS }),
      }),
      {
        offsetK: calibration?.offsetK ?? noAdjustment.offsetK,
        hFactor: calibration?.hFactor ?? noAdjustment.hFactor,
        stiffness: calibration?.stiffness ?? noAdjustment.stiffness,
        colourFactor: calibration?.colourFactor ?? noAdjustment.colourFactor,
      },
    ),
  );
  const { atPull } = result;
  return {
    windows: result.windows,
    pullS: result.pull?.value,
    atPull: atPull
      ? {
          centreC: atPull.centreC,
          edgeC: atPull.edgeC,
          bottomC: atPull.bottomC,
          diameterMm: atPull.diameterMm,
          heightMm: atPull.heightMm,
          lossShare: atPull.lossShare,
          colour: atPull.colour,
        }
      : undefined,
    curves: result.curves,
    uncertainty: result.uncertainty,
    warnings: result.warnings,
  };
};

const runTray = (r: TrayRequest): TrayAnswer => {
  const { tray, diameterMm, sizes, bar, marginMm, touching, pattern = 'best' } = r;
  if ([diameterMm, sizes, bar].filter((given) => given !== undefined).length !== 1)
    throw new JokulError(
      'which-pieces',
      'Say one of the three: a diameter, several sizes, or a bar.',
      'diameterMm',
    );
  const gapMm = touching ? 0 : r.gapMm;
  if (gapMm === undefined)
    throw new JokulError('no-gap', 'Say the gap, or that the pieces may touch.', 'gapMm');
  const on = { ...tray, gapMm, marginMm };
  if (bar) {
    const bars = layOutBars({ ...on, barLengthMm: bar.lengthMm, barWidthMm: bar.widthMm });
    return {
      count: bars.length,
      pattern: 'bars',
      centresMm: bars.map(({ xMm, yMm }) => [xMm, yMm]),
      along: bars.map(({ along }) => along),
    };
  }
  if (sizes) {
    const laid = layOutMixed({ ...on, sizes });
    const all = laid.sizes.flatMap(({ centresMm }) => centresMm);
    return { count: all.length, pattern: 'mixed', centresMm: all, sizes: laid.sizes };
  }
  const { count, pattern: found, centresMm } = layOut({ ...on, diameterMm: diameterMm as number, pattern });
  return { count, pattern: found, centresMm };
};

const runPlan = (problem: PlanProblem): PlanAnswer => {
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

const checked = <T extends object>(type: new () => T, json: unknown): T => {
  const unsound = unsoundAt(json);
  if (unsound !== null) throw new JokulError('bad-request', sayUnsound(unsound), unsound);
  if (typeof json !== 'object' || json === null || Array.isArray(json)) {
    throw new JokulError('bad-request', 'The input must be one JSON object.');
  }
  const request = plainToInstance(type, json);
  const trouble = firstTrouble(validateSync(request, { whitelist: true, forbidNonWhitelisted: true }));
  if (trouble) throw new JokulError('bad-request', trouble.message, trouble.path);
  return request;
};

const checkProblem = new Ajv({ allErrors: false }).compile<PlanProblem>(planSchema);

/** So many at once: beyond it, ask in parts. */
const mostAtOnce = 1000;

/** Each of several questions by itself: an error stands in the place of its answer. */
const calculateAll = (name: string, questions: readonly unknown[]): readonly object[] => {
  if (questions.length > mostAtOnce)
    throw new JokulError('too-much', `At most ${mostAtOnce} questions at once.`, '');
  return questions.map((question, i) => {
    try {
      return calculateOne(name, question);
    } catch (error) {
      // A calculation that does not exist is no fault of one question.
      if (!(error instanceof JokulError) || (error.code === 'unknown-calculation' && i === 0)) throw error;
      const { code, message, path } = error;
      return { error: { code, message, path } };
    }
  });
};

const runRead = (r: ReadRequest): ReadAnswer => {
  const {
    lines,
    bake: oven,
    rest,
    yield: made,
  } = readSheet(r.text, {
    measures: r.cups ?? 'us',
    schools: {
      ...(r.flourCup !== undefined && { flour: r.flourCup }),
      ...(r.brownSugarCup !== undefined && { 'brown sugar': r.brownSugarCup }),
      ...(r.cocoaCup !== undefined && { cocoa: r.cocoaCup }),
    },
    ...(r.eggSize && { eggSize: r.eggSize }),
    ...(r.bareUnit && { bareUnit: r.bareUnit }),
    ...(r.decimal && { decimal: r.decimal }),
  });
  return {
    lines: lines.map(({ text, section, use, state, ingredientId, massG, rangeG, question }) => ({
      text,
      ...(section && { section }),
      use,
      state,
      ...(ingredientId && { ingredient: ingredientId }),
      ...(massG !== undefined && { massG }),
      ...(rangeG && { rangeG }),
      ...(question && { question }),
    })),
    ...(oven && { bake: oven }),
    ...(rest && { rest }),
    ...(made && { yield: made }),
  };
};

const runWeighCheck = (r: WeighCheckRequest): WeighCheckAnswer => {
  const { passes, verdict, meanG, meanRangeG, beyondTolerance, beyondTwice, morePieces } = weighCheck(
    r.readingsG,
    r.nominalG,
    r.toleranceG,
    r.batchPieces,
  );
  return { passes, verdict, meanG, meanRangeG, beyondTolerance, beyondTwice, morePieces };
};

/** What a calculation needs before it can run. */
export const readyFor = async (name: string): Promise<void> => {
  if (name === 'day' || name === 'plan') await bringLinear();
};

/**
 * The core's computations as plain JSON in, JSON out; behind /api/calc/* and `npm run calc`.
 * An array of inputs is answered by an array.
 * @throws JokulError with code, sentence and path
 */
export const calculate = (name: string, json: unknown): object =>
  Array.isArray(json) ? calculateAll(name, json) : calculateOne(name, json);

/** Where an answer has a figure that is none; null for a whole one. */
const holeIn = (answer: unknown, path = ''): string | null => {
  if (typeof answer === 'number') return Number.isFinite(answer) ? null : path;
  if (typeof answer !== 'object' || answer === null) return null;
  for (const [key, value] of Object.entries(answer)) {
    const hole = holeIn(value, path === '' ? key : `${path}.${key}`);
    if (hole !== null) return hole;
  }
  return null;
};

/** An answer with a hole is none: JSON would say null, which means something else. */
const calculateOne = (name: string, json: unknown): object => {
  const answer = answerTo(name, json);
  const hole = holeIn(answer);
  if (hole === null) return answer;
  throw new JokulError('not-computable', `These figures give no answer: "${hole}" would be no number.`, hole);
};

const answerTo = (name: string, json: unknown): CalcAnswer => {
  switch (name as CalcName) {
    case 'convert':
      return runConvert(checked(calcRequests.convert, json));
    case 'scale':
      return runScale(checked(calcRequests.scale, json));
    case 'cold':
      return runCold(checked(calcRequests.cold, json));
    case 'bake':
      return runBake(checked(calcRequests.bake, json));
    case 'tray':
      return runTray(checked(calcRequests.tray, json));
    case 'read':
      return runRead(checked(calcRequests.read, json));
    case 'calibrate':
      return runCalibrate(checked(calcRequests.calibrate, json));
    case 'weigh-check':
      return runWeighCheck(checked(calcRequests['weigh-check'], json));
    case 'day':
      return runDay(checked(calcRequests.day, json));
    case 'plan': {
      if (checkProblem(json)) return runPlan(json);
      const [error] = checkProblem.errors ?? [];
      throw new JokulError(
        'bad-request',
        `The problem does not follow docs/plan.schema.json: ${error?.message ?? 'unknown trouble'}.`,
        error?.instancePath ?? '',
      );
    }
    default:
      throw new JokulError(
        'unknown-calculation',
        `There is no calculation "${name}". Known: ${[...Object.keys(calcRequests), 'plan'].join(', ')}.`,
        'name',
      );
  }
};
