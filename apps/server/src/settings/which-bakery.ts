import { Injectable } from '@nestjs/common';
import { JokulError, say } from '@jokul/core';
import type { BakeryName } from '@jokul/contracts';

export type BakeryKind = 'demo' | 'own';

/** What whoever started this server is told. */
export type BakeryNews = { readonly open: string } | { readonly name: string };

/** So many bakeries of one's own on one machine. */
const most = 99;

/** Which bakery this server serves, and the way to the others: each has records of its own, in a folder of its own. */
@Injectable()
export class WhichBakery {
  private leave: (() => void) | null = null;
  /** The bakery that is being opened. */
  private opening: string | null = null;
  /** What whoever started this server knows this bakery by. */
  private told: string | undefined;
  readonly kind: BakeryKind;

  /**
   * @param id "demo", or one of the house's own: "own", "own-2"
   * @param other whether whoever started this server opens another bakery when it ends as it was told to
   * @param known the house's own bakeries on this machine, as the start command knows them
   * @param tell says something to whoever started this server
   */
  constructor(
    readonly id: string,
    readonly other: boolean,
    private readonly known: readonly BakeryName[] = [],
    private readonly tell: (news: BakeryNews) => void = () => undefined,
  ) {
    this.kind = id === 'demo' ? 'demo' : 'own';
    this.told = known.find((own) => own.id === id)?.name;
  }

  /** What ends this server, as whoever started it waits for. */
  onLeave(leave: () => void): void {
    this.leave = leave;
  }

  /**
   * The house's own bakeries, this one by the name that it has now. A new name is said to whoever started this server, so
   * that it is known by it while another one is open, however it came by it: typed, or with a setup file or a backup.
   */
  own(name: string): readonly BakeryName[] {
    if (this.kind === 'demo') return this.known;
    if (name !== this.told) this.tell({ name });
    this.told = name;
    const others = this.known.filter(({ id }) => id !== this.id);
    return [...others, { id: this.id, name }].sort((a, b) =>
      a.id.localeCompare(b.id, 'en', { numeric: true }),
    );
  }

  /**
   * Opens a bakery: soon after the answer has gone out this server makes room for it.
   * @param id which one of one's own, "new" for another one; the first one where left out
   * @returns its id; of two presses at once the first counts
   * @throws JokulError `no-other-bakery` where nobody would start it, `unknown-bakery`, `too-many-bakeries`
   */
  open(kind: BakeryKind, id = 'own'): string {
    const wanted = kind === 'demo' ? 'demo' : id === 'new' ? this.free() : id;
    if (this.opening !== null) return this.opening;
    if (wanted === this.id) return wanted;
    if (!this.other || !this.leave)
      throw new JokulError(
        'no-other-bakery',
        say`This server was not started by "npm start", so it cannot open another bakery. Nothing has changed.`,
        'kind',
      );
    // The first one is begun when it is opened.
    const exists = ['demo', 'own'].includes(wanted) || this.known.some((own) => own.id === wanted);
    if (!exists && id !== 'new')
      throw new JokulError('unknown-bakery', say`There is no bakery "${wanted}" on this machine.`, 'id');
    this.opening = wanted;
    this.tell({ open: wanted });
    setTimeout(this.leave, 200).unref();
    return wanted;
  }

  private free(): string {
    const taken = new Set([this.id, ...this.known.map(({ id }) => id)]);
    for (let n = 1; n <= most; n++) {
      const id = n === 1 ? 'own' : `own-${n}`;
      if (!taken.has(id)) return id;
    }
    throw new JokulError('too-many-bakeries', say`There are ${most} bakeries on this machine already.`, 'id');
  }
}
