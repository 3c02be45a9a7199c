import { atWallClock, shiftDate } from '../quantity/index.js';
import { horizonProblem, openSplit, type HorizonInput } from './horizon.js';
import type { BatchPlan, PlanProblem, Unplaced } from './problem.js';
import { JokulError } from '../shown/index.js';

export interface OrderLine {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  /** Wall clock of the bake day. */
  readonly readyBy: string;
}

export interface DayInput extends Omit<HorizonInput, 'orders' | 'togetherS' | 'stretch'> {
  readonly date: string;
  readonly orders: readonly OrderLine[];
}

/** Days before the bake day that mixing may reach back to (the longest portioned rest is three days). */
const daysBefore = 4;

/** Pieces of a product that no dough that has begun covers. */
const openPieces = ({ orders, fixed }: Pick<DayInput, 'orders' | 'fixed'>, code: string): number =>
  orders.filter((o) => o.productCode === code).reduce((sum, { pieces }) => sum + pieces, 0) -
  fixed.filter((batch) => batch.productCode === code).reduce((sum, { pieces }) => sum + pieces, 0);

/** How many lots of each product are to be mixed anew; none where its dough cannot be scaled. */
export const lotsNeeded = (input: Omit<DayInput, 'predictions'>): ReadonlyMap<string, number> =>
  new Map(
    [...new Set(input.orders.map((o) => o.productCode))].map((code) => {
      const formula = input.formulas.get(code);
      const pieces = openPieces(input, code);
      if (!formula || pieces <= 0) return [code, 0];
      try {
        return [code, openSplit(input, formula, pieces).length];
      } catch (error) {
        if (error instanceof JokulError) return [code, 0];
        throw error;
      }
    }),
  );

/** What other plans hold within a stretch of time: what lies outside it meets nothing of this day. */
const within = (batches: readonly BatchPlan[], fromS: number, toS: number): readonly BatchPlan[] =>
  batches.map((batch) => ({
    ...batch,
    tasks: batch.tasks
      .filter(({ startS, endS }) => endS > fromS && startS < toS)
      .map((task) => ({ ...task, startS: Math.max(task.startS, fromS), endS: Math.min(task.endS, toS) })),
    loads: batch.loads.filter(({ startS }) => startS >= fromS && startS < toS),
  }));

/**
 * The day as a problem for the solver, from the bake list. What cannot be baked (no such formula, dough that no mixer
 * takes, a piece that fits on no tray) is left out and said; the rest is planned.
 */
export const dayProblem = (input: DayInput): { problem: PlanProblem; refused: readonly Unplaced[] } => {
  const { date, rules, taken } = input;
  const fromS = Math.max(input.nowS, atWallClock(shiftDate(date, -daysBefore - 1), '00:00', rules.timeZone));
  const toS = atWallClock(shiftDate(date, 1), '00:00', rules.timeZone);
  const { problem, refused } = horizonProblem({
    ...input,
    ...(taken && { taken: within(taken, fromS, toS) }),
    orders: input.orders.map((order) => ({
      ...order,
      readyByS: atWallClock(date, order.readyBy, rules.timeZone),
    })),
    // All of a day's pieces of a product are of one dough, however far apart they are due.
    togetherS: Number.POSITIVE_INFINITY,
    stretch: {
      fromS: atWallClock(shiftDate(date, -daysBefore), '12:00', rules.timeZone),
      toS: atWallClock(date, '12:00', rules.timeZone),
    },
  });
  return {
    problem,
    refused: [...new Set(refused.map(({ productCode }) => productCode))].map((productCode) => {
      const own = refused.filter((line) => line.productCode === productCode);
      return {
        batchId: productCode,
        productCode,
        pieces: own.reduce((sum, { pieces }) => sum + pieces, 0),
        reason: own[0]?.reason ?? '',
      };
    }),
  };
};
