import { costOf, type PlanCost } from '../bound/cost.js';
import { leastCost } from '../bound/least-cost.js';
import type { BatchPlan } from '../problem/plan.js';
import type { Demand, PlanProblem } from '../problem/problem.js';
import { missingPieces, servedBy, undonePieces, type Served } from '../problem/served.js';
import type { LearnedSpreads, Spreads } from '../problem/spreads.js';
import { surenessOf } from '../solve/sure.js';
import { waysOut, type WayOut } from './ways.js';

interface Wanted {
  readonly productCode: string;
  readonly customer: string;
  readonly readyByS: number;
}

/** How good a plan is: what it leaves undone and costs beside the best possible, and how sure each ready-by is. */
export interface PlanQuality {
  readonly undonePieces: number;
  readonly orderedPieces: number;
  /** No plan leaves fewer. */
  readonly leastUndone: number;
  readonly cost: PlanCost;
  /** No plan that has as many pieces in time costs less, minutes. */
  readonly leastCost: number;
  readonly sure: readonly (Wanted & { readonly probability: number })[];
  readonly short: readonly (Wanted & {
    readonly ordered: number;
    readonly pieces: number;
    readonly ways: readonly WayOut[];
  })[];
  /** How sure each ready-by was asked to be, as a share; null where it was not. */
  readonly wanted: number | null;
  /** What the simulated days were spread by; in plans of before this was known, and without a log, the usual. */
  readonly spreads?: Spreads & Partial<Pick<LearnedSpreads, 'loads' | 'pulls' | 'works'>>;
}

export const qualityOf = (
  problem: PlanProblem,
  batches: readonly BatchPlan[],
  {
    leastUndone,
    timeZone,
    waysSeconds,
    wanted,
  }: {
    readonly leastUndone: number;
    readonly timeZone: string;
    readonly waysSeconds: number;
    readonly wanted: number | null;
  },
): PlanQuality => {
  const demandOf = ({ productCode, demand }: Pick<Served, 'productCode' | 'demand'>): Demand | undefined =>
    problem.products.find(({ code }) => code === productCode)?.demands[demand];
  const who = (of: Pick<Served, 'productCode' | 'demand'>): Wanted => {
    const demand = demandOf(of);
    return { productCode: of.productCode, customer: demand?.name ?? '', readyByS: demand?.readyByS ?? 0 };
  };
  const served = servedBy(problem, batches);
  const untilMs = Date.now() + 1000 * waysSeconds;
  return {
    undonePieces: undonePieces(problem, batches),
    orderedPieces: served.reduce((sum, { ordered }) => sum + ordered, 0),
    leastUndone,
    cost: costOf(problem, batches),
    leastCost: leastCost(problem, missingPieces(problem, batches)),
    ...(problem.spreads && { spreads: problem.spreads }),
    // What is past is no forecast.
    sure: surenessOf(problem, batches)
      .map((sure) => ({ ...who(sure), probability: sure.probability }))
      .filter(({ readyByS }) => readyByS > problem.nowS),
    short: served
      .filter(({ pieces, ordered }) => pieces < ordered)
      .map((short) => ({
        ...who(short),
        ordered: short.ordered,
        pieces: short.pieces,
        ways: waysOut(problem, served, short, timeZone, untilMs),
      })),
    wanted,
  };
};
