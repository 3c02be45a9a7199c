import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { DataSource } from 'typeorm';
import {
  bakeModelVersion,
  canonicalJson,
  suppose,
  type BatchPlan,
  type Formula,
  type Supposal,
} from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { ComputationService } from '../computation/computation.service.js';
import { FormulaService } from '../formula/formula.service.js';
import { LotsService } from '../lot/lots.service.js';
import { OrdersService } from '../orders/orders.service.js';
import { calibrationSetting } from '../settings/calibration-setting.js';
import { SettingsService } from '../settings/settings.service.js';
import { planFacts } from './plan-facts.js';
import type { StoredPlan } from './plan-rows.js';

export type PlanInputs = Awaited<ReturnType<PlanInputsService['of']>>;

/** What plans are made from: the bake list, the bakery, what is known of its ovens, and how its formulas bake. */
@Injectable()
export class PlanInputsService {
  constructor(
    private readonly db: DataSource,
    private readonly orders: OrdersService,
    private readonly formulas: FormulaService,
    private readonly settings: SettingsService,
    private readonly lots: LotsService,
    private readonly computation: ComputationService,
  ) {}

  /**
   * What a plan is made from.
   * @param supposal what is otherwise than it is
   * @throws JokulError of `suppose`
   */
  async of(date: string, supposal: Supposal = {}) {
    const [listed, latest, setUp, rules, { body: learned }] = await Promise.all([
      this.orders.list(date),
      this.formulas.latest(),
      this.settings.read('equipment'),
      this.settings.read('rules'),
      calibrationSetting(this.db.manager),
    ]);
    const { orders, equipment } = suppose<OrderView>(
      { orders: listed, equipment: setUp.body },
      supposal,
      (order, i) => ({ ...order, id: `supposed-${i + 1}`, version: 0 }),
    );
    const codes = new Set(orders.map((order) => order.productCode));
    const formulas = latest.filter((formula) => codes.has(formula.code));
    const hash = createHash('sha256')
      .update(
        canonicalJson({
          orders,
          formulas,
          ...planFacts(equipment, rules.body),
          // A plan that an older Jokul baked is old, though nothing of the bakery changed.
          bakeModel: bakeModelVersion,
        }),
      )
      .digest('hex');
    return {
      orders,
      formulas,
      equipment,
      rules: rules.body,
      calibration: learned.inForce,
      hash,
    };
  }

  /** The formulas that batches which have begun are made by: as pinned, else of the version in the plan. */
  async formulasOf(batches: readonly BatchPlan[], old: StoredPlan | null) {
    const pinned = await this.lots.records(batches.map(({ batchId }) => batchId));
    const madeBy = batches.map((batch) => ({
      batchId: batch.batchId,
      code: batch.productCode,
      version: old?.batchFormula[batch.batchId] ?? 1,
    }));
    const known = await this.formulas.versions(madeBy);
    const found: Record<string, Formula> = {};
    for (const { batchId, code, version } of madeBy) {
      const formula =
        pinned.get(batchId)?.formula ?? known.find((f) => f.code === code && f.version === version);
      if (formula) found[batchId] = formula;
    }
    return found;
  }

  /** The bakes of batches that are made by another formula than the latest of their product. */
  async bakesOfFixed(
    fixed: Readonly<Record<string, Formula>>,
    { formulas, equipment, rules, calibration }: PlanInputs,
  ) {
    const latest = new Map(formulas.map((formula) => [formula.code, canonicalJson(formula)]));
    const others = Object.entries(fixed).filter(
      ([, formula]) => latest.get(formula.code) !== canonicalJson(formula),
    );
    return Object.fromEntries(
      await Promise.all(
        others.map(
          async ([batchId, formula]) =>
            [batchId, await this.computation.bakesOf(formula, equipment, rules, calibration)] as const,
        ),
      ),
    );
  }

  async bakesOf({ formulas, equipment, rules, calibration }: PlanInputs) {
    return Object.fromEntries(
      await Promise.all(
        formulas.map(
          async (formula) =>
            [formula.code, await this.computation.bakesOf(formula, equipment, rules, calibration)] as const,
        ),
      ),
    );
  }
}
