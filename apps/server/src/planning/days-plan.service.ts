import { Injectable } from '@nestjs/common';
import {
  canonicalJson,
  dayHorizon,
  inUse,
  JokulError,
  lotsNeeded,
  shiftDate,
  wallClock,
  type BatchPlan,
  type Formula,
  say,
} from '@jokul/core';
import type { DaysPlanView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { Together } from '../common/together.js';
import { ComputationService } from '../computation/computation.service.js';
import { PlanRows, type StoredPlan } from './plan-rows.js';
import { PlanBodyService } from './plan-body.service.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanService } from './plan.service.js';
import { predictionsOf } from '../computation/predictions.js';
import { SpreadsService } from './spreads.service.js';
import { StockService } from './stock.service.js';

/** No more days than this are planned together: what is further away changes before it comes. */
const mostDays = 14;

interface How {
  readonly chance?: number | undefined;
  readonly signal?: AbortSignal;
}
type Day = Awaited<ReturnType<DaysPlanService['dayOf']>>;

const piecesOf = (batches: readonly BatchPlan[]) =>
  batches
    .flatMap(({ loads }) => loads)
    .flatMap(({ trays }) => trays)
    .reduce((sum, { pieces }) => sum + pieces, 0);

/** Several bake days in one horizon, written as the plan of each. */
@Injectable()
export class DaysPlanService {
  /** Two screens that ask for the same days at once get one plan of each. */
  private readonly making = new Together<DaysPlanView>();

  constructor(
    private readonly inputs: PlanInputsService,
    private readonly bodies: PlanBodyService,
    private readonly plans: PlanService,
    private readonly rows: PlanRows,
    private readonly stock: StockService,
    private readonly spreads: SpreadsService,
    private readonly clock: ClockService,
    private readonly computation: ComputationService,
  ) {}

  private datesBetween(from: string, until: string, today: string): readonly string[] {
    const most = shiftDate(from, mostDays - 1);
    if (until < from || until > most)
      throw new JokulError(
        'days',
        say`Give a last day from ${from} to ${most}: no more than ${mostDays} days are planned together.`,
        'until',
      );
    if (until < today)
      throw new JokulError('past', say`These days are over: there is nothing left to plan.`, 'until');
    const dates: string[] = [];
    for (let date = from < today ? today : from; date <= until; date = shiftDate(date, 1)) dates.push(date);
    return dates;
  }

  /** What one of the days is planned from, with its plan before. */
  private async dayOf(date: string) {
    const [inputs, before] = await Promise.all([this.inputs.of(date), this.rows.stored(date)]);
    const old = before ? (before.body as StoredPlan) : null;
    const fixed = await this.plans.standing(old);
    const free = (old?.plan.batches ?? []).filter((batch) => !fixed.includes(batch));
    return { date, inputs, before, old, fixed, free };
  }

  /**
   * Plans the days from one to another together: what somebody works on or holds stays, the rest is placed around it, so
   * that the same mixer, tray and pair of hands is promised once. Each day's plan is written with the others, or none.
   * @param from the first day; those that are over are left as they are
   * @param chance how sure each ready-by shall be; as late as possible when left out
   * @throws JokulError `days`, `past`, `nothing-to-bake`, `changed-meanwhile`, and those of the solver
   */
  async make(from: string, until: string, how: How = {}): Promise<DaysPlanView> {
    const nowMs = await this.clock.nowMs();
    const { rules } = await this.inputs.of(from);
    const dates = this.datesBetween(from, until, wallClock(nowMs / 1000, rules.timeZone).date);
    const days = (await Promise.all(dates.map((date) => this.dayOf(date)))).filter(
      ({ inputs }) => inputs.orders.length > 0,
    );
    const [first] = days;
    if (!first)
      throw new JokulError(
        'nothing-to-bake',
        say`The bake lists of these days are empty: add what is to be baked first.`,
        'orders',
      );
    const asked = canonicalJson({
      chance: how.chance ?? 0,
      days: days.map(({ date, inputs, before }) => [date, inputs.hash, before?.version ?? 0]),
    });
    return this.making.ask(asked, (signal) => this.write(days, nowMs, { ...how, signal }), how.signal);
  }

  private async write(days: readonly Day[], nowMs: number, how: How): Promise<DaysPlanView> {
    const { batches, unplaced, dayOf, outside, promised, quality, qualityOf } = await this.solve(
      days,
      nowMs,
      how,
    );
    const computed = [];
    for (const day of days) {
      const own = batches.filter(({ batchId }) => dayOf(batchId) === day.date);
      computed.push(
        await this.bodies.of(day.date, day.inputs, day.before, own, {
          keep: true,
          anew: { quality: qualityOf[day.date] ?? quality, standing: day.fixed, promised },
          nowMs,
          chance: how.chance || undefined,
          signal: how.signal,
          unplaced: unplaced.filter(({ batchId }) => dayOf(batchId) === day.date),
          taken: [...outside, ...batches.filter(({ batchId }) => dayOf(batchId) !== day.date)],
        }),
      );
    }
    const rows = await this.rows.save(computed);
    return {
      days: computed.map(({ date, body }, i) => ({
        date,
        version: rows[i]?.version ?? 0,
        ordered: body.quality?.orderedPieces ?? 0,
        undone: body.quality?.undonePieces ?? 0,
        unplaced: body.plan.unplaced,
        stock: body.plan.batches
          .filter(({ stock }) => stock)
          .map((batch) => ({
            lot: batch.stock?.from ?? batch.batchId,
            productCode: batch.productCode,
            pieces: piecesOf([batch]),
          })),
        violations: body.violations.length,
      })),
      undonePieces: quality.undonePieces,
      leastUndone: quality.leastUndone,
      cost: quality.cost.minutes,
      leastCost: quality.leastCost,
    };
  }

  private async solve(days: readonly Day[], nowMs: number, how: How) {
    const dates = days.map(({ date }) => date);
    const { equipment: all, rules, calibration, hash } = (days[0] as Day).inputs;
    const formulas = new Map<string, Formula>(
      days.flatMap(({ inputs }) => inputs.formulas.map((formula) => [formula.code, formula] as const)),
    );
    const fixed = days.flatMap((day) => day.fixed);
    const text = JSON.stringify(fixed);
    const equipment = inUse(all, (id) => text.includes(`"${id}`));
    const together: PlanInputs = {
      orders: days.flatMap(({ inputs }) => inputs.orders),
      formulas: [...formulas.values()],
      equipment: all,
      rules,
      calibration,
      hash,
    };
    const [bakes, outside, promised] = await Promise.all([
      this.inputs.bakesOf(together),
      this.rows.takenByOthers(dates, nowMs),
      this.rows.promised(dates, nowMs),
    ]);
    const stock = await this.stock.inTheCold({
      formulas: together.formulas,
      equipment,
      rules,
      planned: [...fixed, ...promised.batches],
      leave: [...new Set(days.flatMap(({ old }) => old?.leave ?? []))],
      parts: days.length,
      nowMs,
    });
    const input = {
      date: dates[0] ?? '',
      nowS: nowMs / 1000,
      orders: days.flatMap(({ date, inputs }) => inputs.orders.map((order) => ({ ...order, date }))),
      formulas,
      equipment,
      rules,
      fixed,
      taken: outside,
      stock,
      spreads: await this.spreads.learned(),
    };
    const predictions = new Map(
      [...formulas.values()].map((f) => [f.code, predictionsOf(f, bakes[f.code], equipment)]),
    );
    const lotIds = await this.bodies.lotIdsFor(
      lotsNeeded(dayHorizon({ ...input, predictions })),
      new Map(days.map(({ date, free }) => [date, free])),
      rules.timeZone,
    );
    const { chance } = how;
    const found = await this.computation.planDays(
      { input: { ...input, lotIds }, bakes, ...(chance && { chance }) },
      how.signal,
    );
    const fixedOn = new Map(
      days.flatMap(({ date, fixed: own }) => own.map((batch) => [batch.batchId, date])),
    );
    return {
      batches: found.plan.batches,
      unplaced: found.plan.unplaced,
      quality: found.quality,
      qualityOf: found.qualityOf,
      outside,
      promised,
      dayOf: (batchId: string) => found.dayOf[batchId] ?? fixedOn.get(batchId) ?? dates[0],
    };
  }
}
