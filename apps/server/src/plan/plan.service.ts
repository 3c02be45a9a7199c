import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { Between, DataSource } from 'typeorm';
import {
  bakeModelVersion,
  canonicalJson,
  inUse,
  JokulError,
  lotsNeeded,
  retime,
  shiftDate,
  type BatchPlan,
  type Calibration,
  type Formula,
  type Unplaced,
} from '@jokul/core';
import type { PlanView } from '@jokul/contracts';
import { calibrationSetting } from '../calibration/calibration-setting.js';
import { ClockService } from '../clock/clock.service.js';
import { Together } from '../common/together.js';
import { PlanEntity } from '../database/entities.js';
import { FormulaService } from '../formula/formula.service.js';
import { LotsService } from '../lots/lots.service.js';
import { JournalService } from '../journal/journal.service.js';
import { OrdersService } from '../orders/orders.service.js';
import { OwnIngredientsService } from '../setup/own-ingredients.service.js';
import { SettingsService, changeRows } from '../setup/settings.service.js';
import { ComputationService } from './computation.service.js';
import type { PlanBody } from './plan.worker.js';

export type StoredPlan = PlanBody & {
  readonly madeAtMs: number;
  /** When what is known of the ovens was learned; null for the untouched model. */
  readonly calibratedAtMs?: number | null;
  readonly moves?: PlanView['moves'];
  /** Batches that stay where they are, though nobody began them; none in plans of before this was known. */
  readonly held?: readonly string[];
};

/** Dough is mixed and rests up to so many days before it is baked. */
const daysAround = 5;

export type PlanInputs = Awaited<ReturnType<PlanService['inputs']>>;

@Injectable()
export class PlanService {
  /** Thirty screens that ask for the plan of one list at once get one plan. */
  private readonly making = new Together<PlanView>();

  constructor(
    private readonly db: DataSource,
    private readonly orders: OrdersService,
    private readonly formulas: FormulaService,
    private readonly own: OwnIngredientsService,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
    private readonly journal: JournalService,
    private readonly lots: LotsService,
    private readonly computation: ComputationService,
  ) {}

