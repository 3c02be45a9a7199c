import { JokulError } from '../shown/index.js';
import { consequences, type MovedLoad } from './move-load.js';
import type { BatchPlan, Load, OvenBake, PlanProblem } from './problem.js';

export interface ReadPlanQuestion {
  /** The day, as it is checked: its demands, ovens that are in use, people and places. */
  readonly problem: PlanProblem;
  /** What is planned now. */
  readonly batches: readonly BatchPlan[];
  /** Batches whose dough exists, or is being made. */
  readonly begun: ReadonlySet<string>;
  /** Loads that are in their oven, or were. */
  readonly started: ReadonlySet<string>;
  /** How a batch bakes in each oven that brings it to what it is baked to. */
  readonly bakesOf: (batch: BatchPlan) => readonly OvenBake[];
  readonly given: readonly BatchPlan[];
}

/** A pull may be so far from what is forecast now: forecasts move with what the log teaches. s */
const pullWithinS = 90;

const sameLoad = (a: Load, b: Load): boolean =>
  a.ovenId === b.ovenId && a.startS === b.startS && a.pullS === b.pullS && a.trays.length === b.trays.length;

/** Whether an oven bakes it so, or did by the plan of before. */
const isKnownBake = (load: Load, before: BatchPlan, bakes: readonly OvenBake[]): boolean =>
  before.loads.some(
    (own) => own.ovenId === load.ovenId && own.setC === load.setC && own.pullS === load.pullS,
  ) ||
  bakes.some(
    ({ ovenId, setC, pullS }) =>
      ovenId === load.ovenId && setC === load.setC && Math.abs(pullS - load.pullS) <= pullWithinS,
  );

/**
 * A plan of the day that comes from elsewhere, as a file: the same batches at other times, in other ovens. What has begun
 * stays as it is; what it breaks is said by the checker, as of a load that is moved by hand.
 * @throws JokulError `unknown-batch`, `missing-batch`, `other-batch`, `has-begun`, `unknown-oven`, `no-bake`
 */
export const readPlan = (question: ReadPlanQuestion): Omit<MovedLoad, 'loadId'> => {
  const { problem, batches, begun, started, bakesOf, given } = question;
  const own = new Map(batches.map((batch) => [batch.batchId, batch]));
  const theirs = new Map(given.map((batch) => [batch.batchId, batch]));
  for (const [i, { batchId }] of given.entries()) {
    if (!own.has(batchId))
      throw new JokulError(
        'unknown-batch',
        `The file plans ${batchId}, which is not in this day's plan. Save the plan anew, and change that file.`,
        `batches.${i}.batchId`,
      );
    if (theirs.get(batchId) !== given[i])
      throw new JokulError('same-batch', `The file plans ${batchId} twice.`, `batches.${i}.batchId`);
  }
  const after = batches.map((batch): BatchPlan => {
    const { batchId } = batch;
    const its = theirs.get(batchId);
    if (!its)
      throw new JokulError(
        'missing-batch',
        `The file leaves out ${batchId}: it plans all or none.`,
        'batches',
      );
    if (
      its.productCode !== batch.productCode ||
      its.pieces !== batch.pieces ||
      Math.abs(its.massG - batch.massG) > 1
    )
      throw new JokulError(
        'other-batch',
        `${batchId} is another dough in the file: product, pieces and grams stay as they are.`,
        'batches',
      );
    for (const load of batch.loads) {
      const other = its.loads.find(({ id }) => id === load.id);
      if (started.has(load.id) && !(other && sameLoad(load, other)))
        throw new JokulError(
          'has-begun',
          `${load.id} is in its oven, or was: it stays where it is.`,
          'batches',
        );
    }
    for (const load of its.loads) {
      if (started.has(load.id)) continue;
      if (load.batchId !== batchId)
        throw new JokulError('other-batch', `${load.id} is a load of another batch.`, 'batches');
      const oven = problem.ovens.find(({ id }) => id === load.ovenId);
      if (!oven)
        throw new JokulError(
          'unknown-oven',
          `${load.id}: there is no oven "${load.ovenId}" in use.`,
          'batches',
        );
      if (!isKnownBake(load, batch, bakesOf(batch)))
        throw new JokulError(
          'no-bake',
          `${load.id}: ${oven.name} does not bake it at ${load.setC} °C in ${Math.round(load.pullS / 60)} min.`,
          'batches',
        );
    }
    // What was done for it is as it was done.
    return begun.has(batchId)
      ? {
          ...its,
          mixerId: batch.mixerId,
          tasks: [
            ...batch.tasks.filter(({ loadId, kind }) => loadId === undefined && kind !== 'rest'),
            ...its.tasks.filter(({ loadId, kind }) => loadId !== undefined || kind === 'rest'),
          ],
        }
      : its;
  });
  // What was made ready before now is no work any more, whoever plans it.
  const open = (of: readonly BatchPlan[]) =>
    of.map((batch) => ({
      ...batch,
      tasks: batch.tasks.filter(({ kind, startS }) => kind !== 'prepare' || startS >= problem.nowS),
    }));
  const facts = (of: readonly BatchPlan[]): PlanProblem => ({
    ...problem,
    fixed: of.filter(({ batchId }) => begun.has(batchId)),
  });
  const [before, now] = [open(batches), open(after)];
  return { ...consequences(facts(now), facts(before), before, started, now), batches: after };
};
