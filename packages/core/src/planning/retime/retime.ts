import { type BatchPlan, type Load, type Task } from '../problem/plan.js';
import { betweenLoadsS, type PlanOven } from '../problem/problem.js';

export interface RetimeQuestion {
  readonly batches: readonly BatchPlan[];
  /** The pull of a load by what is known now, s; null leaves it as planned. */
  readonly pullOf: (load: Load, batch: BatchPlan) => number | null;
  /** Loads that are in their oven, or were: they stay. */
  readonly started: ReadonlySet<string>;
  /** Dough that is not ready before a moment, s since 1970, by batch. */
  readonly notBeforeS?: ReadonlyMap<string, number>;
  readonly ovens: readonly PlanOven[];
  readonly loadGapS: number;
}

/** What became of one load. */
export interface Move {
  readonly loadId: string;
  readonly batchId: string;
  readonly pullByS: number;
  readonly startByS: number;
  /** How long after the ready-by it is packed, s; 0 when in time. */
  readonly lateS: number;
}

export interface Retimed {
  readonly batches: readonly BatchPlan[];
  readonly moves: readonly Move[];
}

const shiftLoadTask = (task: Task, before: Load, after: Load): Task => {
  const start = after.startS - before.startS;
  const pulled = start + after.pullS - before.pullS;
  if (task.kind === 'load') return { ...task, startS: task.startS + start, endS: task.endS + start };
  if (task.kind === 'turn') {
    const half = start + Math.round((after.pullS - before.pullS) / 2);
    return { ...task, startS: task.startS + half, endS: task.endS + half };
  }
  return task.kind === 'bake'
    ? { ...task, startS: task.startS + start, endS: task.endS + pulled }
    : { ...task, startS: task.startS + pulled, endS: task.endS + pulled };
};

const lastStart = (loads: readonly Load[]) => Math.max(...loads.map((load) => load.startS));
const firstStart = (loads: readonly Load[]) => Math.min(...loads.map((load) => load.startS));

/** The work on a batch before its loads, when these are others: its dough stays in the cold until the last of them. */
export const stayUntil = (batch: BatchPlan, loads: readonly Load[]): readonly Task[] => {
  const lastBy = lastStart(loads) - lastStart(batch.loads);
  const firstBy = firstStart(loads) - firstStart(batch.loads);
  return batch.tasks
    .filter(({ loadId }) => loadId === undefined)
    .map((task) => {
      if (task.kind === 'temper' && task.endS >= firstStart(batch.loads) - 1)
        return { ...task, startS: task.startS + firstBy, endS: task.endS + firstBy };
      if (task.kind === 'rest' && Math.abs(task.endS - lastStart(batch.loads)) < 3600 && lastBy > 0)
        return { ...task, endS: task.endS + lastBy };
      return task;
    });
};

/** The tasks of a batch whose loads are moved; those of the loads move with them. */
export const shiftTasks = (batch: BatchPlan, loads: readonly Load[]): readonly Task[] => [
  ...stayUntil(batch, loads),
  ...batch.tasks.flatMap((task) => {
    const before = batch.loads.find((load) => load.id === task.loadId);
    const after = loads.find((load) => load.id === task.loadId);
    if (task.loadId === undefined) return [];
    return before && after ? [shiftLoadTask(task, before, after)] : [];
  }),
];

/**
 * The planned loads by new pulls and new readiness: nothing is planned anew, each load keeps its oven and its turn, and
 * waits only for its dough and for the load before it. Loads may be moved later, never earlier.
 */
export const retime = (question: RetimeQuestion): Retimed => {
  const { batches, pullOf, started, notBeforeS, ovens, loadGapS } = question;
  const all = batches
    .flatMap((batch) => batch.loads.map((load) => ({ load, batch })))
    .sort((a, b) => a.load.startS - b.load.startS);
  const placed = new Map<string, Load>();
  const lastIn = new Map<string, Load>();
  const moves: Move[] = [];
  for (const { load, batch } of all) {
    const before = lastIn.get(load.ovenId);
    let next = load;
    if (!started.has(load.id)) {
      const pullS = Math.round(pullOf(load, batch) ?? load.pullS);
      const oven = ovens.find(({ id }) => id === load.ovenId);
      const freeS = before
        ? before.startS +
          before.pullS +
          (oven ? betweenLoadsS(oven, before.setC, load.setC, loadGapS) : loadGapS)
        : 0;
      // Whole seconds, as every clock shows them.
      const startS = Math.ceil(Math.max(load.startS, freeS, notBeforeS?.get(batch.batchId) ?? 0));
      const readyS = load.readyS + startS - load.startS + pullS - load.pullS;
      next = { ...load, pullS, startS, readyS };
      if (next.pullS !== load.pullS || next.startS !== load.startS)
        moves.push({
          loadId: load.id,
          batchId: batch.batchId,
          pullByS: next.pullS - load.pullS,
          startByS: next.startS - load.startS,
          lateS: Math.max(0, next.readyS - load.dueS),
        });
    }
    placed.set(load.id, next);
    lastIn.set(load.ovenId, next);
  }
  return {
    batches: batches.map((batch) => {
      const loads = batch.loads.map((load) => placed.get(load.id) ?? load);
      return { ...batch, loads, tasks: shiftTasks(batch, loads) };
    }),
    moves,
  };
};
