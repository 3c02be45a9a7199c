import { type BatchPlan, type Load, type Task, type Use } from '../problem/plan.js';
import {
  betweenLoadsS,
  changeS,
  betweenMixesS,
  heatUpS,
  resourceIds,
  washedAfterS,
  type OvenBake,
  type PlanOven,
  type PlanProblem,
  type Resource,
} from '../problem/problem.js';
import { leastAvailable } from '../problem/availability.js';
import { Timeline } from './timeline.js';

/** How finely a start is sought where trays or racks are short, s. */
const searchStepS = 180;
const atOven: ReadonlySet<Task['kind']> = new Set<Task['kind']>(['load', 'turn', 'pull']);

const oneHand: readonly Use[] = [{ resourceId: resourceIds.hands, amount: 1 }];

/** Whether a task uses something at a time at which one after it in the list does too. */
const meetsLater = (tasks: readonly Task[], i: number): boolean => {
  const { startS, endS, uses } = tasks[i] as Task;
  for (let j = i + 1; j < tasks.length; j++) {
    const other = tasks[j] as Task;
    if (other.startS >= endS || startS >= other.endS) continue;
    for (const { resourceId } of uses)
      for (const own of other.uses) if (own.resourceId === resourceId) return true;
  }
  return false;
};

/** The floor as it fills up: what each resource is used for, and which loads each oven has. */
export class Floor {
  readonly timeline: Timeline;
  private readonly loads = new Map<string, { startS: number; endS: number; setC: number }[]>();
  private readonly mixes = new Map<string, { startS: number; endS: number; productCode: string }[]>();
  private readonly attended = new Map<number, readonly { fromS: number; toS: number }[]>();

  constructor(private readonly problem: PlanProblem) {
    this.timeline = new Timeline(problem.resources);
    for (const batch of [...problem.fixed, ...(problem.taken ?? [])]) this.add(batch);
  }

  add(batch: BatchPlan): void {
    for (const task of batch.tasks) this.timeline.add(task);
    for (const load of batch.loads) this.addLoad(load);
    const mix = batch.tasks.find(({ kind }) => kind === 'mix');
    if (!mix || !this.problem.bowls) return;
    const { startS, endS } = mix;
    const list = this.mixes.get(batch.mixerId) ?? [];
    list.push({ startS, endS, productCode: batch.productCode });
    this.mixes.set(batch.mixerId, list);
  }

  remove(batch: BatchPlan): void {
    for (const task of batch.tasks) this.timeline.remove(task);
    for (const load of batch.loads) this.removeLoad(load);
    const mix = batch.tasks.find(({ kind }) => kind === 'mix');
    const list = this.mixes.get(batch.mixerId) ?? [];
    const i = list.findIndex(
      ({ startS, productCode }) => startS === mix?.startS && productCode === batch.productCode,
    );
    if (i >= 0) list.splice(i, 1);
  }

  /**
   * Whether the bowl can be cleaned, where it has to be, before a dough is mixed in it and before the next one is, with a
   * hand free for it. @param work of the dough, which is not on the floor yet
   */
  bowlIsClean(mixerId: string, productCode: string, mix: Task, work: readonly Task[]): boolean {
    const { bowls } = this.problem;
    if (!bowls) return true;
    const others = this.mixes.get(mixerId) ?? [];
    const { startS, endS } = mix;
    const enough = others.every((other) =>
      other.startS < startS
        ? startS - other.endS >= betweenMixesS(bowls, mixerId, other.productCode, productCode)
        : other.startS - endS >= betweenMixesS(bowls, mixerId, productCode, other.productCode),
    );
    if (!enough) return false;
    const before = others.filter((other) => other.startS < startS).sort((a, b) => b.endS - a.endS)[0];
    const next = others.filter((other) => other.startS > startS).sort((a, b) => a.startS - b.startS)[0];
    const cleans = (fromS: number, toS: number, left: string, after: string) =>
      betweenMixesS(bowls, mixerId, left, after) === 0 ||
      toS - fromS > washedAfterS ||
      this.hasHand(fromS, toS, bowls.cleanS, work);
    return (
      (!before || cleans(before.endS, startS, before.productCode, productCode)) &&
      (!next || cleans(endS, next.startS, productCode, next.productCode))
    );
  }

