import { type BatchPlan, type Load, type Use } from '../problem/plan.js';
import { betweenLoadsS, heatUpS, type PlanProblem } from '../problem/problem.js';

/** What a chamber does around its loads. */
export interface OvenTask {
  readonly id: string;
  readonly kind: 'oven-on' | 'refill';
  readonly batchId: string;
  readonly loadId: string;
  readonly startS: number;
  readonly endS: number;
  readonly uses: readonly Use[];
}

/**
 * Heating up before a chamber's first load and after it stood idle for longer than that takes; emptying, filling and
 * going to the next temperature between two loads. Each uses the chamber, whose id is the oven's.
 */
export const ovenTasks = (
  problem: Pick<PlanProblem, 'ovens' | 'nowS' | 'loadGapS'>,
  batches: readonly BatchPlan[],
): readonly OvenTask[] =>
  problem.ovens.flatMap((oven) => {
    const loads = batches
      .flatMap((batch) => batch.loads)
      .filter((load) => load.ovenId === oven.id)
      .sort((a, b) => a.startS - b.startS);
    return loads.map((load, i): OvenTask => {
      const before: Load | undefined = loads[i - 1];
      const endS = before ? before.startS + before.pullS : problem.nowS;
      const cold = !before || load.startS - endS > heatUpS(oven, load.setC);
      const takesS =
        before && !cold
          ? betweenLoadsS(oven, before.setC, load.setC, problem.loadGapS)
          : heatUpS(oven, load.setC);
      const kind = cold ? 'oven-on' : 'refill';
      return {
        id: `${load.id}/${kind}`,
        kind,
        batchId: load.batchId,
        loadId: load.id,
        startS: Math.min(load.startS, Math.max(endS, load.startS - takesS)),
        endS: load.startS,
        uses: [{ resourceId: oven.id, amount: 1 }],
      };
    });
  });
