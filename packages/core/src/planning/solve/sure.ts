import { chance, type Chance } from '../../quantity/index.js';
import { type BatchPlan } from '../problem/plan.js';
import { betweenLoadsS, type PlanProblem, type PlanProduct } from '../problem/problem.js';
import { servedBy } from '../problem/served.js';
import { type Spreads } from '../problem/spreads.js';
import { icingS, piecesOf, restOf } from '../problem/tasks.js';

/** Estimates, until there are records to learn them from. */
export const usualSpreads: Spreads = { workShare: 0.12, pullShare: 0.05, coolShare: 0.1, lateS: 90 };

export interface Sureness {
  readonly productCode: string;
  /** The place of the demand in its product's list. */
  readonly demand: number;
  /** Share of the simulated days on which all its pieces are packed by its ready-by. */
  readonly probability: number;
}

/** A duration that is a little shorter at times, and now and then a good deal longer. */
const drawn = (random: Chance, durationS: number, share: number): number =>
  durationS * Math.exp(random.around(0, share));

const lateBy = (random: Chance, meanS: number): number => -meanS * Math.log(1 - random.between(0, 1));

interface Job {
  readonly kind: 'mix' | 'portion' | 'load';
  readonly batch: BatchPlan;
  readonly product: PlanProduct;
  readonly startS: number;
  readonly durationS: number;
  readonly load?: BatchPlan['loads'][number];
}

const jobsOf = (problem: PlanProblem, batches: readonly BatchPlan[]): readonly Job[] => {
  const products = new Map(problem.products.map((product) => [product.code, product]));
  return batches
    .flatMap((batch): Job[] => {
      const product = products.get(batch.productCode);
      if (!product) return [];
      const work = batch.tasks
        .filter((task) => (task.kind === 'mix' || task.kind === 'portion') && task.endS > problem.nowS)
        .map((task) => ({
          kind: task.kind as 'mix' | 'portion',
          batch,
          product,
          startS: task.startS,
          durationS: task.endS - task.startS,
        }));
      const loads = batch.loads.map((load) => ({
        kind: 'load' as const,
        batch,
        product,
        startS: load.startS,
        durationS: load.pullS,
        load,
      }));
      return [...work, ...loads];
    })
    .sort((a, b) => a.startS - b.startS);
};

/** One day as it may go: everybody keeps the order of the plan, and waits for dough, hands, mixer and oven. */
const dayAsItGoes = (
  problem: PlanProblem,
  jobs: readonly Job[],
  spreads: Spreads,
  random: Chance,
): ReadonlyMap<string, number> => {
  const hands = problem.resources.find(({ id }) => id === 'hands');
  const people = Math.max(1, ...(hands?.when?.map(({ capacity }) => capacity) ?? [hands?.capacity ?? 1]));
  const freeHands = Array.from({ length: people }, () => Number.NEGATIVE_INFINITY);
  const freeMixer = new Map<string, number>();
  const doughS = new Map<string, number>();
  const inOven = new Map<string, { endS: number; setC: number }>();
  const ready = new Map<string, number>();
  for (const job of jobs) {
    const { batch, product, load } = job;
    const rest = product.rest;
    // What stands in the oven, or is being done, began when it began.
    const begun = job.startS < problem.nowS;
    let startS = begun ? job.startS : job.startS + lateBy(random, spreads.lateS);
    const dough = doughS.get(batch.batchId);
    if (load) {
      const rests = restOf(product, { ...batch, id: batch.batchId });
      const restedS = dough === undefined ? startS : dough + (rests.form === 'tub' ? 0 : rest.minS);
      const oven = problem.ovens.find(({ id }) => id === load.ovenId);
      const before = inOven.get(load.ovenId);
      const freeS =
        before && oven ? before.endS + betweenLoadsS(oven, before.setC, load.setC, problem.loadGapS) : startS;
      if (!begun) startS = Math.max(startS, restedS, freeS);
      const endS = startS + drawn(random, job.durationS, spreads.pullShare);
      inOven.set(load.ovenId, { endS, setC: load.setC });
      ready.set(
        load.id,
        endS +
          product.trayRestS +
          drawn(random, product.coolS, spreads.coolShare) +
          icingS(product, piecesOf(load)) +
          product.packS,
      );
      continue;
    }
    const who = freeHands.indexOf(Math.min(...freeHands));
    if (!begun) startS = Math.max(startS, freeHands[who] as number);
    if (job.kind === 'mix') startS = Math.max(startS, freeMixer.get(batch.mixerId) ?? startS);
    else if (dough !== undefined) startS = Math.max(startS, rest.form === 'tub' ? dough + rest.minS : dough);
    const endS = startS + drawn(random, job.durationS, spreads.workShare);
    freeHands[who] = endS;
    if (job.kind === 'mix') freeMixer.set(batch.mixerId, endS);
    doughS.set(batch.batchId, endS);
  }
  return ready;
};

/**
 * How sure each ready-by is: so many days are gone through with durations and delays spread, the order of the plan kept.
 * Trays, racks and room in the cold are taken to be there, and nobody mends a day that slips.
 */
export const surenessOf = (
  problem: PlanProblem,
  batches: readonly BatchPlan[],
  days = 500,
  seed = 1,
): readonly Sureness[] => {
  const { spreads = usualSpreads } = problem;
  const random = chance(seed);
  const jobs = jobsOf(problem, batches);
  const planned = servedBy(problem, batches);
  const held = planned.map(() => 0);
  for (let day = 0; day < days; day++) {
    const ready = dayAsItGoes(problem, jobs, spreads, random);
    const went = batches.map((batch) => ({
      ...batch,
      loads: batch.loads.map((load) => ({ ...load, readyS: ready.get(load.id) ?? load.readyS })),
    }));
    servedBy(problem, went).forEach(({ ordered, pieces }, i) => {
      if (pieces >= ordered) held[i] = (held[i] as number) + 1;
    });
  }
  return planned.map(({ productCode, demand }, i) => ({
    productCode,
    demand,
    probability: (held[i] as number) / days,
  }));
};