  /** Whether a hand is free for so long between two moments, some work beside it. */
  private hasHand(fromS: number, toS: number, forS: number, work: readonly Task[]): boolean {
    for (const task of work) this.timeline.add(task);
    try {
      for (let startS = fromS; startS + forS <= toS; startS += 60)
        if (!this.timeline.blockedBy(oneHand, startS, startS + forS)) return true;
      return false;
    } finally {
      for (const task of work) this.timeline.remove(task);
    }
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

  /** Stretches in which an oven is attended for so long at one go, in order. */
  private attendedFor(pullS: number): readonly { fromS: number; toS: number }[] {
    const known = this.attended.get(pullS);
    if (known) return known;
    const { ovenHours } = this.problem;
    const edges = [...new Set(ovenHours.flatMap(({ fromS, toS }) => [fromS, toS]))].sort((a, b) => a - b);
    const found: { fromS: number; toS: number }[] = [];
    edges.slice(0, -1).forEach((fromS, i) => {
      const toS = edges[i + 1] as number;
      if (leastAvailable(ovenHours, fromS, toS) <= 0) return;
      const last = found.at(-1);
      if (last && last.toS === fromS) last.toS = toS;
      else found.push({ fromS, toS });
    });
    const long = found.filter(({ fromS, toS }) => toS - fromS >= pullS);
    this.attended.set(pullS, long);
    return long;
  }

  /**
   * The latest start of a load that ends by `endByS`, not before `fromS`, with the oven's other loads, its temperature
   * changes and its hours respected, and room for the tasks that go with it; null when there is none.
   * @param fits whether what follows from such a start finds its hands
   */
  latestStart(
    oven: PlanOven,
    bake: OvenBake,
    endByS: number,
    fromS: number,
    tasksAt: (startS: number) => readonly Task[] = () => [],
    fits: (startS: number) => boolean = () => true,
  ): number | null {
    const others = this.loads.get(oven.id) ?? [];
    const hours = this.attendedFor(bake.pullS);
    const { coldOvens, nowS } = this.problem;
    let startS = Math.floor((endByS - bake.pullS) / 60) * 60;
    while (startS >= fromS) {
      const endS = startS + bake.pullS;
      const attended = hours.findLast((stretch) => stretch.fromS <= startS);
      if (!attended) return null;
      if (coldOvens && attended.fromS > nowS && startS < attended.fromS + heatUpS(oven, bake.setC)) {
        // Not hot yet: the last load of the hours before is the next chance.
        startS = Math.min(startS - 60, Math.floor((attended.fromS - 1) / 60) * 60);
        continue;
      }
      if (attended.toS < endS) {
        startS = Math.min(startS - 60, Math.floor((attended.toS - bake.pullS) / 60) * 60);
        continue;
      }
      const { loadGapS } = this.problem;
      const clash = others.find(
        (o) =>
          startS < o.endS + betweenLoadsS(oven, o.setC, bake.setC, loadGapS) &&
          endS + betweenLoadsS(oven, bake.setC, o.setC, loadGapS) > o.startS,
      );
      if (clash) {
        const gap = betweenLoadsS(oven, bake.setC, clash.setC, loadGapS);
        startS = Math.min(startS - 60, Math.floor((clash.startS - gap - bake.pullS) / 60) * 60);
        continue;
      }
      const stop = this.blocking(tasksAt(startS));
      if (!stop && fits(startS)) return startS;
      // Whoever stands at another oven is free again in a minute.
      startS -= stop && atOven.has(stop.task.kind) ? 60 : searchStepS;
    }
    return null;
  }

  /** How much longer than between two loads of one temperature a chamber heats for a load at that moment, s. */
  heatingS(oven: PlanOven, { setC, pullS }: OvenBake, startS: number): number {
    let heating = heatUpS(oven, setC);
    for (const other of this.loads.get(oven.id) ?? []) {
      const isBefore = other.startS > startS;
      const change = isBefore ? changeS(oven, setC, other.setC) : changeS(oven, other.setC, setC);
      const idle = isBefore ? other.startS - startS - pullS : startS - other.endS;
      heating = Math.min(heating, Math.max(change, idle));
    }
    return heating;
  }

  /** The first resource that a task finds taken; what a later one meets is put in as it passes, for they share racks and trays too. */
  blocking(tasks: readonly Task[]): { readonly resource: Resource; readonly task: Task } | null {
    let found: { resource: Resource; task: Task } | null = null;
    const put: Task[] = [];
    for (const [i, task] of tasks.entries()) {
      const resource = this.timeline.blockedBy(task.uses, task.startS, task.endS);
      if (resource) {
        found = { resource, task };
        break;
      }
      if (!meetsLater(tasks, i)) continue;
      this.timeline.add(task);
      put.push(task);
    }
    for (const task of put) this.timeline.remove(task);
    return found;
  }
}
