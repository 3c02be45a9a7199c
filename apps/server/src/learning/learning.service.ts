import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import {
  JokulError,
  reduceLedger,
  sigmaOf,
  teachingBakes,
  type BakeInput,
  type BakeResult,
  type Calibration,
  type Fit,
  type Formula,
  type LoggedBake,
  type Oven,
  type TrayState,
  type Upcoming,
  say,
} from '@jokul/core';
import type {
  CalibrationChoicesInput,
  CalibrationView,
  LoggedBakeView,
  PullChangeView,
} from '@jokul/contracts';
import { ClockService } from '../clock/clock.service.js';
import { FormulaService } from '../formula/formula.service.js';
import { JournalReader } from '../journal/journal-reader.js';
import { ComputationService } from '../computation/computation.service.js';
import { CachedAnswers } from '../computation/cached-answers.js';
import { PlanRows } from '../planning/plan-rows.js';
import { PlanService } from '../planning/plan.service.js';
import { SettingsService } from '../settings/settings.service.js';
import { calibrationSetting, type CalibrationSetting } from '../settings/calibration-setting.js';

/** How far back bakes are learned from, and how many at most. */
const backMs = 35 * 86_400_000;
const mostBakes = 32;
const mostSteps = 12;

interface Log {
  readonly bakes: readonly LoggedBake[];
  readonly trays: ReadonlyMap<string, TrayState>;
}

/** All trays of one product in one oven that are still to be baked. */
interface ToCome {
  readonly where: { readonly ovenId: string; readonly code: string; readonly trays: number };
  readonly input: (calibration: Calibration | null) => BakeInput;
  readonly now: BakeResult | null;
  /** Null where the model does not reach. */
  readonly upcoming: Upcoming | null;
}

/** What the bakery's own bakes say of its ovens and doughs, what is in force of it, and the way back. */
@Injectable()
export class LearningService {
  constructor(
    private readonly db: DataSource,
    private readonly settings: SettingsService,
    private readonly formulas: FormulaService,
    private readonly journal: JournalReader,
    private readonly clock: ClockService,
    private readonly computation: ComputationService,
    private readonly plans: PlanService,
    private readonly rows: PlanRows,
  ) {}

  private setting(): Promise<{ body: CalibrationSetting; version: number }> {
    return calibrationSetting(this.db.manager);
  }

  private async log(): Promise<Log> {
    const nowMs = await this.clock.nowMs();
    const [{ entries }, equipment, rules] = await Promise.all([
      this.journal.inspected(nowMs - backMs),
      this.settings.read('equipment'),
      this.settings.read('rules'),
    ]);
    const { lots, trays: byId } = reduceLedger(entries);
    const trays = [...byId.values()].filter(({ inspected }) => inspected);
    // A lot is learned from as what it pinned; those of an older Jokul as what was there at the time.
    const made = new Map([
      ...(await this.formulas.madeBy(
        trays
          .filter(({ batchId }) => !lots.get(batchId)?.begun)
          .map(({ batchId, loaded }) => ({ lot: batchId, atMs: loaded.atMs })),
      )),
      ...[...lots.values()].flatMap(({ lot, begun }) => (begun ? [[lot, begun.formula] as const] : [])),
    ]);
    const inspected = trays.flatMap((tray) =>
      tray.inspected ? [[tray.inspected.entryId, tray] as const] : [],
    );
    return {
      bakes: await this.computation.logged({
        trays,
        made,
        equipment: equipment.body,
        rules: rules.body,
        most: mostBakes,
      }),
      trays: new Map(inspected),
    };
  }

  private async fit(log: Log, { leftOut, held }: CalibrationSetting): Promise<Fit> {
    return this.computation.fit({
      bakes: log.bakes.filter(({ id }) => !leftOut.includes(id)),
      held,
      // Whole hours, so that looking twice gives the same.
      nowMs: Math.floor((await this.clock.nowMs()) / 3600e3) * 3600e3,
    });
  }

  /** Made once for what it is made from: screens look often, trays are measured now and then. */
  private readonly views = new CachedAnswers(
    ({ date }: { date: string; of: readonly unknown[] }) => this.makeView(date),
    8,
  );

  async view(date: string): Promise<CalibrationView> {
    const [{ version }, lastSeq, plan, rules, equipment, nowMs] = await Promise.all([
      this.setting(),
      this.journal.lastOf(['loaded', 'turned', 'pulled', 'racked', 'inspected', 'struck', 'begun']),
      this.rows.version(date),
      this.settings.read('rules'),
      this.settings.read('equipment'),
      this.clock.nowMs(),
    ]);
    // Whole hours, as the fit takes them.
    const hour = Math.floor(nowMs / 3600e3);
    return this.views.of({ date, of: [version, lastSeq, plan, rules.version, equipment.version, hour] });
  }

