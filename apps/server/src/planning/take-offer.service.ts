import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { inUse, JokulError, type BatchPlan, type Replanned, type Unplaced, say } from '@jokul/core';
import type { TakenView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { JournalService } from '../journal/journal.service.js';
import { CurrentDayService } from './current-day.service.js';
import { OffersOfDays, type Offer } from './offer.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import type { StoredPlan } from './plan-rows.js';
import { serverDevice } from '../lot/lot-pins.js';
import { PlanService } from './plan.service.js';

/** As long as a note of the log may be. */
const noteLength = 1000;

/** Pieces that no oven takes any more, as the plan says them. */
const unplacedOf = (left: Replanned['left'], planned: readonly BatchPlan[]): readonly Unplaced[] =>
  left.map(({ batchId, pieces }) => {
    const batch = planned.find((own) => batchId === own.batchId || batchId.startsWith(`${own.batchId}-L`));
    return {
      batchId: batch?.batchId ?? batchId,
      productCode: batch?.productCode ?? '',
      pieces,
      reason: say`No oven is free for it while its dough is good.`,
    };
  });

/** A way out that was looked at, taken. */
@Injectable()
export class TakeOfferService {
  constructor(
    private readonly offers: OffersOfDays,
    private readonly day: CurrentDayService,
    private readonly inputs: PlanInputsService,
    private readonly plans: PlanService,
    private readonly journal: JournalService,
    private readonly clock: ClockService,
  ) {}

  /**
   * Takes a way out that was looked at, if the floor did not go on otherwise meanwhile.
   * @param reason why a rule is broken, where one is
   * @throws JokulError `changed-meanwhile`, `no-plan`, `no-reason`
   */
  async take(date: string, id: string, reason = '', who = ''): Promise<TakenView> {
    const offer = this.offers.get(id);
    const { row, body, planned, formulas } = await this.day.current(date);
    const again = say`The floor went on meanwhile. Look again at what can be done.`;
    if (!offer || offer.date !== date || offer.planVersion !== row.version)
      throw new JokulError('changed-meanwhile', again, 'id');
    if (offer.breaks && reason.trim() === '')
      throw new JokulError(
        'no-reason',
        say`This breaks a rule of the floor: say why it is done all the same.`,
        'reason',
      );
    const inputs = await this.inputs.of(date);
    const { started } = await this.day.forecast(planned, formulas, inputs);
    const moved = new Set(offer.found.changes.map(({ loadId }) => loadId));
    if ([...started].some((load) => !offer.started.has(load) && moved.has(load)))
      throw new JokulError('changed-meanwhile', again, 'id');
    const { batches, left } = offer.found;
    const fits = this.fits(inputs, body, batches, started);
    const plan = await this.plans.change(date, row, batches, {
      unplaced: offer.was?.unplaced ?? [...body.plan.unplaced, ...unplacedOf(left, planned)],
      inputHash: offer.was?.inputHash ?? (fits ? inputs.hash : row.inputHash),
      ...(offer.held && { held: offer.held }),
    });
    this.offers.drop(id);
    if (offer.breaks) await this.noteException(offer.breaks, reason, who);
    const back: Offer = {
      date,
      planVersion: plan.version,
      found: { batches: planned, changes: offer.found.changes, left: [] },
      started,
      held: body.held ?? [],
      was: { unplaced: body.plan.unplaced, inputHash: row.inputHash },
    };
    return { plan, back: this.offers.keep(back) };
  }

  /** A rule that was broken knowingly is in the log of its batch, with why. */
  private async noteException(
    { batchId, says }: NonNullable<Offer['breaks']>,
    reason: string,
    who: string,
  ): Promise<void> {
    const text = `Planned against a rule of the floor. Why: ${reason.trim()}. ${says}`.slice(0, noteLength);
    const atMs = Math.round(await this.clock.nowMs());
    await this.journal.append([
      {
        id: randomUUID(),
        atMs,
        who: who || 'Somebody',
        device: serverDevice,
        lot: batchId,
        kind: 'note',
        payload: { text },
      },
    ]);
  }

  /** Whether batches are all that the bake list asks for, by the formulas of today and in ovens that are in use. */
  private fits(
    { orders, formulas, equipment }: PlanInputs,
    { batchFormula }: StoredPlan,
    batches: readonly BatchPlan[],
    started: ReadonlySet<string>,
  ): boolean {
    const inUseNow = new Set(inUse(equipment).ovens.map(({ id }) => id));
    const baked = (own: readonly BatchPlan[]) =>
      own
        .flatMap(({ loads }) => loads)
        .filter(({ id, ovenId }) => started.has(id) || inUseNow.has(ovenId))
        .flatMap(({ trays }) => trays)
        .reduce((sum, { pieces }) => sum + pieces, 0);
    return formulas.every(({ code, version }) => {
      const own = batches.filter((batch) => batch.productCode === code);
      const asked = orders
        .filter((order) => order.productCode === code)
        .reduce((sum, { pieces }) => sum + pieces, 0);
      return baked(own) >= asked && own.every(({ batchId }) => batchFormula[batchId] === version);
    });
  }
}
