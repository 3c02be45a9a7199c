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
  type Unplaced,
} from '@jokul/core';
import type {
  HoldInput,
  MoveInput,
  MoveView,
  PlanView,
  ReadPlanView,
  ReplanView,
  TakenView,
} from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { JournalService } from '../journal/journal.service.js';
import { ComputationService } from '../computation/computation.service.js';
import { Offers } from './offers.js';
import { readPlanFile } from './plan-file.js';
import { PlanRows, type StoredPlan } from './plan-rows.js';
import { PlanService, type PlanInputs } from './plan.service.js';

/** A way out that somebody looks at. */
interface Offer {
  readonly date: string;
  readonly planVersion: number;
  readonly found: Replanned;
  readonly started: ReadonlySet<string>;
  /** What is held with it; as before where left out. */
  readonly held?: readonly string[];
  /** Rules of the floor that it breaks, and for which load: whoever takes it says why. */
  readonly breaks?: { readonly batchId: string; readonly says: string };
  /** What is not baked, and the hash of what the plan fits, where a way back brings them; else they follow from it. */
  readonly was?: { readonly unplaced: readonly Unplaced[]; readonly inputHash: string };
}

/** As long as a note of the log may be. */
const noteLength = 1000;

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

type MakeHow = NonNullable<Parameters<PlanService['make']>[1]>;
type Current = Awaited<ReturnType<ReplanService['current']>>;

/** Pieces that no oven takes any more, as the plan says them. */
const unplacedOf = (left: Replanned['left'], planned: readonly BatchPlan[]): readonly Unplaced[] =>
  left.map(({ batchId, pieces }) => {
    const batch = planned.find((own) => batchId === own.batchId || batchId.startsWith(`${own.batchId}-L`));
    return {
      batchId: batch?.batchId ?? batchId,
      productCode: batch?.productCode ?? '',
      pieces,
      reason: 'No oven is free for it while its dough is good.',
    };
  });

/** When the day slips: how it goes on, and a way out with few changes that is looked at before it is taken. */
@Injectable()
export class ReplanService {
  private readonly offers = new Offers<Offer>();

  constructor(
    private readonly plans: PlanService,
    private readonly rows: PlanRows,
    private readonly journal: JournalService,
    private readonly clock: ClockService,
    private readonly computation: ComputationService,
  ) {}

  private async current(date: string) {
    const row = await this.rows.stored(date);
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

  /** Everything that a changed plan is computed and judged by; its batches as they are given. */
  private async question(date: string, { planned, formulas }: Current, inputs: PlanInputs) {
    const { equipment, rules, orders } = inputs;
    const nowMs = await this.clock.nowMs();
    // Batches that have begun stay on what was retired since; nothing new is baked in an oven that was.
    const text = JSON.stringify(planned);
    const kept = { ...inUse(equipment, (id) => text.includes(`"${id}"`)), ovens: inUse(equipment).ovens };
    const [bakes, fixedBakes, taken] = await Promise.all([
      this.plans.bakesOf(inputs),
      this.plans.bakesOfFixed(formulas, inputs),
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
   * A way out of a day that slipped; nothing is changed.
   * @throws JokulError `no-plan`
   */
  async offer(date: string, signal?: AbortSignal): Promise<ReplanView> {
    const current = await this.current(date);
    const inputs = await this.plans.inputs(date);
    const { found, going } = await this.wayOut(date, current, inputs, signal);
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
   * How the planned batches go on in these ovens, and as few changes as serve everybody best.
   * @param held batches that stay where they are, but for loads that have no oven
   */
  private async wayOut(
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
   * Plans the day anew; what somebody works on finds another oven where its own is out of use.
   * @throws JokulError those of `PlanService.make`
   */
  planAgain(date: string, how: Omit<MakeHow, 'standing'> = {}): Promise<PlanView> {
    return this.plans.make(date, {
      ...how,
      standing: (inputs, signal) => this.standing(date, inputs, signal),
    });
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

  /**
   * A load in another oven, or at another time, with what follows from it; nothing is changed.
   * @throws JokulError `no-plan`, `unknown-load`, `has-begun`, `past`, `unknown-oven`, `no-bake`
   */
  async move(date: string, move: MoveInput): Promise<MoveView> {
    const current = await this.current(date);
    const { row, planned } = current;
    const inputs = await this.plans.inputs(date);
    const started = await this.journal.loadedLoads(planned.map(({ batchId }) => batchId));
    const { loadId, batches, changes, faults, excusable } = await this.computation.move({
      ...(await this.question(date, current, inputs)),
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
    const current = await this.current(date);
    const { row, planned, formulas } = current;
    const inputs = await this.plans.inputs(date);
    const { begun, started } = await this.forecast(planned, formulas, inputs);
    const { batches, changes, faults, excusable } = await this.computation.read({
      ...(await this.question(date, current, inputs)),
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
    const { row, body, planned } = await this.current(date);
    if (!planned.some((batch) => batch.batchId === batchId))
      throw new JokulError('unknown-batch', 'This batch is not in the plan any more.', 'batchId');
    const others = (body.held ?? []).filter((id) => id !== batchId);
    return this.plans.change(date, row, planned, { held: held ? [...others, batchId] : others });
  }

  /**
   * Takes a way out that was looked at, if the floor did not go on otherwise meanwhile.
   * @param reason why a rule is broken, where one is
   * @throws JokulError `changed-meanwhile`, `no-plan`, `no-reason`
   */
  async take(date: string, id: string, reason = '', who = ''): Promise<TakenView> {
    const offer = this.offers.get(id);
    const { row, body, planned, formulas } = await this.current(date);
    const again = 'The floor went on meanwhile. Look again at what can be done.';
    if (!offer || offer.date !== date || offer.planVersion !== row.version)
      throw new JokulError('changed-meanwhile', again, 'id');
    if (offer.breaks && reason.trim() === '')
      throw new JokulError(
        'no-reason',
        'This breaks a rule of the floor: say why it is done all the same.',
        'reason',
      );
    const inputs = await this.plans.inputs(date);
    const { started } = await this.forecast(planned, formulas, inputs);
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
        device: 'server',
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
