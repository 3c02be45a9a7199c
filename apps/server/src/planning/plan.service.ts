import { Injectable } from '@nestjs/common';
import {
  atWallClock,
  canonicalJson,
  JokulError,
  type BatchPlan,
  type Calibration,
  type Unplaced,
  say,
} from '@jokul/core';
import type { PlanView } from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { Together } from '../common/together.js';
import type { PlanEntity } from '../database/entities.js';
import { PlanBodyService, type ComputeHow } from './plan-body.service.js';
import { PlanInputsService, type PlanInputs } from './plan-inputs.service.js';
import { PlanRows, type StoredPlan } from './plan-rows.js';
import { StockService } from './stock.service.js';

@Injectable()
export class PlanService {
  /** Thirty screens that ask for the plan of one list at once get one plan. */
  private readonly making = new Together<PlanView>();

  constructor(
    private readonly inputs: PlanInputsService,
    private readonly bodies: PlanBodyService,
    private readonly clock: ClockService,
    private readonly rows: PlanRows,
    private readonly stock: StockService,
  ) {}

  /** The plan of a day, or null when none was made yet. */
  async view(date: string): Promise<PlanView | null> {
    const row = await this.rows.stored(date);
    if (!row) return null;
    const { hash, calibration } = await this.inputs.of(date);
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
    const inputs = await this.inputs.of(date);
    if (inputs.orders.length === 0)
      throw new JokulError(
        'nothing-to-bake',
        say`The bake list of this day is empty: add what is to be baked first.`,
        'orders',
      );
    const nowMs = how.nowMs ?? (await this.clock.nowMs());
    const { timeZone } = inputs.rules;
    if (inputs.orders.every(({ readyBy }) => atWallClock(date, readyBy, timeZone) * 1000 <= nowMs))
      throw new JokulError(
        'day-over',
        say`Every ready-by of this day is past: there is nothing left to plan. Give what is still to be baked a later one.`,
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
    if (!before) throw new JokulError('no-plan', say`This day is not planned yet.`, 'date');
    const inputs = await this.inputs.of(date);
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
    return this.compute(date, await this.inputs.of(date), before, batches, { keep: true, chance, ...how });
  }

  /** Batches of a plan that stay when it is made anew, as they are there: somebody works on them, or they are held. */
  async standing(old: StoredPlan | null): Promise<readonly BatchPlan[]> {
    const batches = old?.plan.batches ?? [];
    const begun = await this.stock.begun(batches);
    const held = new Set(old?.held);
    return this.stock.asThereIs(batches.filter(({ batchId }) => begun.has(batchId) || held.has(batchId)));
  }

  private async compute(
    date: string,
    inputs: PlanInputs,
    before: PlanEntity | null,
    kept: readonly BatchPlan[],
    how: ComputeHow,
  ): Promise<PlanView> {
    const computed = await this.bodies.of(date, inputs, before, kept, how);
    const [row] = await this.rows.save([computed]);
    if (!row) throw new Error('nothing was written');
    return this.toView(row, row.inputHash !== inputs.hash, inputs.calibration);
  }
}
