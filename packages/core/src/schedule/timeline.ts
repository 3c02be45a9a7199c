import type { Availability, Resource, Task, Use } from './problem.js';

/** What is used of every resource over time, while a plan is being built. */
export class Timeline {
  private readonly uses = new Map<string, { startS: number; endS: number; amount: number }[]>();
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
      if (i >= 0) list.splice(i, 1);
    }
  }

  /** The first resource that cannot give what the uses need over the whole stretch; null when all can. */
  blockedBy(uses: readonly Use[], startS: number, endS: number): Resource | null {
    for (const { resourceId, amount } of uses) {
      const resource = this.resources.get(resourceId);
      if (!resource) return { id: resourceId, name: resourceId, capacity: 0 };
      if (this.peak(resourceId, startS, endS) + amount > leastCapacity(resource, startS, endS))
        return resource;
    }
    return null;
  }

  private peak(resourceId: string, startS: number, endS: number): number {
    const overlapping = (this.uses.get(resourceId) ?? []).filter((u) => u.startS < endS && u.endS > startS);
    let peak = 0;
    for (const { startS: at } of [...overlapping, { startS }]) {
      if (at >= endS) continue;
      const moment = Math.max(at, startS);
      let sum = 0;
      for (const u of overlapping) if (u.startS <= moment && u.endS > moment) sum += u.amount;
      peak = Math.max(peak, sum);
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
  const at = (s: number) =>
    when.reduce((sum, { fromS, toS, capacity }) => (fromS <= s && s < toS ? sum + capacity : sum), 0);
  let least = at(startS);
  for (const { fromS, toS } of when)
    for (const s of [fromS, toS]) if (s > startS && s < endS) least = Math.min(least, at(s));
  return least;
};
