import {
  amountsFor,
  demoDay,
  demoEquipment,
  demoRules,
  doughDensityGPerMl,
  kindOfPlace,
  ovensToHeat,
  partOff,
  scoopsFor,
  weighSheet,
  type BatchPlan,
  type Equipment,
  type FloorState,
  type Formula,
  type Preparation,
  type Task,
  type Chance,
} from '@jokul/core';

import type { DemoWriter } from './writer.js';

const find = (batch: BatchPlan, id: string): Task | undefined =>
  batch.tasks.find((task) => task.id === `${batch.batchId}/${id}`);

/** The loads that went into their oven before now, and what came of them since. */
const writeLoads = (
  writer: DemoWriter,
  random: Chance,
  { batchId, loads, tasks }: BatchPlan,
  { bake }: Formula,
  nowS: number,
): void => {
  for (const { id, ovenId, setC, pullS, startS, trays } of loads.filter((load) => load.startS <= nowS)) {
    const trayIds = trays.map((tray) => tray.id);
    const step = { loadId: id, trayIds };
    const atS = Math.min(nowS, startS + random.between(5, 40));
    writer.write('loaded', atS, 'Oven hand', batchId, {
      ...step,
      ovenId,
      setC,
      pullS,
      trayRestS: bake.trayRestS,
      pieces: trays.map(({ pieces }) => pieces),
    });
    const [turnS, pulledS] = [atS + pullS / 2 + 10, atS + pullS + 5];
    if (turnS <= nowS) writer.write('turned', turnS, 'Oven hand', batchId, step);
    if (pulledS <= nowS) writer.write('pulled', pulledS, 'Oven hand', batchId, step);
    if (pulledS + bake.trayRestS <= nowS)
      writer.write('racked', pulledS + bake.trayRestS, 'Oven hand', batchId, step);
    for (const { kind, loadId, endS } of tasks) {
      if (loadId !== id || endS > nowS) continue;
      if (kind === 'flatten') writer.write('flattened', endS, 'Oven hand', batchId, step);
      if (kind === 'ice') writer.write('iced', endS, 'Early baker', batchId, step);
      if (kind === 'pack') writer.write('packed', endS, 'Early baker', batchId, step);
    }
  }
};

/** As cold as it is by then, °C. */
const frozenC = -19;

/** Dough from the freezer: the part that the plan takes is split off, and lies in the walk-in to thaw. */
const writeStock = (
  writer: DemoWriter,
  random: Chance,
  batch: BatchPlan,
  formula: Formula,
  floor: FloorState,
  nowS: number,
): void => {
  const { batchId, pieces, massG, stock } = batch;
  const temper = find(batch, 'temper');
  const parent = stock?.from === undefined ? undefined : floor.lots.get(stock.from);
  if (!stock || !temper || temper.startS > nowS) return;
  const atS = temper.startS;
  const kindOf = kindOfPlace(demoEquipment.places);
  if (parent)
    for (const { lot, kind, payload } of partOff(
      parent,
      { into: batchId, massG, pieces, day: demoDay.date, doughC: frozenC },
      formula,
      kindOf,
      atS * 1000,
    ))
      writer.write(kind, atS, 'Mix hand', lot, payload);
  writer.write('rest-out', atS + 30, 'Mix hand', batchId, { placeId: stock.placeId ?? 'freezer' });
  writer.write('rest-in', atS + 90, 'Mix hand', batchId, {
    placeId: 'walk-in',
    form: stock.form === 'none' ? 'pieces' : stock.form,
    cover: 'covered',
    startC: frozenC,
    massG: Math.round(massG),
    pieces,
  });
  writeLoads(writer, random, batch, formula, nowS);
};

