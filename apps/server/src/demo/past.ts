import {
  atWallClock,
  demoDay,
  demoRules,
  foretoldNames,
  lotRecord,
  shiftDate,
  type BakeAdjustment,
  type Chance,
  type Foretold,
  type Formula,
} from '@jokul/core';
import type { ProductBakes } from '../computation/predictions.js';
import { tell } from './past-told.js';
import type { DemoWriter } from './writer.js';

const days = 14;
const hour = 3600;

/** What went wrong on a past day, and is to be found in the log. */
const forgottenOn = { daysAgo: 6, code: 'MLT' };
const latePulls = new Set(['3/PNT', '8/GNG', '11/LEM']);

/**
 * What nobody knows of the ovens and the doughs, and the log tells: Starboard has been drifting hot, a kelvin a day;
 * Port runs a little cool and its fan is weak; this house creams long, so that its doughs are softer than the model's.
 */
const hiddenOven = (ovenId: string, position: number, daysAgo: number): BakeAdjustment => ({
  offsetK:
    (ovenId === 'starboard' ? days - daysAgo - 2 : -4) + (position === 1 ? 2 : position === 5 ? -2 : 0),
  hFactor: ovenId === 'starboard' ? 1.04 : 0.9,
  stiffness: 0.88,
  colourFactor: 1.08,
});

/** What comes out of an oven that is off, to first order: good enough for a made-up past. */
const seenBy = (formula: Formula, pullS: number, lateS: number, by: BakeAdjustment): Foretold => {
  const { onTime, perLateS, slopes } = tell(formula, pullS);
  const of = (name: keyof Foretold) =>
    onTime[name] +
    lateS * perLateS[name] +
    by.offsetK * slopes.offset[name] +
    Math.log(by.hFactor) * slopes.transfer[name] +
    Math.log(by.stiffness) * slopes.stiffness[name] +
    Math.log(by.colourFactor) * slopes.colour[name];
  return Object.fromEntries(foretoldNames.map((name) => [name, of(name)])) as unknown as Foretold;
};

/** A lot of the weeks before, which gets its name before anything is written of it. */
export interface PastLot {
  readonly code: string;
  readonly date: string;
  readonly daysAgo: number;
  /** Its turn on that day. */
  readonly turn: number;
}

/** The lots of two weeks before the demo day; closed on Sundays. */
export const pastLots = (formulas: readonly Formula[]): readonly PastLot[] =>
  Array.from({ length: days }, (_, i) => days - i).flatMap((daysAgo) => {
    const date = shiftDate(demoDay.date, -daysAgo);
    if (new Date(`${date}T12:00:00Z`).getUTCDay() === 0) return [];
    return formulas
      .filter((_, i) => (i + daysAgo) % 2 === 0)
      .map(({ code }, turn) => ({ code, date, daysAgo, turn }));
  });

const perTray = 20;

interface PastDough {
  readonly formula: Formula;
  readonly bakedS: number;
  readonly daysAgo: number;
  readonly id: string;
  readonly pieces: number;
}

