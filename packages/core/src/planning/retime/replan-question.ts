import type { RestRule } from '../../formula/index.js';
import type { BatchPlan } from '../problem/plan.js';
import type { OvenBake, PlanProblem } from '../problem/problem.js';
import type { Effort } from '../solve/improve.js';

/** A day that slipped, and what of it may still be changed. */
export interface ReplanQuestion {
  /** The day: its demands, ovens that are in use, people and places. Nothing is placed but what is planned already. */
  readonly problem: PlanProblem;
  /** The plan that people work by. */
  readonly planned: readonly BatchPlan[];
  /** The same as it will come about if nobody changes anything. */
  readonly expected: readonly BatchPlan[];
  /** Batches that somebody works on: their dough exists. */
  readonly begun: ReadonlySet<string>;
  /** Loads that are in their oven, or were. */
  readonly started: ReadonlySet<string>;
  /** Loads whose oven is out of use. */
  readonly homeless: ReadonlySet<string>;
  readonly restOf: (batch: BatchPlan) => RestRule;
  /** How a batch bakes where its formula is not its product's latest. */
  readonly bakesOf?: (batch: BatchPlan) => readonly OvenBake[] | undefined;
  readonly effort?: Effort;
  /** No further set of loads is tried after this, s; 10 where left out. An answer that runs into it hangs on the machine. */
  readonly patienceS?: number;
}

/** A load that is to be baked in another oven, or at another time than planned. */
export interface LoadChange {
  readonly loadId: string;
  readonly batchId: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly from: { readonly ovenId: string; readonly startS: number } | null;
  /** Null where no oven takes it any more. */
  readonly to: { readonly ovenId: string; readonly startS: number } | null;
}

export interface Replanned {
  readonly batches: readonly BatchPlan[];
  readonly changes: readonly LoadChange[];
  /** Pieces that no oven takes while their dough is good. */
  readonly left: readonly { readonly batchId: string; readonly pieces: number }[];
}

export const aboutS = 60;

/** What cannot be in time is sought so much later, step by step, s. */
export const laterStepS = 600;

export const loadsOf = (batches: readonly BatchPlan[]) => batches.flatMap(({ loads }) => loads);
