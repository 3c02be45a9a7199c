import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import {
  atWallClock,
  forecastDay,
  inUse,
  JokulError,
  lateByForecast,
  lateOrders,
  type BatchPlan,
  type DueOrder,
  type Formula,
  type Replanned,
} from '@jokul/core';
import type { PlanView, ReplanView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { JournalService } from '../journal/journal.service.js';
import { ComputationService } from './computation.service.js';
import { PlanService, type PlanInputs, type StoredPlan } from './plan.service.js';

/** A way out that somebody looks at. */
interface Offer {
  readonly date: string;
  readonly planVersion: number;
  readonly found: Replanned;
  readonly started: ReadonlySet<string>;
}

/** So many offers are kept: they are looked at for minutes. */
const offersKept = 20;

/** When the day slips: how it goes on, and a way out with few changes that is looked at before it is taken. */
@Injectable()
export class ReplanService {
  private readonly offers = new Map<string, Offer>();

  constructor(
    private readonly plans: PlanService,
    private readonly journal: JournalService,
    private readonly clock: ClockService,
    private readonly computation: ComputationService,
  ) {}

  private async current(date: string) {
    const row = await this.plans.stored(date);
    if (!row) throw new JokulError('no-plan', 'This day is not planned yet.', 'date');
    const body = row.body as StoredPlan;
    const formulas = await this.plans.formulasOf(body.plan.batches, body);
    return { row, body, planned: body.plan.batches, formulas };
  }

  /** The day as it goes on by what was written down. */
  private async forecast(
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

  /**
   * A way out of a day that slipped; nothing is changed.
   * @throws JokulError `no-plan`
   */
  async offer(date: string, signal?: AbortSignal): Promise<ReplanView> {
    const { row, planned, formulas } = await this.current(date);
    const inputs = await this.plans.inputs(date);
    const { equipment, rules, orders } = inputs;
    const going = await this.forecast(planned, formulas, inputs);
    const due: readonly DueOrder[] = orders.map((order) => ({
      id: order.id,
      customer: order.customer,
      productCode: order.productCode,
      pieces: order.pieces,
      readyByS: atWallClock(date, order.readyBy, rules.timeZone),
    }));
    const before = lateByForecast(due, going);
    const nowMs = await this.clock.nowMs();
    // Batches that have begun stay on what was retired since; nothing new is baked in an oven that was.
    const text = JSON.stringify(planned);
    const kept = { ...inUse(equipment, (id) => text.includes(`"${id}"`)), ovens: inUse(equipment).ovens };
    const [bakes, fixedBakes, taken] = await Promise.all([
      this.plans.bakesOf(inputs),
      this.plans.bakesOfFixed(formulas, inputs),
      this.plans.takenByOthers(date, nowMs),
    ]);
    const found = await this.computation.replan(
      {
        input: {
          date,
          nowS: nowMs / 1000,
          orders,
          formulas: new Map(inputs.formulas.map((formula) => [formula.code, formula])),
          equipment: kept,
          rules,
          fixed: going.batches,
          taken,
        },
        bakes,
        fixedBakes,
        fixedFormulas: formulas,
        planned,
        begun: going.begun,
        started: going.started,
        homeless: going.homeless,
      },
      signal,
    );
    const offer = found ?? { batches: planned, changes: [], left: [] };
    const id = randomUUID();
    this.offers.set(id, { date, planVersion: row.version, found: offer, started: going.started });
    for (const old of [...this.offers.keys()].slice(0, -offersKept)) this.offers.delete(old);
    return {
      id,
      planVersion: row.version,
      changes: offer.changes,
      before,
      after: found ? lateOrders(due, offer.batches) : before,
      left: offer.left,
    };
  }

  /**
   * Takes a way out that was looked at, if the floor did not go on otherwise meanwhile.
   * @throws JokulError `changed-meanwhile`, `no-plan`
   */
  async take(date: string, id: string): Promise<PlanView> {
    const offer = this.offers.get(id);
    const { row, body, planned, formulas } = await this.current(date);
    const again = 'The floor went on meanwhile. Look again at what can be done.';
    if (!offer || offer.date !== date || offer.planVersion !== row.version)
      throw new JokulError('changed-meanwhile', again, 'id');
    const inputs = await this.plans.inputs(date);
    const { started } = await this.forecast(planned, formulas, inputs);
    const moved = new Set(offer.found.changes.map(({ loadId }) => loadId));
    if ([...started].some((load) => !offer.started.has(load) && moved.has(load)))
      throw new JokulError('changed-meanwhile', again, 'id');
    const view = await this.plans.change(date, row, offer.found.batches, {
      unplaced: offer.found.left.map(({ batchId, pieces }) => {
        const batch = planned.find(
          (own) => batchId === own.batchId || batchId.startsWith(`${own.batchId}-L`),
        );
        return {
          batchId: batch?.batchId ?? batchId,
          productCode: batch?.productCode ?? '',
          pieces,
          reason: 'No oven is free for it while its dough is good.',
        };
      }),
      fresh: this.fits(inputs, body),
    });
    this.offers.delete(id);
    return view;
  }

  /** Whether a plan holds all that the bake list asks for, by the formulas of today. */
  private fits({ orders, formulas }: PlanInputs, { plan, batchFormula }: StoredPlan): boolean {
    const pieces = (code: string) =>
      plan.batches
        .filter((batch) => batch.productCode === code)
        .reduce((sum, batch) => sum + batch.pieces, 0);
    return formulas.every(
      ({ code, version }) =>
        pieces(code) >=
          orders
            .filter((order) => order.productCode === code)
            .reduce((sum, order) => sum + order.pieces, 0) &&
        plan.batches
          .filter((batch) => batch.productCode === code)
          .every((batch) => batchFormula[batch.batchId] === version),
    );
  }
}
