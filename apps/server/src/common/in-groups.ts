import { setImmediate as turn } from 'node:timers/promises';

interface Waiting<In, Out> {
  readonly item: In;
  readonly size: number;
  readonly resolve: (out: Out) => void;
  readonly reject: (error: unknown) => void;
}

/**
 * What comes while an earlier group is being worked on waits, and is then done together in one go. A group that fails is
 * done again one by one, so that only what is wrong itself is refused.
 */
export class InGroups<In, Out> {
  private waiting: Waiting<In, Out>[] = [];
  private working = false;

  /**
   * @param work does a group, with one answer for each of it
   * @param most how large a group may be, by `sizeOf` its items; a single item may be larger
   * @param isEverybodys an error that would meet each one alone too, such as a database that is away
   */
  constructor(
    private readonly work: (group: readonly In[]) => Promise<readonly Out[]>,
    private readonly most: number,
    private readonly sizeOf: (item: In) => number = () => 1,
    private readonly isEverybodys: (error: unknown) => boolean = () => false,
  ) {}

  ask(item: In): Promise<Out> {
    const answer = new Promise<Out>((resolve, reject) => {
      this.waiting.push({ item, size: this.sizeOf(item), resolve, reject });
    });
    if (!this.working) void this.go();
    return answer;
  }

  private async go(): Promise<void> {
    this.working = true;
    while (this.waiting.length > 0) {
      // What lies ready to be read belongs to this group too.
      await turn();
      await this.one(this.next());
    }
    this.working = false;
  }

  private next(): readonly Waiting<In, Out>[] {
    let size = 0;
    const end = this.waiting.findIndex((item, i) => (size += item.size) > this.most && i > 0);
    const group = end < 0 ? this.waiting : this.waiting.slice(0, end);
    this.waiting = end < 0 ? [] : this.waiting.slice(end);
    return group;
  }

  private async one(group: readonly Waiting<In, Out>[]): Promise<void> {
    try {
      const answers = await this.work(group.map(({ item }) => item));
      group.forEach(({ resolve }, i) => resolve(answers[i] as Out));
    } catch (error) {
      if (group.length > 1 && !this.isEverybodys(error)) for (const alone of group) await this.one([alone]);
      else for (const { reject } of group) reject(error);
    }
  }
}
