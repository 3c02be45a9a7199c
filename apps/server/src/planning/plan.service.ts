import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { DataSource } from 'typeorm';
import {
  atWallClock,
  bakeModelVersion,
  canonicalJson,
  inUse,
  JokulError,
  dayHorizon,
  lotsNeeded,
  retime,
  suppose,
  wallClock,
  type BatchPlan,
  type Calibration,
  type DayInput,
  type Formula,
  type LotsNeeded,
  type Plan,
  type PlanQuality,
  type Supposal,
  type Unplaced,
} from '@jokul/core';
import type { OrderView, PlanView } from '@jokul/contracts';
import { calibrationSetting } from '../settings/calibration-setting.js';
import { ClockService } from '../clock/clock.service.js';
import { Together } from '../common/together.js';
import { PlanEntity } from '../database/entities.js';
import { FormulaService } from '../formula/formula.service.js';
import { LotsService } from '../lot/lots.service.js';
import { JournalService } from '../journal/journal.service.js';
import { OrdersService } from '../orders/orders.service.js';
import { SettingsService } from '../settings/settings.service.js';
import { ComputationService } from '../computation/computation.service.js';
import { PlanRows, type ComputedPlan, type Promised, type StoredPlan } from './plan-rows.js';
import { predictionsOf, type ProductBakes } from '../computation/predictions.js';
import { SpreadsService } from './spreads.service.js';
import { StockService } from './stock.service.js';

/** How a plan is computed. */
export interface ComputeHow {
  /** Every batch stays where it is. */
  readonly keep: boolean;
  readonly nowMs?: number | undefined;
  readonly chance?: number | undefined;
  readonly tries?: number | undefined;
  readonly signal?: AbortSignal | undefined;
  readonly notBefore?: Readonly<Record<string, number>>;
  readonly unplaced?: readonly Unplaced[];
  readonly inputHash?: string;
  readonly held?: readonly string[];
  readonly leave?: readonly string[];
  /** It is only looked at: its lots take no names that are handed out. */
  readonly supposed?: boolean;
  /** What other days hold, where their plans change with this one; as they are written when left out. */
  readonly taken?: readonly BatchPlan[];
  /** The batches were just planned together with other days, this well; `unplaced` is what found no room. */
  readonly anew?: {
    readonly quality: PlanQuality;
    readonly standing: readonly BatchPlan[];
    readonly promised: Promised;
  };
}

/** Names of lots that nobody will mix: no number is used up by looking. */
const supposedNames = (needed: readonly LotsNeeded[]): Record<string, readonly string[]> => {
  const names: Record<string, string[]> = {};
  for (const { productCode, count } of needed) {
    const own = (names[productCode] ??= []);
    for (let i = 0; i < count; i++) own.push(`${productCode}-if-${own.length + 1}`);
  }
  return names;
};

export type PlanInputs = Awaited<ReturnType<PlanService['inputs']>>;

/** The plan as it stands with its batches retimed; what has no place stays as it was said, unless days were planned anew. */
const keptPlan = (body: Plan, old: Plan | undefined, { anew, unplaced }: ComputeHow): Plan => ({
  ...(old ?? body),
  batches: body.batches,
  unplaced: anew ? [...body.unplaced, ...(unplaced ?? [])] : (unplaced ?? old?.unplaced ?? body.unplaced),
});

@Injectable()
export class PlanService {
  /** Thirty screens that ask for the plan of one list at once get one plan. */
  private readonly making = new Together<PlanView>();

  constructor(
    private readonly db: DataSource,
    private readonly orders: OrdersService,
    private readonly formulas: FormulaService,
    private readonly settings: SettingsService,
    private readonly clock: ClockService,
    private readonly journal: JournalService,
    private readonly lots: LotsService,
    private readonly rows: PlanRows,
    private readonly stock: StockService,
    private readonly spreads: SpreadsService,
    private readonly computation: ComputationService,
  ) {}

