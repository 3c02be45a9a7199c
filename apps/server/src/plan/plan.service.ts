import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { DataSource } from 'typeorm';
import { canonicalJson, JokulError, type Formula } from '@jokul/core';
import type { PlanView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { PlanEntity } from '../database/entities.js';
import { FormulaService } from '../formula/formula.service.js';
import { JournalService } from '../journal/journal.service.js';
import { OrdersService } from '../orders/orders.service.js';
import { OwnIngredientsService } from '../setup/own-ingredients.service.js';
import { SettingsService, touch } from '../setup/settings.service.js';
import { ComputationService } from './computation.service.js';
import type { PlanBody } from './plan.worker.js';

type StoredPlan = PlanBody & { readonly madeAtMs: number };

@Injectable()
export class PlanService {
  constructor(
    private readonly db: DataSource,
    private readonly orders: OrdersService,
    private readonly formulas: FormulaService,
    private readonly own: OwnIngredientsService,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
    private readonly journal: JournalService,
    private readonly computation: ComputationService,
  ) {}

  /** What a plan is made from. */
  private async inputs(date: string) {
    const [orders, latest, equipment, rules] = await Promise.all([
      this.orders.list(date),
      this.formulas.latest(),
      this.settings.read('equipment'),
      this.settings.read('rules'),
    ]);
    const codes = new Set(orders.map((order) => order.productCode));
    const formulas = latest.filter((formula) => codes.has(formula.code));
    const own = await this.own.usedBy(formulas);
    const hash = createHash('sha256')
      .update(
        canonicalJson({
          orders,
          formulas,
          equipment: equipment.body,
          rules: rules.body,
          ...(own.length > 0 && { own }),
        }),
      )
      .digest('hex');
    return { orders, formulas, equipment: equipment.body, rules: rules.body, hash };
  }

  private stored(date: string): Promise<PlanEntity | null> {
    return this.db.manager.findOneBy(PlanEntity, { date });
  }

  /** The plan of a day, or null when none was made yet. */
  async view(date: string): Promise<PlanView | null> {
    const row = await this.stored(date);
    if (!row) return null;
    const { hash } = await this.inputs(date);
    return { date, version: row.version, stale: row.inputHash !== hash, ...(row.body as StoredPlan) };
  }

  /**
   * Plans the day anew. Batches that have begun stay as they were planned; the rest is placed around them, not
   * before now.
   * @param nowMs the moment to plan from; the bakery's clock when left out
   * @throws JokulError `nothing-to-bake`, and those of the solver
   */
  async make(date: string, nowMs?: number, signal?: AbortSignal): Promise<PlanView> {
    const { orders, formulas, equipment, rules, hash } = await this.inputs(date);
    if (orders.length === 0)
      throw new JokulError(
        'nothing-to-bake',
        'The bake list of this day is empty: add what is to be baked first.',
        'orders',
      );
    const before = await this.stored(date);
    const old = before ? (before.body as StoredPlan) : null;
    const begun = await this.journal.begun((old?.plan.batches ?? []).map((batch) => batch.batchId));
    const fixed = (old?.plan.batches ?? []).filter((batch) => begun.has(batch.batchId));
    const madeBy = fixed.map((batch) => ({
      batchId: batch.batchId,
      code: batch.productCode,
      version: old?.batchFormula[batch.batchId] ?? 1,
    }));
    const oldFormulas = await this.formulas.versions(madeBy);
    const fixedFormulas: Record<string, Formula> = {};
    for (const { batchId, code, version } of madeBy) {
      const formula = oldFormulas.find((f) => f.code === code && f.version === version);
      if (formula) fixedFormulas[batchId] = formula;
    }
    const madeAtMs = nowMs ?? (await this.clock.nowMs());
    const bakes = Object.fromEntries(
      await Promise.all(
        formulas.map(
          async (formula) =>
            [formula.code, await this.computation.bakesOf(formula, equipment, rules)] as const,
        ),
      ),
    );
    const body = await this.computation.plan(
      {
        input: {
          date,
          nowS: madeAtMs / 1000,
          orders,
          formulas: new Map(formulas.map((f) => [f.code, f])),
          equipment,
          rules,
          fixed,
        },
        bakes,
        fixedFormulas,
      },
      signal,
    );
    await this.db.transaction(async (manager) => {
      const now = await manager.findOne(PlanEntity, { where: { date }, lock: { mode: 'pessimistic_write' } });
      if ((now?.version ?? 0) !== (before?.version ?? 0)) {
        throw new JokulError(
          'changed-meanwhile',
          'Somebody else planned this day meanwhile. Look at their plan, then plan again.',
          'version',
        );
      }
      await manager.save(PlanEntity, {
        date,
        version: (before?.version ?? 0) + 1,
        body: { ...body, madeAtMs },
        inputHash: hash,
      });
      await touch(manager);
    });
    return { date, version: (before?.version ?? 0) + 1, stale: false, madeAtMs, ...body };
  }
}