  /** What a plan is made from. */
  async inputs(date: string) {
    const [orders, latest, equipment, rules, { body: learned }] = await Promise.all([
      this.orders.list(date),
      this.formulas.latest(),
      this.settings.read('equipment'),
      this.settings.read('rules'),
      calibrationSetting(this.db.manager),
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
          // A plan that an older Jokul baked is old, though nothing of the bakery changed.
          bakeModel: bakeModelVersion,
          ...(own.length > 0 && { own }),
        }),
      )
      .digest('hex');
    return {
      orders,
      formulas,
      equipment: equipment.body,
      rules: rules.body,
      calibration: learned.inForce,
      hash,
    };
  }

  stored(date: string): Promise<PlanEntity | null> {
    return this.db.manager.findOneBy(PlanEntity, { date });
  }

  /** The version of a day's plan, 0 when none was made yet. */
  async version(date: string): Promise<number> {
    const row = await this.db.manager.findOne(PlanEntity, {
      where: { date },
      select: { date: true, version: true },
    });
    return row?.version ?? 0;
  }

  /** The plan of a day, or null when none was made yet. */
  async view(date: string): Promise<PlanView | null> {
    const row = await this.stored(date);
    if (!row) return null;
    const { hash, calibration } = await this.inputs(date);
    return this.toView(row, row.inputHash !== hash, calibration);
  }

  private toView(row: PlanEntity, stale: boolean, calibration: Calibration | null): PlanView {
    const { calibratedAtMs = null, moves = [], held = [], ...body } = row.body as StoredPlan;
    const { date, version } = row;
    return {
      date,
      version,
      stale,
      retimeDue: calibratedAtMs !== (calibration?.atMs ?? null),
      moves,
      held,
      ...body,
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

  /** What the plans of the days around hold from now on: the same oven, mixer and pair of hands is promised once. */
  async takenByOthers(date: string, nowMs: number): Promise<readonly BatchPlan[]> {
    const rows = await this.db.manager.findBy(PlanEntity, {
      date: Between(shiftDate(date, -daysAround), shiftDate(date, daysAround)),
    });
    return rows
      .filter((row) => row.date !== date)
      .flatMap((row) => (row.body as StoredPlan).plan.batches)
      .filter(({ tasks }) => tasks.some(({ endS }) => endS * 1000 > nowMs));
  }

  /** Writes a plan, if nobody else wrote one since `before`. @throws JokulError `changed-meanwhile` */
  private async save(
    date: string,
    before: PlanEntity | null,
    body: StoredPlan,
    inputHash: string,
  ): Promise<PlanEntity> {
    return changeRows(this.db, async (manager) => {
      const now = await manager.findOne(PlanEntity, { where: { date } });
      if ((now?.version ?? 0) !== (before?.version ?? 0)) {
        throw new JokulError(
          'changed-meanwhile',
          'Somebody else planned this day meanwhile. Look at their plan, then plan again.',
          'version',
        );
      }
      const row = await manager.save(PlanEntity, {
        date,
        version: (before?.version ?? 0) + 1,
        body,
        inputHash,
      });
      return row;
    });
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

  /**
   * Plans the day anew. Batches that have begun stay where they are, their loads with the pulls of today; the rest is
   * placed around them, not before now.
   * @param how the moment to plan from, the bakery's clock when left out; how sure each ready-by shall be, as before when
   * left out
   * @throws JokulError `nothing-to-bake`, and those of the solver
   */
  async make(
    date: string,
    how: {
      readonly nowMs?: number;
      readonly chance?: number | undefined;
      readonly tries?: number;
      readonly signal?: AbortSignal;
    } = {},
  ): Promise<PlanView> {
    const inputs = await this.inputs(date);
    if (inputs.orders.length === 0)
      throw new JokulError(
        'nothing-to-bake',
        'The bake list of this day is empty: add what is to be baked first.',
        'orders',
      );
    const before = await this.stored(date);
    const old = before ? (before.body as StoredPlan) : null;
    const chance = (how.chance ?? old?.quality?.wanted) || undefined;
    const { signal, ...rest } = how;
    const asked = canonicalJson({
      ...rest,
      date,
      chance: chance ?? 0,
      hash: inputs.hash,
      version: before?.version ?? 0,
    });
    return this.making.ask(
      asked,
      async (all) => {
        const begun = await this.lots.begun((old?.plan.batches ?? []).map((batch) => batch.batchId));
        const held = new Set(old?.held);
        const fixed = (old?.plan.batches ?? []).filter(
          ({ batchId }) => begun.has(batchId) || held.has(batchId),
        );
        return this.compute(date, inputs, before, fixed, { ...rest, keep: false, chance, signal: all });
      },
      signal,
    );
  }

  /**
   * Puts the pulls right by what is in force of the ovens, and lets loads wait for dough that is not ready: every
   * batch keeps its oven and its turn.
   * @throws JokulError `no-plan`
   */
  async retime(date: string, notBefore: Readonly<Record<string, number>> = {}): Promise<PlanView> {
    const before = await this.stored(date);
    if (!before) throw new JokulError('no-plan', 'This day is not planned yet.', 'date');
    const inputs = await this.inputs(date);
    const { batches } = (before.body as StoredPlan).plan;
    const chance = (before.body as StoredPlan).quality?.wanted ?? undefined;
    return this.compute(date, inputs, before, batches, { keep: true, notBefore, chance });
  }

  /**
   * Stores batches that were planned otherwise, with all that the screens show of them.
   * @param how what is not baked, the hash of what the plan fits, and what is held; each as before where left out
   */
  async change(
    date: string,
    before: PlanEntity,
    batches: readonly BatchPlan[],
    how: {
      readonly unplaced?: readonly Unplaced[];
      readonly inputHash?: string;
      readonly held?: readonly string[];
    },
  ): Promise<PlanView> {
    const chance = (before.body as StoredPlan).quality?.wanted ?? undefined;
    return this.compute(date, await this.inputs(date), before, batches, { keep: true, chance, ...how });
  }

  private async compute(
    date: string,
    inputs: PlanInputs,
    before: PlanEntity | null,
    kept: readonly BatchPlan[],
    how: {
      keep: boolean;
      nowMs?: number | undefined;
      chance?: number | undefined;
      tries?: number | undefined;
      signal?: AbortSignal | undefined;
      notBefore?: Readonly<Record<string, number>>;
      unplaced?: readonly Unplaced[];
      inputHash?: string;
      held?: readonly string[];
    },
  ): Promise<PlanView> {
    const { orders, formulas, rules, calibration, hash } = inputs;
    // Batches that have begun stay where they are, on what was retired since too.
    const begun = JSON.stringify(kept);
    const equipment = inUse(inputs.equipment, (id) => begun.includes(`"${id}`));
    const old = before ? (before.body as StoredPlan) : null;
    const fixedFormulas = await this.formulasOf(kept, old);
    const nowMs = how.nowMs ?? (await this.clock.nowMs());
    const [bakes, fixedBakes, started] = await Promise.all([
      this.bakesOf(inputs),
      this.bakesOfFixed(fixedFormulas, inputs),
      this.journal.loadedLoads(kept.map(({ batchId }) => batchId)),
    ]);
    const { batches: fixed, moves } = retime({
      batches: kept,
      pullOf: (load, batch) =>
        (fixedBakes[batch.batchId] ?? bakes[batch.productCode])?.[load.ovenId]?.pull?.value ?? null,
      started,
      notBeforeS: new Map(Object.entries(how.notBefore ?? {})),
      ovens: equipment.ovens,
      loadGapS: rules.loadGapS,
    });
    const input = {
      date,
      nowS: nowMs / 1000,
      orders,
      formulas: new Map(formulas.map((f) => [f.code, f])),
      equipment,
      rules,
      fixed,
      taken: await this.takenByOthers(date, nowMs),
    };
    const lotIds = how.keep
      ? {}
      : await this.lots.namesFor(
          date,
          lotsNeeded(input),
          (old?.plan.batches ?? []).filter(({ batchId }) => !fixed.some((f) => f.batchId === batchId)),
        );
    const body = await this.computation.plan(
      {
        input: { ...input, lotIds },
        bakes,
        fixedBakes,
        fixedFormulas,
        keep: how.keep,
        ...(how.chance !== undefined && { chance: how.chance }),
        ...(how.tries !== undefined && { tries: how.tries }),
      },
      how.signal,
    );
    const stored: StoredPlan = {
      ...body,
      ...(how.keep &&
        old && {
          plan: {
            ...old.plan,
            batches: body.plan.batches,
            unplaced: how.unplaced ?? old.plan.unplaced,
          },
        }),
      madeAtMs: how.keep && old ? old.madeAtMs : nowMs,
      calibratedAtMs: calibration?.atMs ?? null,
      moves,
      held: (how.held ?? old?.held ?? []).filter((id) =>
        body.plan.batches.some(({ batchId }) => batchId === id),
      ),
    };
    const fits = how.inputHash ?? (how.keep && before ? before.inputHash : hash);
    const row = await this.save(date, before, stored, fits);
    return this.toView(row, row.inputHash !== hash, calibration);
  }
}
