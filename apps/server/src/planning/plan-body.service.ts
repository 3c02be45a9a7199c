import { Injectable } from '@nestjs/common';
import {
  dayHorizon,
  inUse,
  lotsNeeded,
  retime,
  wallClock,
  type BatchPlan,
  type DayInput,
  type LotsNeeded,
  type Plan,
  type PlanQuality,
  type Unplaced,
} from '@jokul/core';
import { ClockService } from '../clock/clock.service.js';
import { ComputationService } from '../computation/computation.service.js';
import { predictionsOf, type ProductBakes } from '../computation/predictions.js';
import type { PlanEntity } from '../database/entities.js';
import { JournalReader } from '../journal/journal-reader.js';
import { LotsService } from '../lot/lots.service.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanRows, type ComputedPlan, type Promised, type StoredPlan } from './plan-rows.js';
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

/** The plan as it stands with its batches retimed; what has no place stays as it was said, unless days were planned anew. */
const keptPlan = (body: Plan, old: Plan | undefined, { anew, unplaced }: ComputeHow): Plan => ({
  ...(old ?? body),
  batches: body.batches,
  unplaced: anew ? [...body.unplaced, ...(unplaced ?? [])] : (unplaced ?? old?.unplaced ?? body.unplaced),
});

/** A plan with all that the screens show of it, from batches that stay and what is to be placed; nothing is written. */
@Injectable()
export class PlanBodyService {
  constructor(
    private readonly inputs: PlanInputsService,
    private readonly clock: ClockService,
    private readonly journal: JournalReader,
    private readonly lots: LotsService,
    private readonly rows: PlanRows,
    private readonly stock: StockService,
    private readonly spreads: SpreadsService,
    private readonly computation: ComputationService,
  ) {}

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

  async of(
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
    const fixedFormulas = await this.inputs.formulasOf(how.anew?.standing ?? kept, old);
    const nowMs = how.nowMs ?? (await this.clock.nowMs());
    const [bakes, fixedBakes, started] = await Promise.all([
      this.inputs.bakesOf(inputs),
      this.inputs.bakesOfFixed(fixedFormulas, inputs),
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