  private async makeView(date: string): Promise<CalibrationView> {
    const { body, version } = await this.setting();
    const log = await this.log();
    // The bakes as they stand need not wait for what the log says.
    const [fit, toCome] = await Promise.all([this.fit(log, body), this.toCome(date, body.inForce)]);
    const changes = await this.changes(toCome, fit.calibration);
    const upcoming = toCome.flatMap(({ upcoming }) => (upcoming ? [upcoming] : []));
    return {
      version,
      inForce: body.inForce && {
        atMs: body.inForce.atMs,
        bakes: body.inForce.bakes,
        values: body.inForce.values,
      },
      undoable: body.before.length,
      learned: [
        ...fit.calibration.values.map((value) => ({
          ...value,
          sigma: sigmaOf(fit.calibration, value),
          inForce: body.inForce?.values.find(({ key }) => key === value.key)?.value ?? 0,
          held: false,
        })),
        ...body.held.map((key) => {
          const [kind, of, position] = key.split('/');
          return {
            key,
            kind: kind as Fit['calibration']['values'][number]['kind'],
            of: of ?? '',
            ...(position !== undefined && { position: Number(position) }),
            value: 0,
            sigma: 0,
            inForce: body.inForce?.values.find((value) => value.key === key)?.value ?? 0,
            held: true,
          };
        }),
      ],
      bakes: log.bakes.map((bake): LoggedBakeView => {
        const tray = log.trays.get(bake.id);
        const { id, atMs, ovenId, position, code, pullS } = bake;
        return {
          id,
          trayId: tray?.trayId ?? '',
          atMs,
          ovenId,
          position,
          code,
          pullS,
          test: tray?.test ?? false,
          leftOut: body.leftOut.includes(id),
          figures: fit.residuals.filter(({ bakeId }) => bakeId === id),
        };
      }),
      changes,
      next: teachingBakes(fit.calibration, upcoming).slice(0, 5),
    };
  }

  /** The day's loads that are still to come by product and oven, as they are timed now, and how they answer. */
  private async toCome(date: string, inForce: Calibration | null): Promise<ToCome[]> {
    const [plan, formulas, equipment, rules] = await Promise.all([
      this.plans.view(date),
      this.formulas.latest(),
      this.settings.read('equipment'),
      this.settings.read('rules'),
    ]);
    const started = await this.journal.loadedLoads((plan?.plan.batches ?? []).map(({ batchId }) => batchId));
    const trays = new Map<string, { formula: Formula; oven: Oven; trays: number }>();
    for (const { loads, productCode } of plan?.plan.batches ?? []) {
      const formula = formulas.find(({ code }) => code === productCode);
      for (const load of loads) {
        const oven = equipment.body.ovens.find(({ id }) => id === load.ovenId);
        if (!formula || !oven || started.has(load.id)) continue;
        const key = `${productCode}/${oven.id}`;
        trays.set(key, { formula, oven, trays: (trays.get(key)?.trays ?? 0) + load.trays.length });
      }
    }
    return Promise.all(
      [...trays.values()].map(async ({ formula, oven, trays: count }): Promise<ToCome> => {
        const inputOf = await this.computation.inputOf(formula, equipment.body, rules.body);
        const input = (calibration: Calibration | null) => inputOf(oven, calibration);
        const now = await this.computation.bakeIn(input(inForce));
        const where = { ovenId: oven.id, code: formula.code, trays: count };
        const pullS = now?.pull?.value;
        const answers =
          pullS === undefined
            ? null
            : await this.computation.answersOf(input(null), Math.round(pullS / 30) * 30);
        return { where, input, now, upcoming: answers && { ...where, ...answers } };
      }),
    );
  }

  /** The pulls of the loads to come, now and by what the log says. */
  private changes(toCome: readonly ToCome[], learned: Calibration): Promise<PullChangeView[]> {
    return Promise.all(
      toCome.map(async ({ where, input, now }) => {
        const then = await this.computation.bakeIn(input(learned));
        return {
          ...where,
          nowS: now?.pull?.value ?? null,
          thenS: then?.pull?.value ?? null,
          nowBandS: now?.uncertainty.pullS ?? 0,
          thenBandS: then?.uncertainty.pullS ?? 0,
        };
      }),
    );
  }

  /** What the log says now comes into force; what was before is kept for the way back. */
  async use(version: number): Promise<void> {
    const { body } = await this.setting();
    const { calibration } = await this.fit(await this.log(), body);
    if (calibration.bakes === 0)
      throw new JokulError('nothing-learned', say`No measured bake is there to learn from yet.`, 'bakes');
    // Also under a clock that stands still a later one is later.
    const atMs = Math.max(Math.round(await this.clock.nowMs()), (body.inForce?.atMs ?? 0) + 1);
    const inForce: Calibration = { ...calibration, atMs };
    await this.settings.write(
      'calibration',
      { ...body, inForce, before: [...body.before, body.inForce].slice(-mostSteps) },
      version,
    );
  }

  /** Back to what was in force before. */
  async undo(version: number): Promise<void> {
    const { body } = await this.setting();
    if (body.before.length === 0)
      throw new JokulError('nothing-to-undo', say`Nothing was taken into force yet.`, 'version');
    await this.settings.write(
      'calibration',
      { ...body, inForce: body.before.at(-1) ?? null, before: body.before.slice(0, -1) },
      version,
    );
  }

  async choose({ leftOut, held, version }: CalibrationChoicesInput): Promise<void> {
    const { body } = await this.setting();
    await this.settings.write('calibration', { ...body, leftOut, held }, version);
  }
}
