import { Inject, Injectable, ServiceUnavailableException, type OnModuleDestroy } from '@nestjs/common';
import { fileURLToPath } from 'node:url';
import PQueue from 'p-queue';
import { Piscina } from 'piscina';
import {
  bakeInputIn,
  bakeModelVersion,
  JokulError,
  type BakeInput,
  type BakeResult,
  type Calibration,
  type Equipment,
  type Fit,
  type Formula,
  type HouseRules,
  type LoggedBake,
  type MovedLoad,
  type Oven,
  type Replanned,
  say,
} from '@jokul/core';
import type { AnswersTask, BakeAnswers, FitAnswer, FitTask, LoggedTask } from './learning.worker.js';
import type { Outcome } from './outcome.js';
import { KeptAnswers } from './kept-answers.js';
import { CachedAnswers } from './cached-answers.js';
import type {
  DaysBody,
  DaysTask,
  MoveTask,
  ReadPlanTask,
  PlanBody,
  PlanTask,
  PredictTask,
  ReplanTask,
  StartTask,
} from './plan-tasks.js';
import type { ProductBakes } from './predictions.js';

/** No computation of a plan may take longer than this, s. */
const timeLimitS = 60;

/** No thread may take more memory than this, MB: twice what the largest plans of the benchmark may. */
const memoryMB = 1024;

/** What is answered in moments, and always waited for. */
const light: ReadonlySet<string> = new Set(['predict', 'answers', 'startC', 'logged']);

/** Neither searched nor learned: what is moved, read or kept is answered in moments too. */
const isQuick = (name: string, task: object): boolean =>
  light.has(name) || name === 'moveDay' || name === 'readDay' || ('keep' in task && task.keep === true);

/** So many plans and fits are computed at once, one for each core of a small machine. */
const heavyAtOnce = 2;

/** So many plans and fits are computed or wait at most; whoever asks then is told to try again. */
const mostHeavy = 24;

/** The folder in which bakes outlive the server; null for none. */
export const bakesFolder = Symbol('bakes folder');

