import { Injectable } from '@nestjs/common';
import { canonicalJson, JokulError, lateByForecast, lateOrders, say } from '@jokul/core';
import type { HoldInput, MoveInput, MoveView, PlanView, ReadPlanView, ReplanView } from '@jokul/contracts';
import { Together } from '../common/together.js';
import { ComputationService } from '../computation/computation.service.js';
import { JournalReader } from '../journal/journal-reader.js';
import { CurrentDayService, dueOrders, type Current } from './current-day.service.js';
import { OffersOfDays, type Offer } from './offer.js';
import { readPlanFile } from './plan-file.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanService } from './plan.service.js';

type MakeHow = NonNullable<Parameters<PlanService['make']>[1]>;
/** When the day slips: how it goes on, and a way out with few changes that is looked at before it is taken. */
@Injectable()
export class ReplanService {
  /** Several who look for a way out of the same day, with the same on record, get one. */
  private readonly looking = new Together<ReplanView>();

  constructor(
    private readonly offers: OffersOfDays,
    private readonly day: CurrentDayService,
    private readonly inputs: PlanInputsService,
    private readonly plans: PlanService,
    private readonly journal: JournalReader,
    private readonly computation: ComputationService,
  ) {}

  /**
   * A way out of a day that slipped; nothing is changed.
   * @throws JokulError `no-plan`
   */
  async offer(date: string, signal?: AbortSignal): Promise<ReplanView> {
    // Looked at first: what is read after it is at least as new, so nobody shares an older answer.
    const { seq } = await this.journal.head();
    const [current, inputs] = await Promise.all([this.day.current(date), this.inputs.of(date)]);
    const { hash } = inputs;
    return this.looking.ask(
      canonicalJson({ date, hash, seq, version: current.row.version }),
      (all) => this.lookFor(date, current, inputs, all),
      signal,
    );
  }

  private async lookFor(
    date: string,
    current: Current,
    inputs: PlanInputs,
    signal: AbortSignal,
  ): Promise<ReplanView> {
    const { found, going } = await this.day.wayOut(date, current, inputs, signal);
    const due = dueOrders(date, inputs);
    const before = lateByForecast(due, going);
    return {
      id: this.offers.keep({ date, planVersion: current.row.version, found, started: going.started }),
      planVersion: current.row.version,
      changes: found.changes,
      before,
      after: found.changes.length > 0 ? lateOrders(due, found.batches) : before,
      left: found.left,
    };
  }

  /**
   * Plans the day anew; what somebody works on finds another oven where its own is out of use.
   * @throws JokulError those of `PlanService.make`
   */
  planAgain(date: string, how: Omit<MakeHow, 'standing'> = {}): Promise<PlanView> {
    return this.plans.make(date, {
      ...how,
      standing: (inputs, signal) => this.day.standing(date, inputs, signal),
    });
  }

  /**
   * A load in another oven, or at another time, with what follows from it; nothing is changed.
   * @throws JokulError `no-plan`, `unknown-load`, `has-begun`, `past`, `unknown-oven`, `not-its-oven`, `no-bake`
   */
  async move(date: string, move: MoveInput): Promise<MoveView> {
    const current = await this.day.current(date);
    const { row, planned } = current;
    const inputs = await this.inputs.of(date);
    const started = await this.journal.loadedLoads(planned.map(({ batchId }) => batchId));
    const { loadId, batches, changes, faults, excusable } = await this.computation.move({
      ...(await this.day.question(date, current, inputs)),
      started,
      move: { ...move },
    });
    const due = dueOrders(date, inputs);
    const moved = batches.find(({ loads }) => loads.some(({ id }) => id === loadId));
    const found = { batches, changes, left: [] };
    const offer: Offer = {
      date,
      planVersion: row.version,
      found,
      started,
      ...(moved && { held: [...new Set([...(current.body.held ?? []), moved.batchId])] }),
      ...(moved &&
        faults.length > 0 && {
          breaks: {
            batchId: moved.batchId,
            says: `${loadId}: ${faults.map(({ message }) => message).join(' ')}`,
          },
        }),
      // A load that is moved says nothing of what changed besides.
      was: { unplaced: current.body.plan.unplaced, inputHash: row.inputHash },
    };
    return {
      id: excusable ? this.offers.keep(offer) : null,
      loadId,
      planVersion: row.version,
      changes,
      before: lateOrders(due, planned),
      after: lateOrders(due, batches),
      faults,
    };
  }

  /**
   * A plan from a file, with what it changes and breaks; nothing is changed.
   * @throws JokulError `no-plan`, `bad-plan-file`, `other-day`, those of `readPlan`
   */
  async read(date: string, file: unknown): Promise<ReadPlanView> {
    const given = readPlanFile(date, file);
    const current = await this.day.current(date);
    const { row, planned, formulas } = current;
    const inputs = await this.inputs.of(date);
    const { begun, started } = await this.day.forecast(planned, formulas, inputs);
    const { batches, changes, faults, excusable } = await this.computation.read({
      ...(await this.day.question(date, current, inputs)),
      begun,
      started,
      given,
    });
    const due = dueOrders(date, inputs);
    // Of all that the file moves one batch carries the note of why.
    const [first] = changes;
    const offer: Offer = {
      date,
      planVersion: row.version,
      found: { batches, changes, left: [] },
      started,
      ...(first &&
        faults.length > 0 && {
          breaks: {
            batchId: first.batchId,
            says: `Read from a file: ${faults.map(({ message }) => message).join(' ')}`,
          },
        }),
      was: { unplaced: current.body.plan.unplaced, inputHash: row.inputHash },
    };
    return {
      id: excusable ? this.offers.keep(offer) : null,
      planVersion: row.version,
      changes,
      before: lateOrders(due, planned),
      after: lateOrders(due, batches),
      faults,
    };
  }

  /** @throws JokulError `no-plan`, `unknown-batch` */
  async hold(date: string, { batchId, held }: HoldInput): Promise<PlanView> {
    const { row, body, planned } = await this.day.current(date);
    if (!planned.some((batch) => batch.batchId === batchId))
      throw new JokulError('unknown-batch', say`This batch is not in the plan any more.`, 'batchId');
    const others = (body.held ?? []).filter((id) => id !== batchId);
    return this.plans.change(date, row, planned, { held: held ? [...others, batchId] : others });
  }
}
