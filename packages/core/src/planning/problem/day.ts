import { atWallClock, shiftDate } from '../../quantity/index.js';
import type { HorizonInput } from './horizon-input.js';
import { horizonProblem } from './horizon.js';
import type { BatchPlan, Unplaced } from './plan.js';
import type { PlanProblem } from './problem.js';

export interface OrderLine {
  readonly id: string;
  readonly customer: string;
  readonly productCode: string;
  readonly pieces: number;
  /** Wall clock of the bake day. */
  readonly readyBy: string;
  /** The bake day, where several are planned together; the input's where left out. */
  readonly date?: string;
}

export interface DayInput extends Omit<HorizonInput, 'orders' | 'byDay' | 'stretch'> {
  /** The bake day, the first of them where several are planned together. */
  readonly date: string;
  readonly orders: readonly OrderLine[];
}

/** Days before the bake day that mixing may reach back to (the longest portioned rest is three days). */
const daysBefore = 4;

/** What other plans hold within a stretch of time: what lies outside it meets nothing of this day. */
const within = (batches: readonly BatchPlan[], fromS: number, toS: number): readonly BatchPlan[] =>
  batches.map((batch) => ({
    ...batch,
    tasks: batch.tasks
      .filter(({ startS, endS }) => endS > fromS && startS < toS)
      .map((task) => ({ ...task, startS: Math.max(task.startS, fromS), endS: Math.min(task.endS, toS) })),
    loads: batch.loads.filter(({ startS }) => startS >= fromS && startS < toS),
  }));

/** Bake days as one horizon, from their bake lists. */
export const dayHorizon = (input: DayInput): HorizonInput => {
  const { date, rules, taken } = input;
  const last = input.orders.reduce(
    (latest, order) => (order.date && order.date > latest ? order.date : latest),
    date,
  );
  const fromS = Math.max(input.nowS, atWallClock(shiftDate(date, -daysBefore - 1), '00:00', rules.timeZone));
  const toS = atWallClock(shiftDate(last, 1), '00:00', rules.timeZone);
  return {
    ...input,
    ...(taken && { taken: within(taken, fromS, toS) }),
    orders: input.orders.map((order) => ({
      ...order,
      readyByS: atWallClock(order.date ?? date, order.readyBy, rules.timeZone),
    })),
    byDay: true,
    stretch: {
      // Planned with the days before it, its dough may have been mixed earlier still.
      fromS: Math.min(
        atWallClock(shiftDate(date, -daysBefore), '12:00', rules.timeZone),
        ...input.fixed.flatMap(({ tasks }) => tasks.map(({ startS }) => startS - 86_400)),
      ),
      toS: atWallClock(last, '12:00', rules.timeZone),
    },
  };
};

/**
 * The day, or several together, as a problem for the solver, from the bake list. What cannot be baked (no such formula,
 * dough that no mixer takes, a piece that fits on no tray) is left out and said; the rest is planned.
 */
export const dayProblem = (input: DayInput): { problem: PlanProblem; refused: readonly Unplaced[] } => {
  const { problem, refused } = horizonProblem(dayHorizon(input));
  return {
    problem,
    refused: [...new Set(refused.map(({ productCode }) => productCode))].map((productCode) => {
      const own = refused.filter((line) => line.productCode === productCode);
      return {
        batchId: productCode,
        productCode,
        pieces: own.reduce((sum, { pieces }) => sum + pieces, 0),
        reason: [...new Set(own.map(({ reason }) => reason))].join(' '),
      };
    }),
  };
};