/** What was done of a batch that is mixed on the day. */
const writeMixed = (
  writer: DemoWriter,
  random: Chance,
  batch: BatchPlan,
  formula: Formula,
  equipment: Equipment,
  nowS: number,
): void => {
  const mix = find(batch, 'mix');
  const portion = find(batch, 'portion');
  if (!mix || !portion || mix.endS > nowS) return;
  const lot = batch.batchId;
  const doughC = Math.round(random.around(demoRules.doughC, 0.5) * 10) / 10;
  const { lines } = weighSheet(amountsFor(formula, batch.massG), equipment.scales);
  lines.forEach((line, i) => {
    const off = Math.round(random.around(0, line.toleranceG / 4) / line.resolutionG) * line.resolutionG;
    const massG = Number((line.roundedG + off).toFixed(2));
    writer.write('weighed', mix.startS + 40 + i * 45, 'Mix hand', lot, {
      key: line.key,
      massG,
      targetG: line.roundedG,
      scaleId: line.scaleId,
    });
  });
  writer.write('mixed', mix.endS, 'Mix hand', lot, { doughC, massG: Math.round(batch.massG), missing: [] });
  const { form, placeKind } = formula.rest;
  const rest = find(batch, 'rest');
  const goesIn = (startS: number, kind: 'pieces' | 'tub' | 'bag') =>
    writer.write('rest-in', startS + 60, 'Mix hand', lot, {
      placeId: placeKind,
      form: kind,
      cover: kind === 'pieces' ? 'open' : 'covered',
      startC: doughC,
      massG: Math.round(batch.massG),
      pieces: kind === 'tub' ? 0 : batch.pieces,
    });
  if (form === 'tub') {
    goesIn(mix.endS, 'tub');
    if (rest && rest.endS <= nowS)
      writer.write('rest-out', rest.endS, 'Early baker', lot, { placeId: placeKind });
  }
  if (portion.endS > nowS) return;
  writer.write('portioned', portion.endS, 'Mix hand', lot, {
    pieces: batch.pieces,
    scoop:
      formula.piece.shape === 'slice'
        ? 0
        : (scoopsFor(formula.piece.massG, doughDensityGPerMl(formula), equipment.scoops)[0]?.number ?? 0),
    samplesG: Array.from(
      { length: 8 },
      () => Math.round(random.around(formula.piece.massG + 0.3, 0.8) * 2) / 2,
    ),
    targetG: formula.piece.massG,
    remainderG: Math.round(random.between(0, formula.piece.massG)),
  });
  if (form === 'pieces' || form === 'bag') {
    goesIn(portion.endS, form);
    const temper = find(batch, 'temper');
    if (form === 'bag' && temper && temper.startS <= nowS) {
      writer.write('rest-out', temper.startS, 'Mix hand', lot, { placeId: placeKind });
      writer.write('rest-in', temper.startS + 60, 'Mix hand', lot, {
        placeId: 'walk-in',
        form,
        cover: 'covered',
        startC: -19,
        massG: Math.round(batch.massG),
        pieces: batch.pieces,
      });
    }
  }
  writeLoads(writer, random, batch, formula, nowS);
};

/** What the crew did of the demo day's plan until `nowS`: weighed, mixed, portioned, put into the cold, taken out, loaded. */
export const writeToday = (
  writer: DemoWriter,
  random: Chance,
  batches: readonly BatchPlan[],
  preparations: readonly Preparation[],
  formulas: ReadonlyMap<string, Formula>,
  equipment: Equipment,
  /** What lay in the cold before. */
  floor: FloorState,
  nowS: number,
): void => {
  const { ovens } = equipment;
  for (const { batchId, kind, startS, oven } of [
    ...preparations,
    ...ovensToHeat(batches, { ovens, loadGapS: demoRules.loadGapS }),
  ])
    if (startS <= nowS + 300)
      writer.write('prepared', Math.min(startS, nowS - 60), oven ? 'Oven hand' : 'Mix hand', batchId, {
        what: kind,
        ...oven,
      });
  for (const batch of batches) {
    const formula = formulas.get(batch.productCode);
    if (!formula) continue;
    if (batch.stock) writeStock(writer, random, batch, formula, floor, nowS);
    else writeMixed(writer, random, batch, formula, equipment, nowS);
  }
};
