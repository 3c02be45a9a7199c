import { JokulError, say } from '../../shown/index.js';
import type { BatchPlan, Load, Task } from '../problem/plan.js';
import type { OvenBake, PlanProblem } from '../problem/problem.js';
import { workTasks } from '../problem/tasks.js';
import { withCleanings } from '../solve/clean-bowls.js';
import { placeAfterAgain } from '../solve/place-after.js';
import { consequences, type MovedLoad } from './move-load.js';
import { shiftTasks } from './retime.js';

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

const sameTime = (a: Load, b: Load): boolean =>
  a.ovenId === b.ovenId && a.startS === b.startS && a.pullS === b.pullS;

/** Whether an oven bakes it so, or did by the plan of before. */
const isKnownBake = (load: Load, before: BatchPlan, bakes: readonly OvenBake[]): boolean =>
  before.loads.some(
    (own) => own.ovenId === load.ovenId && own.setC === load.setC && own.pullS === load.pullS,
  ) ||
  bakes.some(
    ({ ovenId, setC, pullS }) =>
      ovenId === load.ovenId && setC === load.setC && Math.abs(pullS - load.pullS) <= pullWithinS,
  );

/** The batches of the file in the order of the plan. */
const matched = (
  batches: readonly BatchPlan[],
  given: readonly BatchPlan[],
): readonly { readonly batch: BatchPlan; readonly its: BatchPlan }[] => {
  const own = new Set(batches.map(({ batchId }) => batchId));
  const theirs = new Map<string, BatchPlan>();
  for (const [i, batch] of given.entries()) {
    const { batchId } = batch;
    const path = `batches.${i}.batchId`;
    if (!own.has(batchId))
      throw new JokulError(
        'unknown-batch',
        say`The file plans ${batchId}, which is not in this day's plan. Save the plan anew, and change that file.`,
        path,
      );
    if (theirs.has(batchId)) throw new JokulError('same-batch', say`The file plans ${batchId} twice.`, path);
    theirs.set(batchId, batch);
  }
  return batches.map((batch) => {
    const { batchId, productCode, pieces, massG, mixerId } = batch;
    const its = theirs.get(batchId);
    if (!its)
      throw new JokulError(
        'missing-batch',
        say`The file leaves out ${batchId}: it plans all or none.`,
        'batches',
      );
    if (
      its.productCode !== productCode ||
      its.pieces !== pieces ||
      its.mixerId !== mixerId ||
      Math.abs(its.massG - massG) > 1
    )
      throw new JokulError(
        'other-batch',
        say`${batchId} is another dough in the file: product, pieces, grams and mixer stay as they are.`,
        'batches',
      );
    return { batch, its };
  });
};

/** A batch's loads where and when the file has them; their trays are those of the plan. */
const loadsAt = (
  { problem, started, bakesOf }: ReadPlanQuestion,
  batch: BatchPlan,
  its: BatchPlan,
): readonly Load[] => {
  const ids = new Set(batch.loads.map(({ id }) => id));
  const other = its.loads.find(({ id }) => !ids.has(id));
  if (other || its.loads.length !== batch.loads.length)
    throw new JokulError(
      'other-loads',
      say`${batch.batchId} has other loads in the file: split it on Day, then save the plan anew.`,
      'batches',
    );
  return batch.loads.map((load) => {
    const to = its.loads.find(({ id }) => id === load.id);
    const { id } = load;
    if (!to)
      throw new JokulError('other-loads', say`The file leaves out ${id}: it plans all or none.`, 'batches');
    if (sameTime(load, to)) return load;
    if (started.has(id))
      throw new JokulError('has-begun', say`${id} is in its oven, or was: it stays where it is.`, 'batches');
    const oven = problem.ovens.find((own) => own.id === to.ovenId);
    if (!oven)
      throw new JokulError('unknown-oven', say`${id}: there is no oven "${to.ovenId}" in use.`, 'batches');
    if (!isKnownBake(to, batch, bakesOf(batch)))
      throw new JokulError(
        'no-bake',
        say`${id}: ${oven.name} does not bake it at ${to.setC} °C in ${Math.round(to.pullS / 60)} min.`,
        'batches',
      );
    const { ovenId, setC, pullS, startS } = to;
    return {
      ...load,
      ovenId,
      setC,
      pullS,
      startS,
      readyS: load.readyS + startS - load.startS + pullS - load.pullS,
    };
  });
};

