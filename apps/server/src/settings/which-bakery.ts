import { Injectable } from '@nestjs/common';
import { JokulError } from '@jokul/core';

export type BakeryKind = 'demo' | 'own';

/** Which bakery this server serves, and the way to the other one: each has records of its own, in a folder of its own. */
@Injectable()
export class WhichBakery {
  private leave: (() => void) | null = null;

  constructor(
    readonly kind: BakeryKind,
    /** Whether whoever started this server opens the other bakery when it ends as it was told to. */
    readonly other: boolean,
  ) {}

  /** What ends this server, as whoever started it waits for. */
  onLeave(leave: () => void): void {
    this.leave = leave;
  }

  /**
   * Opens a bakery: soon after the answer has gone out this server makes room for the other one.
   * @throws JokulError `no-other-bakery` where nobody would start it again
   */
  open(kind: BakeryKind): void {
    if (kind === this.kind) return;
    if (!this.other || !this.leave)
      throw new JokulError(
        'no-other-bakery',
        'This server was not started by "npm start", so it cannot open the other bakery. Nothing has changed.',
        'kind',
      );
    setTimeout(this.leave, 200).unref();
  }
}
