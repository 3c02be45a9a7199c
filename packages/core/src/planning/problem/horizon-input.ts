import type { Equipment, HouseRules } from '../../bakery/index.js';
import type { Formula } from '../../formula/index.js';
import type { Prediction } from '../forecast/predictions.js';
import type { CostWeights } from './costs.js';
import type { StockItem } from './deal-stock.js';
import type { BatchPlan } from './plan.js';
import type { AheadWork, PlanProblem } from './problem.js';
import type { LearnedSpreads } from './spreads.js';

/** Pieces of one product that a customer wants at a moment. */
export interface HorizonOrder {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly readyByS: number;
  /** How much a piece that is not ready counts; 1 where left out. */
  readonly weight?: number;
}

export interface HorizonInput {
  readonly nowS: number;
  readonly orders: readonly HorizonOrder[];
  readonly formulas: ReadonlyMap<string, Formula>;
  readonly equipment: Equipment;
  readonly rules: HouseRules;
  readonly predictions: ReadonlyMap<string, readonly Prediction[]>;
  readonly fixed: readonly BatchPlan[];
  readonly stock?: readonly StockItem[];
  /** What the plans of other days hold. */
  readonly taken?: readonly BatchPlan[];
  /** Names for the lots that are planned anew, by product: each is handed out once. Made up where left out. */
  readonly lotIds?: Readonly<Record<string, readonly string[]>>;
  /**
   * Bakers plan it day by day: all of a day's pieces of a product are of one dough, and ovens are hot when work begins.
   * Where left out, orders share their dough that are due within some hours, and ovens are cold in the morning.
   */
  readonly byDay?: boolean;
  /** When people are there is laid out over this; from now to the last ready-by where left out. */
  readonly stretch?: { readonly fromS: number; readonly toS: number };
  readonly weights?: CostWeights;
  /** How far people and ovens stray from a plan; the usual where left out. */
  readonly spreads?: LearnedSpreads;
  /** What a dough of so many grams asks for before it is mixed; nothing where left out. */
  readonly aheadOf?: (formula: Formula, massG: number) => readonly AheadWork[];
  /** By how much a dough is longer at the mixer than the house's usual one, s, below 0 for less; as usual where left out. */
  readonly longerOf?: (formula: Formula) => number;
}

/** An order that cannot be planned, and why. */
export interface RefusedOrder {
  readonly orderId: string;
  readonly productCode: string;
  readonly pieces: number;
  readonly reason: string;
}

export interface Horizon {
  readonly problem: PlanProblem;
  readonly refused: readonly RefusedOrder[];
  /** By product, the orders behind its demands, in their order. */
  readonly ordersOf: ReadonlyMap<string, readonly HorizonOrder[]>;
  /** What a baker should know of the batches. */
  readonly notes: readonly string[];
}
