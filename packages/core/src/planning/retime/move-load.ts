import { JokulError, say } from '../../shown/index.js';
import { checkPlan } from '../check/check.js';
import { type Violation } from '../check/violation.js';
import type { BatchPlan } from '../problem/plan.js';
import type { OvenBake, PlanProblem } from '../problem/problem.js';
import { placeAfterAgain } from '../solve/place-after.js';
import { splitLoad } from '../solve/split-load.js';
import { changesOf } from './load-changes.js';
import type { LoadChange } from './replan-question.js';
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
  /** So many of its trays go, the last ones, as a load of their own; all of them where left out. */
  readonly trays?: number;
}

export interface MovedLoad {
  /** The load that was moved: a new one where only a part of its trays went. */
  readonly loadId: string;
  readonly batches: readonly BatchPlan[];
  /** What changes by it: the load itself, and those that wait for it. */
  readonly changes: readonly LoadChange[];
  /** Rules of the floor that it breaks and that were not broken before; being late is none. */
  readonly faults: readonly Violation[];
  /** Whether somebody may do it all the same and say why: nothing of it is impossible. */
  readonly excusable: boolean;
}

/** What cannot be, whoever wants it: two loads in one chamber, more trays than places, pieces from nowhere. */
const impossible: readonly Violation['code'][] = ['oven', 'pieces', 'precedence', 'past'];

/**
 * A load in another oven, or at another time, by hand: loads after it wait for it, nothing is moved earlier.
 * @throws JokulError `unknown-load`, `has-begun`, `past`, `bad-split`
 */
export const moveLoad = (question: MoveQuestion): MovedLoad => {
  const { problem, started, bake, startS } = question;
  const whole = question.batches.find(({ loads }) => loads.some(({ id }) => id === question.loadId));
  if (whole && question.trays !== undefined && !started.has(question.loadId)) {
    const { batch, part } = splitLoad(whole, question.loadId, question.trays);
    const batches = question.batches.map((own) => (own === whole ? batch : own));
    return moveWhole({ problem, batches, started, bake, startS, loadId: part.id });
  }
  return moveWhole(question);
};

/**
 * What changes from one plan to another, and what that breaks that was not broken before; being late is none of it.
 * @param problem by which the other plan is judged, and `asPlanned` the one that there is: what is fixed in them are facts
 */
export const consequences = (
  problem: PlanProblem,
  asPlanned: PlanProblem,
  batches: readonly BatchPlan[],
  started: ReadonlySet<string>,
  after: readonly BatchPlan[],
): Omit<MovedLoad, 'loadId'> => {
  const faults = (by: PlanProblem, of: readonly BatchPlan[]) =>
    checkPlan(by, { batches: of, unplaced: [], boundS: 0 }).filter(({ code }) => code !== 'late');
  const said = ({ code, where, message }: Violation) => `${code} ${where} ${message}`;
  const known = new Set(faults(asPlanned, batches).map(said));
  const found = faults(problem, after).filter((fault) => !known.has(said(fault)));
  return {
    batches: after,
    changes: changesOf({ planned: batches, started }, after),
    faults: found,
    excusable: found.every(({ code }) => !impossible.includes(code)),
  };
};

const moveWhole = ({ problem, batches, started, loadId, bake, startS }: MoveQuestion): MovedLoad => {
  const load = batches.flatMap(({ loads }) => loads).find(({ id }) => id === loadId);
  if (!load) throw new JokulError('unknown-load', say`This load is not in the plan any more.`, 'loadId');
  if (started.has(loadId))
    throw new JokulError('has-begun', say`This load is in its oven, or was: it stays where it is.`, 'loadId');
  if (startS < problem.nowS - 60)
    throw new JokulError('past', say`That moment is over: give it a later one.`, 'startS');
  const { ovenId, setC, pullS } = bake;
  const readyS = load.readyS + startS - load.startS + pullS - load.pullS;
  const moved = batches.map((batch) => {
    if (batch.batchId !== load.batchId) return batch;
    const loads = batch.loads.map((own) =>
      own.id === loadId ? { ...own, ovenId, setC, pullS, startS, readyS } : own,
    );
    return { ...batch, loads, tasks: shiftTasks(batch, loads) };
  });
  const { batches: retimed } = retime({
    batches: moved,
    pullOf: () => null,
    started,
    ovens: problem.ovens,
    loadGapS: problem.loadGapS,
  });
  const was = new Map(batches.flatMap(({ loads }) => loads).map((own) => [own.id, own]));
  const other = retimed
    .flatMap(({ loads }) => loads)
    .filter((own) => {
      const old = was.get(own.id);
      return old?.startS !== own.startS || old.pullS !== own.pullS;
    })
    .map(({ id }) => id);
  const after = placeAfterAgain(problem, retimed, new Set(other));
  return {
    loadId,
    ...consequences({ ...problem, fixed: after }, { ...problem, fixed: batches }, batches, started, after),
  };
};