/** The nth load of a lot, with what was seen of one of its trays. */
const writeLoad = (
  writer: DemoWriter,
  random: Chance,
  { formula, bakedS, daysAgo, id, pieces }: PastDough,
  n: number,
  bakeStartS: number,
): void => {
  const ovenId = n % 2 === 1 ? 'starboard' : 'port';
  const startS = bakeStartS + Math.floor((n - 1) / 2) * (bakedS + 300) + (n % 2) * 60;
  const loadId = `${id}-L${n}`;
  const trays = Math.min(5, Math.ceil((pieces - (n - 1) * 5 * perTray) / perTray));
  const trayIds = Array.from({ length: trays }, (_, i) => `${loadId}-T${i + 1}`);
  const pullS = Math.round(bakedS);
  const lateS =
    latePulls.has(`${daysAgo}/${formula.code}`) && n === 1 ? random.between(110, 200) : random.around(4, 6);
  const pulledS = startS + pullS + lateS;
  writer.write('loaded', startS, 'Oven hand', id, {
    loadId,
    trayIds,
    ovenId,
    setC: formula.bake.setC,
    pullS,
    trayRestS: formula.bake.trayRestS,
    pieces: trayIds.map((_, i) => Math.max(1, Math.min(perTray, pieces - ((n - 1) * 5 + i) * perTray))),
  });
  writer.write('turned', startS + pullS / 2 + random.around(8, 10), 'Oven hand', id, { loadId, trayIds });
  writer.write('pulled', pulledS, 'Oven hand', id, { loadId, trayIds });
  const position = ((n + daysAgo) % trays) + 1;
  const trayS = formula.bake.trayRestS + random.between(10, 90);
  const seen = seenBy(formula, pullS, lateS, hiddenOven(ovenId, position, daysAgo));
  writer.write('racked', pulledS + trayS, 'Oven hand', id, { loadId, trayIds });
  const halves = (value: number, deviation: number) => Math.round(random.around(value, deviation) * 2) / 2;
  writer.write('inspected', pulledS + 2700, 'Early baker', id, {
    trayId: trayIds[position - 1] ?? loadId,
    bakeS: Math.round(pullS + lateS),
    coreC: Math.round(random.around(seen.coreC, 1.2) * 10) / 10,
    diameterMm: halves(seen.diameterMm, 1.1),
    heightMm: halves(seen.heightMm, 0.5),
    lossShare: Math.round(random.around(seen.lossShare, 0.002) * 1e4) / 1e4,
    colourScore: Math.round(Math.min(100, Math.max(0, random.around(seen.colour, 3)))),
    ...(lateS > 60 && { note: 'Pulled late: the phone rang.' }),
  });
};

/** One lot of a past day, with the measured tray of each load. */
const lot = (
  writer: DemoWriter,
  random: Chance,
  formula: Formula,
  bakes: ProductBakes,
  { daysAgo, date }: PastLot,
  id: string,
  bakeStartS: number,
): void => {
  const bake = bakes.port;
  if (!bake?.pull || !bake.cooled) return;
  const pieces = Math.round(random.between(70, 180));
  const massG = Math.round(pieces * formula.piece.massG * 1.02);
  const portionedS = bakeStartS - formula.rest.bestS - 600;
  const mixedS = portionedS - 1500;
  const forgot = daysAgo === forgottenOn.daysAgo && formula.code === forgottenOn.code;
  const record = lotRecord(formula, { massG, pieces, day: date, mixerId: null });
  writer.write('begun', mixedS - 1500, 'Mix hand', id, record);
  writer.write('mixed', mixedS, 'Mix hand', id, {
    doughC: Math.round(random.around(22.3, 0.8) * 10) / 10,
    massG,
    missing: forgot ? ['Fine salt'] : [],
    ...(forgot && { reason: 'Salt was still on the bench at folding; baked and kept for the crew.' }),
  });
  writer.write('portioned', portionedS, 'Mix hand', id, {
    pieces,
    scoop: 30,
    samplesG: Array.from(
      { length: 6 },
      () => Math.round(random.around(formula.piece.massG + 0.4, 0.9) * 2) / 2,
    ),
    targetG: formula.piece.massG,
    remainderG: Math.round(random.between(0, formula.piece.massG)),
  });
  if (formula.rest.form !== 'none') {
    const placeId = formula.rest.placeKind;
    const form = formula.rest.form;
    writer.write('rest-in', portionedS + 120, 'Mix hand', id, {
      placeId,
      form,
      cover: form === 'pieces' ? 'open' : 'covered',
      startC: demoRules.doughC,
      massG,
      pieces,
    });
    writer.write('rest-out', bakeStartS - 300, 'Oven hand', id, { placeId });
  }
  const loads = Math.min(3, Math.ceil(pieces / perTray / 5));
  for (let n = 1; n <= loads; n++)
    writeLoad(writer, random, { formula, bakedS: bake.pull.value, daysAgo, id, pieces }, n, bakeStartS);
};

/** Two weeks of lots before the demo day, some of them late, dark or without their salt. */
export const writePast = (
  writer: DemoWriter,
  random: Chance,
  formulas: readonly Formula[],
  bakes: ReadonlyMap<string, ProductBakes>,
  past: readonly (PastLot & { readonly id: string })[],
): void => {
  for (const own of past) {
    const formula = formulas.find(({ code }) => code === own.code);
    const baked = bakes.get(own.code);
    const startS = atWallClock(own.date, '04:20', demoRules.timeZone) + own.turn * 0.7 * hour;
    if (formula && baked) lot(writer, random, formula, baked, own, own.id, startS);
  }
};
