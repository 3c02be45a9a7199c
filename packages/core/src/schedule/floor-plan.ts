import {
  betweenLoadsS,
  type BatchPlan,
  type Load,
  type OvenBake,
  type PlanOven,
  type PlanProblem,
} from './problem.js';
import { leastAvailable, Timeline } from './timeline.js';

/** The floor as it fills up: what each resource is used for, and which loads each oven has. */
export class Floor {
  readonly timeline: Timeline;
  private readonly loads = new Map<string, { startS: number; endS: number; setC: number }[]>();

  constructor(private readonly problem: PlanProblem) {
    this.timeline = new Timeline(problem.resources);
    for (const batch of problem.fixed) this.add(batch);
  }

  add(batch: BatchPlan): void {
    for (const task of batch.tasks) this.timeline.add(task);
    for (const load of batch.loads) this.addLoad(load);
  }

  addLoad(load: Load): void {
    const list = this.loads.get(load.ovenId) ?? [];
    list.push({ startS: load.startS, endS: load.startS + load.pullS, setC: load.setC });
    this.loads.set(load.ovenId, list);
  }

  removeLoad(load: Load): void {
    const list = this.loads.get(load.ovenId) ?? [];
    const i = list.findIndex((l) => l.startS === load.startS);
    if (i >= 0) list.splice(i, 1);
  }

  /**
   * The latest start of a load that ends by `endByS`, not before `fromS`, with the oven's other loads, its
   * temperature changes and its hours respected; null when there is none.
   */
  latestStart(oven: PlanOven, bake: OvenBake, endByS: number, fromS: number): number | null {
    const others = this.loads.get(oven.id) ?? [];
    let startS = Math.floor((endByS - bake.pullS) / 60) * 60;
    while (startS >= fromS) {
      const endS = startS + bake.pullS;
      const clash = others.find((o) => {
        const gap = betweenLoadsS(oven, o.setC, bake.setC, this.problem.loadGapS);
        return startS < o.endS + gap && endS + gap > o.startS;
      });
      if (!clash) {
        if (leastAvailable(this.problem.ovenHours, startS, endS) > 0) return startS;
        const before = this.problem.ovenHours
          .filter((a) => a.fromS < startS && a.toS < endS)
          .map((a) => a.toS);
        if (before.length === 0) return null;
        startS = Math.min(startS - 60, Math.floor((Math.max(...before) - bake.pullS) / 60) * 60);
        continue;
      }
      const gap = betweenLoadsS(oven, clash.setC, bake.setC, this.problem.loadGapS);
      startS = Math.min(startS - 60, Math.floor((clash.startS - gap - bake.pullS) / 60) * 60);
    }
    return null;
  }
}
