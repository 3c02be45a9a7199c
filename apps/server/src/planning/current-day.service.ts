import { Injectable } from '@nestjs/common';
import {
  atWallClock,
  forecastDay,
  inUse,
  JokulError,
  type BatchPlan,
  type DueOrder,
  type Formula,
  say,
} from '@jokul/core';
import { ClockService } from '../clock/clock.service.js';
import { ComputationService } from '../computation/computation.service.js';
import { JournalReader } from '../journal/journal-reader.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanRows, type StoredPlan } from './plan-rows.js';
import { PlanService } from './plan.service.js';

/** The bake list as moments. */
export const dueOrders = (
  date: string,
  { orders, rules }: Pick<PlanInputs, 'orders' | 'rules'>,
): readonly DueOrder[] =>
  orders.map(({ id, customer, productCode, pieces, readyBy }) => ({
    id,
    customer,
    productCode,
    pieces,
    readyByS: atWallClock(date, readyBy, rules.timeZone),
  }));

export type Current = Awaited<ReturnType<CurrentDayService['current']>>;

/** A planned day as it goes on by what was written down, and as few changes as serve everybody best. */
@Injectable()
export class CurrentDayService {
  constructor(
    private readonly inputs: PlanInputsService,
    private readonly plans: PlanService,
    private readonly rows: PlanRows,
    private readonly journal: JournalReader,
    private readonly clock: ClockService,
    private readonly computation: ComputationService,
  ) {}

  /** @throws JokulError `no-plan` */
  async current(date: string) {
    const row = await this.rows.stored(date);
    if (!row) throw new JokulError('no-plan', say`This day is not planned yet.`, 'date');
    const body = row.body as StoredPlan;
    const formulas = await this.inputs.formulasOf(body.plan.batches, body);
    return { row, body, planned: body.plan.batches, formulas };
  }

  /** The day as it goes on by what was written down. */
  async forecast(
    planned: readonly BatchPlan[],
    formulas: Readonly<Record<string, Formula>>,
    { equipment, rules }: PlanInputs,
  ) {
    const floor = await this.journal.floorOf(planned.map(({ batchId }) => batchId));
    return forecastDay({
      batches: planned,
      floor,
      nowS: Math.round((await this.clock.nowMs()) / 1000),
      ovens: inUse(equipment).ovens,
      loadGapS: rules.loadGapS,
      restOf: ({ batchId }) => formulas[batchId]?.rest,
    });
  }

  /** Everything that a changed plan is computed and judged by; its batches as they are given. */
  async question(date: string, { planned, formulas }: Current, inputs: PlanInputs) {
    const { equipment, rules, orders } = inputs;
    const nowMs = await this.clock.nowMs();
    // Batches that have begun stay on what was retired since; nothing new is baked in an oven that was.
    const text = JSON.stringify(planned);
    const kept = { ...inUse(equipment, (id) => text.includes(`"${id}"`)), ovens: inUse(equipment).ovens };
    const [bakes, fixedBakes, taken] = await Promise.all([
      this.inputs.bakesOf(inputs),
      this.inputs.bakesOfFixed(formulas, inputs),
      this.rows.takenByOthers([date], nowMs),
    ]);
    return {
      input: {
        date,
        nowS: nowMs / 1000,
        orders,
        formulas: new Map(inputs.formulas.map((formula) => [formula.code, formula])),
        equipment: kept,
        rules,
        fixed: planned,
        taken,
      },
      bakes,
      fixedBakes,
      fixedFormulas: formulas,
    };
  }

  /**
   * How the planned batches go on in these ovens, and as few changes as serve everybody best.
   * @param held batches that stay where they are, but for loads that have no oven
   */
  async wayOut(
    date: string,
    current: Current,
    inputs: PlanInputs,
    signal?: AbortSignal,
    held: readonly string[] = [],
  ) {
    const { planned, formulas } = current;
    const going = await this.forecast(planned, formulas, inputs);
    const stays = planned
      .filter(({ batchId }) => held.includes(batchId))
      .flatMap(({ loads }) => loads.flatMap(({ id }) => (going.homeless.has(id) ? [] : [id])));
    const { input, ...question } = await this.question(date, current, inputs);
    const found = (await this.computation.replan(
      {
        ...question,
        input: { ...input, fixed: going.batches },
        planned,
        begun: going.begun,
        started: new Set([...going.started, ...stays]),
        homeless: going.homeless,
      },
      signal,
    )) ?? { batches: planned, changes: [], left: [] };
    return { found, going };
  }

  /**
   * Batches that somebody works on, or that are held, as the ovens that are in use bake them.
   * @param inputs what the day is made from, or supposed to be made from
   */
  async standing(date: string, inputs: PlanInputs, signal?: AbortSignal): Promise<readonly BatchPlan[]> {
    const current = await this.current(date);
    const standing = await this.plans.standing(current.body);
    const { homeless } = await this.forecast(standing, current.formulas, inputs);
    // What is in an oven that is out of use, or was, stays a fact: nothing has to move for it.
    if (homeless.size === 0) return standing;
    const { found } = await this.wayOut(date, current, inputs, signal, current.body.held);
    const ids = new Set(standing.map(({ batchId }) => batchId));
    return found.batches.filter(({ batchId }) => ids.has(batchId));
  }
}