  /**
   * What a plan is made from.
   * @param supposal what is otherwise than it is
   * @throws JokulError of `suppose`
   */
  async inputs(date: string, supposal: Supposal = {}) {
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
          equipment,
          rules: rules.body,
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

  /** The plan of a day, or null when none was made yet. */
  async view(date: string): Promise<PlanView | null> {
    const row = await this.rows.stored(date);
    if (!row) return null;
    const { hash, calibration } = await this.inputs(date);
    return this.toView(row, row.inputHash !== hash, calibration);
  }

  private toView(row: PlanEntity, stale: boolean, calibration: Calibration | null): PlanView {
    const { calibratedAtMs = null, moves = [], held = [], leave = [], ...body } = row.body as StoredPlan;
    const { date, version } = row;
    return {
      date,
      version,
      stale,
      retimeDue: calibratedAtMs !== (calibration?.atMs ?? null),
      moves,
      held,
      leave,
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
      /** Lots in the cold that are kept for something else; as before when left out. */
      readonly leave?: readonly string[] | undefined;
      /** What stays; all that somebody works on or holds, as it is planned, when left out. */
      readonly standing?: (inputs: PlanInputs, signal: AbortSignal) => Promise<readonly BatchPlan[]>;
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
    const nowMs = how.nowMs ?? (await this.clock.nowMs());
    const { timeZone } = inputs.rules;
    if (inputs.orders.every(({ readyBy }) => atWallClock(date, readyBy, timeZone) * 1000 <= nowMs))
      throw new JokulError(
        'day-over',
        'Every ready-by of this day is past: there is nothing left to plan. Give what is still to be baked a later one.',
        'orders',
      );
    const before = await this.rows.stored(date);
    const old = before ? (before.body as StoredPlan) : null;
    const chance = (how.chance ?? old?.quality?.wanted) || undefined;
    const leave = how.leave ?? old?.leave ?? [];
    const { signal, standing, ...rest } = how;
    const asked = canonicalJson({
      ...rest,
      date,
      chance: chance ?? 0,
      leave,
      hash: inputs.hash,
      version: before?.version ?? 0,
    });
    return this.making.ask(
      asked,
      async (all) => {
        const fixed = before && standing ? await standing(inputs, all) : await this.standing(old);
        return this.compute(date, inputs, before, fixed, {
          ...rest,
          keep: false,
          chance,
          leave,
          signal: all,
        });
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
    const before = await this.rows.stored(date);
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

  /** Batches of a plan that stay when it is made anew: somebody works on them, or they are held. */
  async standing(old: StoredPlan | null): Promise<readonly BatchPlan[]> {
    const batches = old?.plan.batches ?? [];
    const begun = await this.stock.begun(batches);
    const held = new Set(old?.held);
    return batches.filter(({ batchId }) => begun.has(batchId) || held.has(batchId));
  }

  /**
   * Names for the lots that are mixed anew, those of the plans before first.
   * @param planned by day, batches of its plan before that nobody began
   */
  async lotIdsFor(
    needed: readonly LotsNeeded[],
    planned: ReadonlyMap<string, readonly BatchPlan[]>,
    timeZone: string,
  ): Promise<Record<string, readonly string[]>> {
    const names: Record<string, readonly string[]> = {};
    const dayOf = ({ dueS }: LotsNeeded) => wallClock(dueS, timeZone).date;
    for (const date of [...new Set(needed.map(dayOf))].sort()) {
      const own = needed.filter((lots) => dayOf(lots) === date);
      const found = await this.lots.namesFor(
        date,
        new Map(own.map(({ productCode, count }) => [productCode, count])),
        // Dough from the cold has its own name.
        (planned.get(date) ?? []).filter((batch) => !batch.stock),
      );
      for (const [code, lots] of Object.entries(found)) names[code] = [...(names[code] ?? []), ...lots];
    }
    return names;
  }

  private async compute(
    date: string,
    inputs: PlanInputs,
    before: PlanEntity | null,
    kept: readonly BatchPlan[],
    how: ComputeHow,
  ): Promise<PlanView> {
    const computed = await this.body(date, inputs, before, kept, how);
    const [row] = await this.rows.save([computed]);
    if (!row) throw new Error('nothing was written');
    return this.toView(row, row.inputHash !== inputs.hash, inputs.calibration);
  }

  /** The plan of a day with all that the screens show of it; nothing is written. */
  async body(
    date: string,
    inputs: PlanInputs,
    before: PlanEntity | null,
    kept: readonly BatchPlan[],
    how: ComputeHow,
  ): Promise<ComputedPlan> {
    const { orders, formulas, rules, calibration, hash } = inputs;
    // Batches that have begun stay where they are, on what was retired since too.
    const begun = JSON.stringify(kept);
    const equipment = inUse(inputs.equipment, (id) => begun.includes(`"${id}`));
    const old = before ? (before.body as StoredPlan) : null;
    // What was just planned together with other days follows the latest formulas.
    const fixedFormulas = await this.formulasOf(how.anew?.standing ?? kept, old);
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
    const leave = how.leave ?? old?.leave ?? [];
    const input = {
      date,
      nowS: nowMs / 1000,
      orders,
      formulas: new Map(formulas.map((f) => [f.code, f])),
      equipment,
      rules,
      fixed,
      taken: how.taken ?? (await this.rows.takenByOthers([date], nowMs)),
      spreads: await this.spreads.learned(),
    };
    const dough = how.keep
      ? null
      : await this.withDough(input, bakes, old, { leave, nowMs, ...(how.supposed && { supposed: true }) });
    const body = await this.computation.plan(
      {
        input: dough?.input ?? { ...input, lotIds: {} },
        bakes,
        fixedBakes,
        fixedFormulas,
        keep: how.keep,
        moved: moves.map(({ loadId }) => loadId),
        ...(how.supposed && { supposed: true }),
        ...(how.chance !== undefined && { chance: how.chance }),
        ...(how.tries !== undefined && { tries: how.tries }),
      },
      how.signal,
    );
    const stored: StoredPlan = {
      ...body,
      ...(how.anew && { quality: how.anew.quality }),
      ...(how.keep && { plan: keptPlan(body.plan, old?.plan, how) }),
      madeAtMs: how.keep && old && !how.anew ? old.madeAtMs : nowMs,
      calibratedAtMs: calibration?.atMs ?? null,
      moves,
      held: (how.held ?? old?.held ?? []).filter((id) =>
        body.plan.batches.some(({ batchId }) => batchId === id),
      ),
      leave,
    };
    const inputHash = how.inputHash ?? (how.keep && !how.anew && before ? before.inputHash : hash);
    const promised = dough?.promised ?? how.anew?.promised;
    return { date, before, body: stored, inputHash, ...(promised && { promised }) };
  }

  /** The day with what lies in the cold for it, and names for the lots that are mixed anew. */
  private async withDough(
    input: Omit<DayInput, 'predictions'>,
    bakes: Readonly<Record<string, ProductBakes>>,
    old: StoredPlan | null,
    { leave, nowMs, supposed }: { leave: readonly string[]; nowMs: number; supposed?: true },
  ) {
    const { date, formulas, equipment, rules, fixed } = input;
    const promised = await this.rows.promised([date], nowMs);
    const stock = await this.stock.inTheCold({
      formulas: [...formulas.values()],
      equipment,
      rules,
      planned: [...fixed, ...promised.batches],
      leave,
      parts: 1,
      nowMs,
    });
    const predictions = new Map(
      [...formulas.values()].map((f) => [f.code, predictionsOf(f, bakes[f.code], equipment)]),
    );
    const free = (old?.plan.batches ?? []).filter(
      ({ batchId }) => !fixed.some((batch) => batch.batchId === batchId),
    );
    const needed = lotsNeeded(dayHorizon({ ...input, stock, predictions }));
    const lotIds = supposed
      ? supposedNames(needed)
      : await this.lotIdsFor(needed, new Map([[date, free]]), rules.timeZone);
    return { input: { ...input, stock, lotIds }, promised };
  }
}
