import { JokulError } from '../shown/index.js';
import { checkPlan, type Violation } from './check.js';
import type { BatchPlan, OvenBake, PlanProblem } from './problem.js';
import { changesOf, type LoadChange } from './replan.js';
import { retime, shiftTasks } from './retime.js';

export interface MoveQuestion {
  /** The day, as it is checked: its demands, ovens that are in use, people and places. */
  readonly problem: PlanProblem;
  readonly batches: readonly BatchPlan[];
  /** Loads that are in their oven, or were. */
  readonly started: ReadonlySet<string>;
  readonly loadId: string;
  /** Where it goes, how its product bakes there, and when, s. */
  readonly bake: OvenBake;
  readonly startS: number;
}

export interface MovedLoad {
  readonly batches: readonly BatchPlan[];
  /** What changes by it: the load itself, and those that wait for it. */
  readonly changes: readonly LoadChange[];
  /** Rules of the floor that it breaks and that were not broken before; being late is none. */
  readonly faults: readonly Violation[];
}

/**
 * A load in another oven, or at another time, by hand: loads after it wait for it, nothing is moved earlier.
 * @throws JokulError `unknown-load`, `has-begun`, `past`
 */
export const moveLoad = ({ problem, batches, started, loadId, bake, startS }: MoveQuestion): MovedLoad => {
  const load = batches.flatMap(({ loads }) => loads).find(({ id }) => id === loadId);
  if (!load) throw new JokulError('unknown-load', 'This load is not in the plan any more.', 'loadId');
  if (started.has(loadId))
    throw new JokulError('has-begun', 'This load is in its oven, or was: it stays where it is.', 'loadId');
  if (startS < problem.nowS - 60)
    throw new JokulError('past', 'That moment is over: give it a later one.', 'startS');
  const { ovenId, setC, pullS } = bake;
  const readyS = load.readyS + startS - load.startS + pullS - load.pullS;
  const moved = batches.map((batch) => {
    if (batch.batchId !== load.batchId) return batch;
    const loads = batch.loads.map((own) =>
      own.id === loadId ? { ...own, ovenId, setC, pullS, startS, readyS } : own,
    );
    return { ...batch, loads, tasks: shiftTasks(batch, loads) };
  });
  const { batches: after } = retime({
    batches: moved,
    pullOf: () => null,
    started,
    ovens: problem.ovens,
    loadGapS: problem.loadGapS,
  });
  const faults = (of: readonly BatchPlan[]) =>
    checkPlan({ ...problem, fixed: of }, { batches: of, unplaced: [], boundS: 0 }).filter(
      ({ code }) => code !== 'late',
    );
  const known = new Set(faults(batches).map(({ code, where, message }) => `${code} ${where} ${message}`));
  return {
    batches: after,
    changes: changesOf({ planned: batches, started }, after),
    faults: faults(after).filter(({ code, where, message }) => !known.has(`${code} ${where} ${message}`)),
  };
};
