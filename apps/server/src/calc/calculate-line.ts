import type {
  ColdAnswer,
  ColdRequest,
  ConvertAnswer,
  ConvertRequest,
  ScaleAnswer,
  ScaleRequest,
  TrayAnswer,
  TrayRequest,
  WeighCheckAnswer,
  WeighCheckRequest,
} from '@jokul/contracts';
import {
  amountsFor,
  checkScaling,
  conduct,
  constantMaterial,
  convertWords,
  doughFromComposition,
  doughMaterial,
  doughNeeded,
  doughPerPiece,
  JokulError,
  layOut,
  layOutBars,
  layOutMixed,
  splitBatches,
  typicalDough,
  weighCheck,
  weighSheet,
  type Body,
  say,
} from '@jokul/core';
import { stagesOf } from './asked-dough.js';

export const runConvert = (r: ConvertRequest): ConvertAnswer => {
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

export const runScale = (r: ScaleRequest): ScaleAnswer => {
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

export const runCold = (r: ColdRequest): ColdAnswer => {
  if (r.composition && r.properties)
    throw new JokulError('too-much', say`Give a composition or constant properties, not both.`, 'properties');
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

export const runTray = (r: TrayRequest): TrayAnswer => {
  const { tray, diameterMm, sizes, bar, marginMm, touching, pattern = 'best' } = r;
  if ([diameterMm, sizes, bar].filter((given) => given !== undefined).length !== 1)
    throw new JokulError(
      'which-pieces',
      say`Say one of the three: a diameter, several sizes, or a bar.`,
      'diameterMm',
    );
  const gapMm = touching ? 0 : r.gapMm;
  if (gapMm === undefined)
    throw new JokulError('no-gap', say`Say the gap, or that the pieces may touch.`, 'gapMm');
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

export const runWeighCheck = (r: WeighCheckRequest): WeighCheckAnswer => {
  const { passes, verdict, meanG, meanRangeG, beyondTolerance, beyondTwice, morePieces } = weighCheck(
    r.readingsG,
    r.nominalG,
    r.toleranceG,
    r.batchPieces,
  );
  return { passes, verdict, meanG, meanRangeG, beyondTolerance, beyondTwice, morePieces };
};
