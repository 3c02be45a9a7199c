import {
  fitCalibration,
  noAdjustment,
  pullSlopes,
  slopesOf,
  type BakeInput,
  type Fit,
  type LoggedBake,
  type PullSlopes,
  type Slopes,
} from '@jokul/core';
import { outcome, type Outcome } from '../plan/outcome.js';

/* Learning from logged bakes, in worker threads. */

export interface FitTask {
  readonly bakes: readonly LoggedBake[];
  readonly held: readonly string[];
  readonly nowMs: number;
  /** Runs of the model that earlier fits made, by their key. */
  readonly memory: readonly (readonly [string, unknown])[];
}

export interface FitAnswer {
  readonly fit: Fit;
  readonly memory: FitTask['memory'];
}

export const calibrate = (task: FitTask): Outcome<FitAnswer> =>
  outcome(() => {
    const ids = new Set(task.bakes.map(({ id }) => id));
    const memory = new Map(task.memory.filter(([key]) => ids.has(key.split('/')[0] ?? '')));
    const fit = fitCalibration(task.bakes, { nowMs: task.nowMs, held: new Set(task.held), memory });
    return { fit, memory: [...memory] };
  });

export interface AnswersTask {
  readonly input: BakeInput;
  readonly pullS: number;
}

/** How pull and figures of a bake move with oven and dough. */
export interface BakeAnswers {
  readonly pull: PullSlopes;
  readonly slopes: Slopes;
}

export const answers = ({ input, pullS }: AnswersTask): Outcome<BakeAnswers> =>
  outcome(() => {
    const bake = { setup: input.setup, pullS, trayS: input.rest.trayS };
    return {
      pull: pullSlopes(input, pullS),
      slopes: slopesOf(bake, noAdjustment),
    };
  });