/** The worker threads: bakes and plans are computed there, with a time limit, and can be given up. */
@Injectable()
export class ComputationService implements OnModuleDestroy {
  private readonly pool = new Piscina({
    // Worker threads run compiled code, also when this file is read as source by a test.
    filename: fileURLToPath(new URL('../../dist/bundle/plan.worker.js', import.meta.url)),
    minThreads: 0,
    // One more than plans and fits may have: what somebody at an oven waits for never stands behind them.
    maxThreads: heavyAtOnce + 1,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: memoryMB },
  });
  private readonly heavy = new PQueue({ concurrency: heavyAtOnce });
  /** What any server would compute alike, by what went in; null where the model does not reach. */
  private readonly bakes: CachedAnswers<BakeInput, BakeResult | null>;
  private readonly starts = new CachedAnswers((task: StartTask) => this.run<number>('startC', task), 400);
  private readonly answers = new CachedAnswers(
    (task: AnswersTask) => this.run<BakeAnswers>('answers', task),
    400,
  );
  /** Two screens that look at once learn once. */
  private readonly fits = new CachedAnswers((task: Omit<FitTask, 'memory'>) => this.makeFit(task), 8);
  private runs: FitTask['memory'] = [];
  private stopping = false;

  constructor(@Inject(bakesFolder) folder: string | null) {
    const kept = folder ? new KeptAnswers<BakeResult | null>(folder, String(bakeModelVersion)) : null;
    void kept?.tidy();
    this.bakes = new CachedAnswers(
      (input) =>
        this.run<BakeResult>('predict', { input }).catch((error: unknown) => {
          // Outside the model's domain there is no forecast; the plan says that no oven can bake it.
          if (error instanceof JokulError && error.code === 'out-of-range') return null;
          throw error;
        }),
      400,
      kept,
    );
  }

  /** Computations that wait for a thread. */
  waiting(): number {
    return this.pool.queueSize + this.heavy.size;
  }

  async onModuleDestroy(): Promise<void> {
    this.stopping = true;
    await this.pool.destroy();
  }

  private async run<Result>(
    name: string,
    task:
      | PredictTask
      | StartTask
      | PlanTask
      | DaysTask
      | ReplanTask
      | MoveTask
      | ReadPlanTask
      | LoggedTask
      | FitTask
      | AnswersTask,
    signal?: AbortSignal,
  ): Promise<Result> {
    const limit = AbortSignal.timeout(timeLimitS * 1000);
    const until = signal ? AbortSignal.any([limit, signal]) : limit;
    const outcome = await this.inTurn<Result>(name, task, until).catch((error: unknown) => {
      if (this.stopping) throw new ServiceUnavailableException(say`Jokul is being stopped.`);
      const isTooLarge =
        error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (!limit.aborted && !isTooLarge) throw error;
      const message = isTooLarge
        ? say`The computation was stopped: it takes more than ${memoryMB} MB of memory. Plan fewer products at once.`
        : say`The computation was stopped after ${timeLimitS} s. Plan fewer products at once.`;
      return { refused: { code: 'takes-too-long', message, path: '' } };
    });
    if ('result' in outcome) return outcome.result;
    const { code, message, path } = outcome.refused;
    throw new JokulError(code, message, path);
  }

  /** Plans and fits wait for one another; all else has a thread left to it. */
  private async inTurn<Result>(name: string, task: object, signal: AbortSignal): Promise<Outcome<Result>> {
    const compute = async (): Promise<Outcome<Result>> => {
      if (this.stopping) throw new Error('stopped before its turn');
      return this.pool.run(task, { name, signal });
    };
    if (isQuick(name, task)) return compute();
    if (this.heavy.size + this.heavy.pending >= mostHeavy)
      throw new ServiceUnavailableException(
        say`Too much is being planned and learned just now. Nothing was lost: ask again in a few seconds.`,
      );
    return this.heavy.add(compute, { signal });
  }

  private async makeFit(task: Omit<FitTask, 'memory'>): Promise<Fit> {
    const { fit, memory } = await this.run<FitAnswer>('calibrate', { ...task, memory: this.runs });
    this.runs = memory;
    return fit;
  }

  bakeIn(input: BakeInput): Promise<BakeResult | null> {
    const { known } = input;
    // When it was learned changes nothing of the bake: taken into force, it is the same one.
    return this.bakes.of(
      known?.calibration
        ? { ...input, known: { ...known, calibration: { ...known.calibration, atMs: 0 } } }
        : input,
    );
  }

  /** The bakes of a formula in every oven, by what was learned of each. */
  async bakesOf(
    formula: Formula,
    equipment: Equipment,
    rules: HouseRules,
    calibration: Calibration | null = null,
  ): Promise<ProductBakes> {
    const inputOf = await this.inputOf(formula, equipment, rules);
    const bakes = await Promise.all(
      equipment.ovens.map(async (oven) => [oven.id, await this.bakeIn(inputOf(oven, calibration))] as const),
    );
    return Object.fromEntries(bakes);
  }

  /** What is asked of the bake model for a formula in an oven, by what was learned. */
  async inputOf(formula: Formula, equipment: Equipment, rules: HouseRules) {
    // A dough's way through the cold is worked out in a thread, as all is that takes more than moments.
    const startC = await this.starts.of({
      formula,
      equipment: { places: equipment.places },
      rules: { doughC: rules.doughC },
    });
    return (oven: Oven, calibration: Calibration | null): BakeInput =>
      bakeInputIn(formula, oven, equipment, rules, calibration, undefined, startC);
  }

  /** The measured trays as bakes to learn from. */
  async logged(task: LoggedTask): Promise<readonly LoggedBake[]> {
    return this.run('logged', task);
  }

  /** What the logged bakes say; runs of the model are remembered from one fit to the next. */
  fit(task: Omit<FitTask, 'memory'>): Promise<Fit> {
    return this.fits.of(task);
  }

  /** How a bake answers to what is unknown of it. */
  answersOf(input: BakeInput, pullS: number): Promise<BakeAnswers> {
    return this.answers.of({ input, pullS });
  }

  async plan(task: PlanTask, signal?: AbortSignal): Promise<PlanBody> {
    return this.run('plan', task, signal);
  }

  async planDays(task: DaysTask, signal?: AbortSignal): Promise<DaysBody> {
    return this.run('planDays', task, signal);
  }

  async replan(task: ReplanTask, signal?: AbortSignal): Promise<Replanned | null> {
    return this.run('replanDay', task, signal);
  }

  async read(task: ReadPlanTask): Promise<Omit<MovedLoad, 'loadId'>> {
    return this.run('readDay', task);
  }

  async move(task: MoveTask): Promise<MovedLoad> {
    return this.run('moveDay', task);
  }
}
