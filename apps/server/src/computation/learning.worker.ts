import { createHash } from 'node:crypto';
import {
  canonicalJson,
  fitCalibration,
  loggedBakes,
  pullSlopes,
  slopesOf,
  type BakeInput,
  type Equipment,
  type Fit,
  type Formula,
  type HouseRules,
  type LoggedBake,
  type PullSlopes,
  type Slopes,
  type TrayState,
} from '@jokul/core';
import { outcome, type Outcome } from './outcome.js';

/* Learning from logged bakes, in worker threads. */

export interface LoggedTask {
  /** The trays that were measured. */
  readonly trays: readonly TrayState[];
  /** The formula that each lot was made by. */
  readonly made: ReadonlyMap<string, Formula>;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  /** At most so many bakes. */
  readonly most: number;
}

/** The measured trays as bakes to learn from: how cold each was loaded is computed where nobody wrote it down. */
export const logged = ({ trays, made, equipment, rules, most }: LoggedTask): Outcome<readonly LoggedBake[]> =>
  outcome(() => loggedBakes(trays, made, equipment, rules, most));

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

/** What a remembered run stands for: another setup or pull of the same entry is another bake. */
const fingerprint = ({ setup, pullS, trayS }: LoggedBake): string =>
  createHash('sha256').update(canonicalJson({ setup, pullS, trayS })).digest('hex');

/** The runs that still hold: those of bakes that are asked of, as they were then. */
const stillTrue = ({ bakes, memory }: FitTask): Map<string, unknown> => {
  const before = new Map(memory);
  const same = new Set(
    bakes.filter((bake) => before.get(`${bake.id}/of`) === fingerprint(bake)).map(({ id }) => id),
  );
  const kept = new Map(memory.filter(([key]) => same.has(key.split('/')[0] ?? '')));
  for (const bake of bakes) kept.set(`${bake.id}/of`, fingerprint(bake));
  return kept;
};

export const calibrate = (task: FitTask): Outcome<FitAnswer> =>
  outcome(() => {
    const memory = stillTrue(task);
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
    return {
      pull: pullSlopes(input, pullS),
      slopes: slopesOf({ setup: input.setup, pullS }),
    };
  });
