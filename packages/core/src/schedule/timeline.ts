import type { Availability, Resource, Task, Use } from './problem.js';

interface Taken {
  readonly startS: number;
  readonly endS: number;
  readonly amount: number;
}

/** What is used of every resource over time, while a plan is being built. */
export class Timeline {
  private readonly uses = new Map<string, Taken[]>();
  private readonly resources: ReadonlyMap<string, Resource>;

  constructor(resources: readonly Resource[]) {
    this.resources = new Map(resources.map((resource) => [resource.id, resource]));
  }

  add(task: Task): void {
    for (const { resourceId, amount } of task.uses) {
      const list = this.uses.get(resourceId) ?? [];
      list.push({ startS: task.startS, endS: task.endS, amount });
      this.uses.set(resourceId, list);
    }
  }

  /** Takes back what `add` put in. */
  remove(task: Task): void {
    for (const { resourceId, amount } of task.uses) {
      const list = this.uses.get(resourceId) ?? [];
      const i = list.findLastIndex(
        (u) => u.startS === task.startS && u.endS === task.endS && u.amount === amount,
      );
      if (i < 0) continue;
      list[i] = list.at(-1) as Taken;
      list.pop();
    }
  }

  /** The first resource that cannot give what the uses need over the whole stretch; null when all can. */
  blockedBy(uses: readonly Use[], startS: number, endS: number): Resource | null {
    for (const { resourceId, amount } of uses) {
      const resource = this.resources.get(resourceId);
      if (!resource) return { id: resourceId, name: resourceId, capacity: 0 };
      const there = leastCapacity(resource, startS, endS);
      if (amount > there || this.peak(resourceId, startS, endS) + amount > there) return resource;
    }
    return null;
  }

  private peak(resourceId: string, startS: number, endS: number): number {
    const list = this.uses.get(resourceId);
    if (!list) return 0;
    const overlapping: Taken[] = [];
    let sum = 0;
    for (const use of list) {
      if (use.startS >= endS || use.endS <= startS) continue;
      overlapping.push(use);
      sum += use.amount;
    }
    // As much as all together is the most that it can be; only several that begin at different times need a count.
    if (overlapping.length < 2) return sum;
    let peak = 0;
    for (const { startS: at } of overlapping) {
      const moment = Math.max(at, startS);
      let here = 0;
      for (const u of overlapping) if (u.startS <= moment && u.endS > moment) here += u.amount;
      if (here > peak) peak = here;
    }
    return peak;
  }
}

/** Smallest capacity over a stretch; zero where it leaves the availability. */
export const leastCapacity = (resource: Resource, startS: number, endS: number): number =>
  resource.when ? leastAvailable(resource.when, startS, endS) : resource.capacity;

/**
 * Smallest number that is there over the whole stretch. Stretches that overlap add up (two shifts at the same time are
 * two people), and one that follows another goes on from it.
 */
export const leastAvailable = (when: readonly Availability[], startS: number, endS: number): number => {
  const near = when.filter(({ fromS, toS }) => fromS < endS && toS > startS);
  const at = (s: number) => {
    let sum = 0;
    for (const { fromS, toS, capacity } of near) if (fromS <= s && s < toS) sum += capacity;
    return sum;
  };
  let least = at(startS);
  for (const { fromS, toS } of near)
    for (const s of [fromS, toS]) if (s > startS && s < endS) least = Math.min(least, at(s));
  return least;
};
