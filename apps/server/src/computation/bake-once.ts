import { bake, loadTemperature, type BakeResult } from '@jokul/core';
import { outcome, type Outcome } from './outcome.js';
import type { PredictTask, StartTask } from './plan-tasks.js';

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
