import type { RestRule } from '../formula/index.js';

/*
 * The day as a problem: plain JSON (docs/plan.schema.json). All times are seconds since 1970 (UTC); the caller
 * turns wall clocks into them.
 */

/** A stretch of time in which `capacity` units are there. Overlapping ones add up; outside all there are none. */
export interface Availability {
  readonly fromS: number;
  readonly toS: number;
  readonly capacity: number;
}

/** Something that tasks share. Without `when` it is always there. */
export interface Resource {
  readonly id: string;
  readonly name: string;
  readonly capacity: number;
  readonly when?: readonly Availability[];
}

export interface PlanOven {
  readonly id: string;
  readonly name: string;
  readonly places: number;
  readonly degreesPerMin: number;
}

/** How a product bakes in one oven, from the bake model. */
export interface OvenBake {
  readonly ovenId: string;
  readonly setC: number;
  readonly pullS: number;
}

export interface Demand {
  readonly name: string;
  readonly readyByS: number;
  readonly pieces: number;
}

export interface PlanBatch {
  readonly id: string;
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
}

export interface PlanProduct {
  readonly code: string;
  readonly name: string;
  readonly rest: RestRule;
  readonly demands: readonly Demand[];
  readonly batches: readonly PlanBatch[];
  readonly perTray: number;
  /** Raw pieces that rest close together on one tray. */
  readonly restingPerTray: number;
  readonly bakes: readonly OvenBake[];
  readonly mixS: number;
  readonly portionSetUpS: number;
  readonly portionSPerPiece: number;
  readonly trayRestS: number;
  readonly coolS: number;
  readonly packS: number;
}

export interface PlanProblem {
  readonly nowS: number;
  readonly products: readonly PlanProduct[];
  readonly resources: readonly Resource[];
  readonly ovens: readonly PlanOven[];
  /** Ovens are attended only then. */
  readonly ovenHours: readonly Availability[];
  readonly loadGapS: number;
  /** Batches that have begun: they stay where they are. */
  readonly fixed: readonly BatchPlan[];
}

export type TaskKind = 'mix' | 'portion' | 'rest' | 'temper' | 'bake' | 'tray-rest' | 'rack';

export interface Use {
  readonly resourceId: string;
  readonly amount: number;
}

export interface Task {
  readonly id: string;
  readonly kind: TaskKind;
  readonly batchId: string;
  readonly loadId?: string;
  readonly startS: number;
  readonly endS: number;
  readonly uses: readonly Use[];
}

export interface PlanTray {
  readonly id: string;
  readonly position: number;
  readonly pieces: number;
}

export interface Load {
  readonly id: string;
  readonly batchId: string;
  readonly ovenId: string;
  readonly setC: number;
  readonly pullS: number;
  readonly startS: number;
  /** When its pieces are cold and packed. */
  readonly readyS: number;
  /** The earliest ready-by that it serves. */
  readonly dueS: number;
  readonly trays: readonly PlanTray[];
}

/** Everything planned for one batch. */
export interface BatchPlan {
  readonly batchId: string;
  readonly productCode: string;
  readonly mixerId: string;
  readonly massG: number;
  readonly pieces: number;
  readonly loads: readonly Load[];
  readonly tasks: readonly Task[];
}

export interface Unplaced {
  readonly batchId: string;
  readonly productCode: string;
  readonly pieces: number;
  /** A sentence for the baker. */
  readonly reason: string;
}

export interface Plan {
  readonly batches: readonly BatchPlan[];
  readonly unplaced: readonly Unplaced[];
  /** No plan can keep the ovens and the line busy for less, s. */
  readonly boundS: number;
}

/**
 * Time between two loads of one chamber: it is emptied, filled and comes back, and then goes to the temperature of the
 * next one, s.
 */
export const betweenLoadsS = (
  oven: Pick<PlanOven, 'degreesPerMin'>,
  fromC: number,
  toC: number,
  loadGapS: number,
): number => loadGapS + (Math.abs(fromC - toC) / oven.degreesPerMin) * 60;

/** Resource names that the solver and the checker agree on. */
export const resourceIds = {
  hands: 'hands',
  trays: 'trays',
  racks: 'racks',
  cold: (kind: string, what: 'trays' | 'tubs' | 'bags') => `${kind}/${what}`,
} as const;

/** Warm trays are not loaded again before this, s. */
export const trayCoolS = 15 * 60;

/** Dough in one tub, g, and pieces in one bag: how cold places are counted. */
export const tubHoldsG = 8000;
export const bagHoldsPieces = 100;
