interface Shared<T> {
  readonly answer: Promise<T>;
  readonly giveUp: AbortController;
  asking: number;
}

/** The same question asked by several at once is worked on once, and given up when all who asked have left. */
export class Together<T> {
  private readonly shared = new Map<string, Shared<T>>();

  /** @param left who asked has left; the others still wait */
  async ask(
    key: string,
    work: (signal: AbortSignal) => Promise<T>,
    left: AbortSignal = new AbortController().signal,
  ): Promise<T> {
    const mine = this.shared.get(key) ?? this.begin(key, work);
    mine.asking += 1;
    const leave = () => {
      mine.asking -= 1;
      if (mine.asking > 0) return;
      // Nobody who comes now wants what is being given up.
      if (this.shared.get(key) === mine) this.shared.delete(key);
      mine.giveUp.abort();
    };
    left.addEventListener('abort', leave, { once: true });
    try {
      left.throwIfAborted();
      return await mine.answer;
    } finally {
      left.removeEventListener('abort', leave);
    }
  }

  private begin(key: string, work: (signal: AbortSignal) => Promise<T>): Shared<T> {
    const giveUp = new AbortController();
    const answer = work(giveUp.signal);
    const shared: Shared<T> = { answer, giveUp, asking: 0 };
    this.shared.set(key, shared);
    const done = () => {
      if (this.shared.get(key) === shared) this.shared.delete(key);
    };
    answer.then(done, done);
    return shared;
  }
}
