import { setImmediate as turn } from 'node:timers/promises';

interface Waiting<In, Out> {
  readonly item: In;
  readonly size: number;
  readonly resolve: (out: Out) => void;
  readonly reject: (error: unknown) => void;
}

interface How<In> {
  /** How large a group may be, by `sizeOf` its items; a single item may be larger. */
  readonly most: number;
  readonly sizeOf?: (item: In) => number;
  /** An error that would meet each one alone too, such as a database that is away. */
  readonly isEverybodys?: (error: unknown) => boolean;
  /** How long the next group waits at most for those that were just answered, ms; 0 for not at all. */
  readonly gatherMs?: number;
}

/**
 * What comes while an earlier group is being worked on waits, and is then done together in one go. A group that fails is
 * done again one by one, so that only what is wrong itself is refused.
 *
 * Several that ask again as soon as they are answered would fall into two halves, each waiting for the other's work: the
 * next group begins when as many are there as asked at once before. Who asks alone, or seldom, never waits for others.
 */
export class InGroups<In, Out> {
  private waiting: Waiting<In, Out>[] = [];
  private working = false;
  /** How many asked at once when the last group was answered, and until when the next one waits for them. */
  private asking = 1;
  private untilMs = 0;
  private readonly how: Required<How<In>>;

  /** @param work does a group, with one answer for each of it */
  constructor(
    private readonly work: (group: readonly In[]) => Promise<readonly Out[]>,
    how: How<In>,
  ) {
    this.how = { sizeOf: () => 1, isEverybodys: () => false, gatherMs: 0, ...how };
  }

  ask(item: In): Promise<Out> {
    const answer = new Promise<Out>((resolve, reject) => {
      this.waiting.push({ item, size: this.how.sizeOf(item), resolve, reject });
    });
    if (!this.working) void this.go();
    return answer;
  }

  private async go(): Promise<void> {
    this.working = true;
    while (this.waiting.length > 0) {
      // What lies ready to be read belongs to this group too.
      do await turn();
      while (this.waiting.length < this.asking && performance.now() < this.untilMs);
      const group = this.next();
      await this.one(group);
      this.asking = group.length + this.waiting.length;
      this.untilMs = performance.now() + this.how.gatherMs;
    }
    this.working = false;
  }

  private next(): readonly Waiting<In, Out>[] {
    let size = 0;
    const end = this.waiting.findIndex((item, i) => (size += item.size) > this.how.most && i > 0);
    const group = end < 0 ? this.waiting : this.waiting.slice(0, end);
    this.waiting = end < 0 ? [] : this.waiting.slice(end);
    return group;
  }

  private async one(group: readonly Waiting<In, Out>[]): Promise<void> {
    try {
      const answers = await this.work(group.map(({ item }) => item));
      group.forEach(({ resolve }, i) => resolve(answers[i] as Out));
    } catch (error) {
      if (group.length > 1 && !this.how.isEverybodys(error))
        for (const alone of group) await this.one([alone]);
      else for (const { reject } of group) reject(error);
    }
  }
}