const startOf = ({ tasks }: BatchPlan, kind: Task['kind']): number | undefined =>
  tasks.find((task) => task.kind === kind)?.startS;

/** Its mixing and portioning when the file has them; how long they take, and whom, is the plan's own. */
const workAt = (
  { problem, begun }: ReadPlanQuestion,
  batch: BatchPlan,
  its: BatchPlan,
  loads: readonly Load[],
): readonly Task[] => {
  const { batchId } = batch;
  const [mixStartS, portionStartS] = [startOf(its, 'mix'), startOf(its, 'portion')];
  const moved = mixStartS !== startOf(batch, 'mix') || portionStartS !== startOf(batch, 'portion');
  const shifted = shiftTasks(batch, loads);
  if (!moved) return shifted;
  if (begun.has(batchId) || batch.stock)
    throw new JokulError(
      'has-begun',
      say`The dough of ${batchId} exists, or is being made: only its loads can go in at another time.`,
      'batches',
    );
  const product = problem.products.find(({ code }) => code === batch.productCode);
  if (!product || mixStartS === undefined || portionStartS === undefined)
    throw new JokulError(
      'other-batch',
      say`The mixing or portioning of ${batchId} is missing in the file, or its orders are gone.`,
      'batches',
    );
  const work = workTasks(product, { ...batch, id: batchId }, { mixStartS, portionStartS }, loads);
  // What is made ready for it is so when the file says, or as long before as planned.
  const byS = mixStartS - (startOf(batch, 'mix') ?? mixStartS);
  const ahead = batch.tasks
    .filter(({ kind }) => kind === 'prepare')
    .map((task) => {
      const startS = its.tasks.find(({ id }) => id === task.id)?.startS ?? task.startS + byS;
      return { ...task, startS, endS: startS + task.endS - task.startS };
    });
  return [...ahead, ...work, ...shifted.filter(({ loadId }) => loadId !== undefined)];
};

/**
 * A plan of the day that comes from elsewhere, as a file: the same batches and loads at other times, in other ovens. Only
 * its moments and ovens are taken from it; what each task takes up and how long it lasts is worked out here, so that a file
 * cannot promise a pair of hands away by leaving it out. What it breaks is said by the checker.
 * @throws JokulError `unknown-batch`, `same-batch`, `missing-batch`, `other-batch`, `other-loads`, `has-begun`,
 * `unknown-oven`, `no-bake`
 */
export const readPlan = (question: ReadPlanQuestion): Omit<MovedLoad, 'loadId'> => {
  const { problem, batches, begun, started, given } = question;
  const moved = matched(batches, given).map(({ batch, its }): BatchPlan => {
    const loads = loadsAt(question, batch, its);
    return { ...batch, loads, tasks: workAt(question, batch, its, loads) };
  });
  const changed = new Set(
    moved.flatMap(({ loads }, b) =>
      loads.filter((load, l) => load !== batches[b]?.loads[l]).map(({ id }) => id),
    ),
  );
  const facts = (of: readonly BatchPlan[]): PlanProblem => ({
    ...problem,
    fixed: of.filter(({ batchId }) => begun.has(batchId)),
  });
  const isMixedAnew = moved.some(
    (batch, b) => startOf(batch, 'mix') !== startOf(batches[b] as BatchPlan, 'mix'),
  );
  const packed = placeAfterAgain(problem, moved, changed);
  const after = isMixedAnew ? withCleanings(facts(packed), packed) : packed;
  // What was made ready before now is no work any more, whoever plans it.
  const open = (of: readonly BatchPlan[]) =>
    of.map((batch) => ({
      ...batch,
      tasks: batch.tasks.filter(({ kind, startS }) => kind !== 'prepare' || startS >= problem.nowS),
    }));
  const [before, now] = [open(batches), open(after)];
  return { ...consequences(facts(now), facts(before), before, started, now), batches: after };
};
