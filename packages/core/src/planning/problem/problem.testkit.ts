import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { deserialize, serialize } from 'node:v8';
import { demoDay, demoEquipment, demoFormulas, demoOrders, demoRules } from '../../demo/index.js';
import { atWallClock, shiftDate } from '../../quantity/index.js';
import { predictIn, setTemperature, type Prediction } from '../forecast/predictions.js';
import type { Effort } from '../solve/improve.js';
import { dayProblem, type DayInput, type OrderLine } from './day.js';
import type { BatchPlan } from './plan.js';
import type { PlanProblem } from './problem.js';

const zone = demoRules.timeZone;

/** The moment of a wall-clock time of the demo day, s. */
export const at = (time: string, days = 0) => atWallClock(shiftDate(demoDay.date, days), time, zone);

export const demoLines: readonly OrderLine[] = demoOrders.flatMap((order, i) =>
  Object.entries(order.pieces).map(([productCode, pieces]) => ({
    id: `${i}-${productCode}`,
    customer: order.customer,
    productCode,
    pieces,
    readyBy: order.readyBy,
  })),
);

type Predictions = ReadonlyMap<string, readonly Prediction[]>;

/** Within one run of all tests the files share what the first of them computed: it takes each some seconds. */
const shared = process.env.JOKUL_TEST_HOME && join(process.env.JOKUL_TEST_HOME, 'demo-predictions');
const known = (): Predictions | undefined =>
  shared && existsSync(shared) ? (deserialize(readFileSync(shared)) as Predictions) : undefined;
const share = (made: Predictions): Predictions => {
  if (!shared) return made;
  // Whole or not at all: another file may be reading.
  writeFileSync(`${shared}.${process.pid}`, serialize(made));
  renameSync(`${shared}.${process.pid}`, shared);
  return made;
};

const compute = (): Predictions =>
  new Map(
    demoFormulas.map((formula) => {
      const fan = predictIn(formula, { id: 'port', fan: true }, demoEquipment, demoRules);
      const still = predictIn(formula, { id: 'keel-upper', fan: false }, demoEquipment, demoRules);
      return [
        formula.code,
        demoEquipment.ovens.map((oven) => ({
          ovenId: oven.id,
          setC: setTemperature(formula, oven.fan),
          bake: oven.fan ? fan : still,
        })),
      ];
    }),
  );

let predictions: Predictions | undefined;
/** Bakes of all demo formulas in both kinds of oven; computed once. */
export const demoPredictions = (): Predictions => (predictions ??= known() ?? share(compute()));

export const dayInput = (change: Partial<DayInput> = {}): DayInput => ({
  date: demoDay.date,
  nowS: at('12:00', -3),
  orders: demoLines,
  formulas: new Map(demoFormulas.map((f) => [f.code, f])),
  equipment: demoEquipment,
  rules: demoRules,
  predictions: demoPredictions(),
  fixed: [],
  ...change,
});

export const demoProblem = (change: Partial<DayInput> = {}): PlanProblem =>
  dayProblem(dayInput(change)).problem;

/** So many tries and no clock: what is found does not hang on the machine. */
export const calm: Effort = { tries: 200, seconds: 600 };

/** A small problem of one product, written out: one mixer, one oven of two trays. Times from 0. */
export const smallProblem = (change: Partial<PlanProblem> = {}): PlanProblem => ({
  nowS: 0,
  products: [
    {
      code: 'ONE',
      name: 'One',
      rest: { form: 'pieces', placeKind: 'walk-in', minS: 1800, bestS: 3600, maxS: 7200, temperS: 0 },
      demands: [{ name: 'Kiosk', readyByS: 30_000, pieces: 40 }],
      batches: [{ id: 'ONE-A', mixerId: 'mixer', massG: 1500, pieces: 44 }],
      perTray: 12,
      restingPerTray: 50,
      bakes: [{ ovenId: 'oven', setC: 170, pullS: 720 }],
      mixS: 1200,
      portionSetUpS: 120,
      portionSPerPiece: 5,
      trayRestS: 300,
      coolS: 1800,
      packS: 600,
    },
  ],
  resources: [
    { id: 'hands', name: 'Hands', capacity: 1, when: [{ fromS: 0, toS: 40_000, capacity: 1 }] },
    { id: 'trays', name: 'Trays', capacity: 8 },
    { id: 'racks', name: 'Racks', capacity: 8 },
    { id: 'mixer', name: 'Mixer', capacity: 1 },
    { id: 'walk-in/trays', name: 'Walk-in, tray places', capacity: 4 },
  ],
  ovens: [{ id: 'oven', name: 'Oven', places: 2, degreesPerMin: 5, coolsPerMin: 2 }],
  ovenHours: [{ fromS: 0, toS: 40_000, capacity: 1 }],
  loadGapS: 150,
  fixed: [],
  ...change,
});

/** A plan with one batch changed, for the checker to judge. */
export const withBatch = (batch: BatchPlan, change: Partial<BatchPlan>) => ({
  batches: [{ ...batch, ...change }],
  unplaced: [],
  boundS: 0,
});
