import type { PlanStock } from './plan-stock.js';

export type TaskKind =
  | 'prepare'
  | 'mix'
  | 'portion'
  | 'rest'
  | 'temper'
  | 'load'
  | 'bake'
  | 'turn'
  | 'pull'
  | 'flatten'
  | 'tray-rest'
  | 'rack'
  | 'ice'
  | 'dry'
  | 'pack';

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
  /** Dough that was in the cold when the plan was made, or a part of it: it is not mixed for this plan. */
  readonly stock?: PlanStock;
}

export interface Unplaced {
  readonly batchId: string;
  readonly productCode: string;
  readonly pieces: number;
  /** A sentence for the baker. */
  readonly reason: string;
}

/** Ordered pieces that a plan has not ready in time. */
export const piecesLeft = (unplaced: readonly Unplaced[]): number =>
  unplaced.reduce((sum, { pieces }) => sum + pieces, 0);

export interface Plan {
  readonly batches: readonly BatchPlan[];
  readonly unplaced: readonly Unplaced[];
  /** No plan can keep the ovens and the line busy for less, s. */
  readonly boundS: number;
}
