import type { Task, Use } from '../problem/plan.js';
import { leastAvailable } from '../problem/availability.js';
import type { Resource } from '../problem/problem.js';

interface Taken {
  readonly startS: number;
  readonly endS: number;
  readonly amount: number;
}

/** What is taken of one resource, in the order of its beginning. */
interface Uses {
  readonly list: Taken[];
  /** The longest that any of it ever lasted, s: nothing that began longer ago reaches into a moment. */
  longestS: number;
}

/** Where the first use stands that does not begin before a moment. */
const firstFrom = (list: readonly Taken[], fromS: number): number => {
  let [low, high] = [0, list.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as Taken).startS < fromS) low = middle + 1;
    else high = middle;
  }
  return low;
};

/** What is used of every resource over time, while a plan is being built. */
export class Timeline {
  private readonly uses = new Map<string, Uses>();
  private readonly resources: ReadonlyMap<string, Resource>;

  constructor(resources: readonly Resource[]) {
    this.resources = new Map(resources.map((resource) => [resource.id, resource]));
  }

  add({ startS, endS, uses }: Pick<Task, 'startS' | 'endS' | 'uses'>): void {
    for (const { resourceId, amount } of uses) {
      let own = this.uses.get(resourceId);
      if (!own) this.uses.set(resourceId, (own = { list: [], longestS: 0 }));
      own.list.splice(firstFrom(own.list, startS), 0, { startS, endS, amount });
      if (endS - startS > own.longestS) own.longestS = endS - startS;
    }
  }

  /** Takes back what `add` put in. */
  remove({ startS, endS, uses }: Pick<Task, 'startS' | 'endS' | 'uses'>): void {
    for (const { resourceId, amount } of uses) {
      const list = this.uses.get(resourceId)?.list;
      if (!list) continue;
      for (let i = firstFrom(list, startS); list[i]?.startS === startS; i++) {
        const use = list[i] as Taken;
        if (use.endS !== endS || use.amount !== amount) continue;
        list.splice(i, 1);
        break;
      }
    }
  }

  /** The first resource that cannot give what the uses need over the whole stretch; null when all can. */
  blockedBy(uses: readonly Use[], startS: number, endS: number): Resource | null {
    for (const { resourceId, amount } of uses) {
      const resource = this.resources.get(resourceId);
      if (!resource) return { id: resourceId, name: resourceId, capacity: 0 };
      const there = leastCapacity(resource, startS, endS);
      if (amount > there || !this.staysWithin(resourceId, startS, endS, there - amount)) return resource;
    }
    return null;
  }

  /** Whether so much is never exceeded over a stretch by what is taken already. */
  private staysWithin(resourceId: string, startS: number, endS: number, most: number): boolean {
    const own = this.uses.get(resourceId);
    if (!own) return most >= 0;
    const { list, longestS } = own;
    const overlapping: Taken[] = [];
    let sum = 0;
    for (let i = firstFrom(list, startS - longestS); i < list.length; i++) {
      const use = list[i] as Taken;
      if (use.startS >= endS) break;
      if (use.endS <= startS) continue;
      overlapping.push(use);
      sum += use.amount;
    }
    // All together is the most that it can be; only where that is too much is it counted who is there at once.
    if (sum <= most) return true;
    if (overlapping.length < 2) return false;
    for (const { startS: at } of overlapping) {
      const moment = Math.max(at, startS);
      let here = 0;
      for (const u of overlapping) {
        // In the order of their beginning: none of the rest has begun.
        if (u.startS > moment) break;
        if (u.endS > moment) here += u.amount;
      }
      if (here > most) return false;
    }
    return true;
  }
}

/** Smallest capacity over a stretch; zero where it leaves the availability. */
export const leastCapacity = (resource: Resource, startS: number, endS: number): number =>
  resource.when ? leastAvailable(resource.when, startS, endS) : resource.capacity;
