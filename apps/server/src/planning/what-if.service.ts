import { Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import {
  canonicalJson,
  JokulError,
  lateOrders,
  suppose,
  type Equipment,
  type Supposal,
  say,
} from '@jokul/core';
import type {
  EquipmentInput,
  OrderView,
  PlanView,
  TakenView,
  WhatIfInput,
  WhatIfSide,
  WhatIfView,
} from '@jokul/contracts';
import { OrdersService } from '../orders/orders.service.js';
import type { PlanEntity } from '../database/entities.js';
import { EquipmentService } from '../bakery/equipment.service.js';
import { SettingsService } from '../settings/settings.service.js';
import { JournalReader } from '../journal/journal-reader.js';
import { Together } from '../common/together.js';
import { busyWork } from './busy-work.js';
import { Offers } from './offers.js';
import { PlanRows, type StoredPlan } from './plan-rows.js';
import { CurrentDayService, dueOrders } from './current-day.service.js';
import { PlanBodyService } from './plan-body.service.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanService } from './plan.service.js';
import { ReplanService } from './replan.service.js';

/** Something that was supposed, with what it was supposed of. */
interface Offer {
  readonly date: string;
  readonly supposal: Supposal;
  readonly equipmentVersion: number;
  readonly planVersion: number;
}

/** What was taken, with what it takes to go back. */
interface WayBack {
  readonly date: string;
  readonly added: readonly OrderView[];
  readonly equipment: { readonly before: Equipment; readonly version: number } | null;
  readonly plan: { readonly version: number; readonly before: StoredPlan; readonly inputHash: string } | null;
}

const meanwhile = () =>
  new JokulError(
    'changed-meanwhile',
    say`The bakery or its plan changed meanwhile. Ask again what would be.`,
    'id',
  );

/** A copy of a day in which something is otherwise, planned and laid beside the real one; taken or dropped. */
@Injectable()
export class WhatIfService {
  private readonly offers = new Offers<Offer>();
  private readonly waysBack = new Offers<WayBack>();
  /** Several who suppose the same of the same day, with the same on record, get one answer. */
  private readonly supposing = new Together<WhatIfView>();

  constructor(
    private readonly inputs: PlanInputsService,
    private readonly bodies: PlanBodyService,
    private readonly day: CurrentDayService,
    private readonly plans: PlanService,
    private readonly replans: ReplanService,
    private readonly rows: PlanRows,
    private readonly orders: OrdersService,
    private readonly equipment: EquipmentService,
    private readonly settings: SettingsService,
    private readonly journal: JournalReader,
  ) {}

  /**
   * How the day would go; nothing is changed.
   * @throws JokulError `nothing-supposed`, `nothing-to-bake`, those of `suppose`, and those of the solver
   */
  async ask(date: string, supposal: WhatIfInput, signal?: AbortSignal): Promise<WhatIfView> {
    if (Object.values(supposal).every((list) => !Array.isArray(list) || list.length === 0))
      throw new JokulError('nothing-supposed', say`Say first what would be otherwise.`, '');
    // Looked at first: what is read after it is at least as new, so nobody shares an older answer.
    const { seq } = await this.journal.head();
    const [real, supposed, row, { version: equipmentVersion }] = await Promise.all([
      this.inputs.of(date),
      this.inputs.of(date, supposal),
      this.rows.stored(date),
      this.settings.read('equipment'),
    ]);
    if (supposed.orders.length === 0)
      throw new JokulError(
        'nothing-to-bake',
        say`The bake list of this day is empty: suppose an order.`,
        'orders',
      );
    for (const [i, { productCode }] of (supposal.orders ?? []).entries())
      if (!supposed.formulas.some(({ code }) => code === productCode))
        throw new JokulError(
          'unknown-formula',
          say`There is no formula "${productCode}".`,
          `orders.${i}.productCode`,
        );
    const planVersion = row?.version ?? 0;
    return this.supposing.ask(
      canonicalJson({
        date,
        supposal,
        real: real.hash,
        supposed: supposed.hash,
        equipmentVersion,
        planVersion,
        seq,
      }),
      async (all) => {
        const found = await this.beside(date, real, supposed, row, all);
        return { id: this.offers.keep({ date, supposal, equipmentVersion, planVersion }), ...found };
      },
      signal,
    );
  }

  /** The day as it stands, and as it would be. */
  private async beside(
    date: string,
    real: PlanInputs,
    supposed: PlanInputs,
    row: PlanEntity | null,
    signal: AbortSignal,
  ): Promise<Omit<WhatIfView, 'id'>> {
    const stands = row && row.inputHash === real.hash ? (row.body as StoredPlan) : null;
    const [anew, after] = await Promise.all([
      this.planned(date, real, signal),
      this.planned(date, supposed, signal),
    ]);
    const again = this.side(date, real, anew);
    return {
      before: stands ? this.side(date, real, stands) : again,
      after: this.side(date, supposed, after),
      again: { undonePieces: again.undonePieces, cost: again.cost },
      ovens: supposed.equipment.ovens.map(({ id, name }) => ({ id, name })),
    };
  }

  /** The plan that would be made; null where the list is empty. */
  private async planned(date: string, inputs: PlanInputs, signal?: AbortSignal): Promise<StoredPlan | null> {
    if (inputs.orders.length === 0) return null;
    const row = await this.rows.stored(date);
    const old = row ? (row.body as StoredPlan) : null;
    const kept = row ? await this.day.standing(date, inputs, signal) : [];
    const { body } = await this.bodies.of(date, inputs, row, kept, {
      keep: false,
      supposed: true,
      chance: old?.quality?.wanted ?? undefined,
      signal,
    });
    return body;
  }

  private side(date: string, inputs: PlanInputs, body: StoredPlan | null): WhatIfSide {
    const batches = body?.plan.batches ?? [];
    const late = lateOrders(dueOrders(date, inputs), batches);
    return {
      orderedPieces: inputs.orders.reduce((sum, { pieces }) => sum + pieces, 0),
      undonePieces: late.reduce((sum, { latePieces }) => sum + latePieces, 0),
      late,
      unplaced: body?.plan.unplaced ?? [],
      violations: body?.violations ?? [],
      cost: body?.quality?.cost.minutes ?? null,
      loads: batches.reduce((sum, { loads }) => sum + loads.length, 0),
      work: busyWork({ date, batches }, Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY),
    };
  }

  /**
   * Makes it so: the orders go on the list, the rest into Setup, and the day is planned by it.
   * @throws JokulError `changed-meanwhile`, and those of the list, of Setup and of planning; then nothing is changed
   */
  async take(date: string, id: string, who: string): Promise<TakenView> {
    const offer = this.offers.get(id);
    const row = await this.rows.stored(date);
    const { body: before, version } = await this.settings.read('equipment');
    if (
      !offer ||
      offer.date !== date ||
      offer.equipmentVersion !== version ||
      offer.planVersion !== (row?.version ?? 0)
    )
      throw meanwhile();
    const { orders = [], ...setUp } = offer.supposal;
    const lines = orders.map((order) => ({ ...order, id: randomUUID() }));
    const added = lines.length > 0 ? (await this.orders.addMany(date, lines)).added : [];
    let equipment: WayBack['equipment'] = null;
    try {
      if (added.length < lines.length)
        throw new JokulError(
          'same-line',
          say`One of these orders is on the list already: change that line instead.`,
          'orders',
        );
      if (Object.values(setUp).some((list) => Array.isArray(list) && list.length > 0)) {
        const supposed = suppose({ equipment: before, orders: [] }, setUp, () => {
          throw new Error('no orders here');
        });
        await this.write(supposed.equipment, version, who);
        equipment = { before, version: version + 1 };
      }
      const plan = await this.replans.planAgain(date);
      this.offers.drop(id);
      const was = row && { version: plan.version, before: row.body as StoredPlan, inputHash: row.inputHash };
      return { plan, back: this.waysBack.keep({ date, added, equipment, plan: was }) };
    } catch (error) {
      await this.takeOff({ added, equipment }, who);
      throw error;
    }
  }

  private write(equipment: Equipment, version: number, who: string): Promise<void> {
    return this.equipment.write({ ...(equipment as Omit<EquipmentInput, 'version'>), version }, who);
  }

  /** The list and Setup as they were before. @throws JokulError `changed-meanwhile` when somebody changed Setup since */
  private async takeOff(
    { added, equipment }: Pick<WayBack, 'added' | 'equipment'>,
    who: string,
  ): Promise<void> {
    if (equipment) {
      const { before, version } = equipment;
      const { body: now } = await this.settings.read('equipment');
      const there = new Set(before.ovens.map((oven) => oven.id));
      // An oven that came with it stays for what may have been recorded of it.
      const came = now.ovens
        .filter((oven) => !there.has(oven.id))
        .map((oven) => ({ ...oven, retired: true }));
      await this.write({ ...before, ovens: [...before.ovens, ...came] }, version, who);
    }
    for (const line of added) await this.orders.remove(line.id, line.version);
  }

  /**
   * Takes back what was taken, while nobody went on from it. A plan that was only made for it stays where nothing is left to
   * plan, and says that the list changed.
   * @throws JokulError `changed-meanwhile`
   */
  async undo(date: string, id: string, who: string): Promise<PlanView | null> {
    const back = this.waysBack.get(id);
    const row = await this.rows.stored(date);
    if (!back || back.date !== date || (back.plan && back.plan.version !== row?.version)) throw meanwhile();
    await this.takeOff(back, who);
    this.waysBack.drop(id);
    if (back.plan && row) {
      const { plan, held = [] } = back.plan.before;
      return this.plans.change(date, row, plan.batches, {
        unplaced: plan.unplaced,
        inputHash: back.plan.inputHash,
        held,
      });
    }
    const { orders } = await this.inputs.of(date);
    return orders.length > 0 ? this.replans.planAgain(date) : this.plans.view(date);
  }
}
