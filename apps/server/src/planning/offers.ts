import { randomUUID } from 'node:crypto';

/** So many are kept: they are looked at for minutes. */
const mostKept = 20;

/** What was worked out and may be taken by its name; the oldest are forgotten. */
export class Offers<Offer> {
  private readonly kept = new Map<string, Offer>();

  /** @returns the name to take it by */
  keep(offer: Offer): string {
    const id = randomUUID();
    this.kept.set(id, offer);
    for (const old of [...this.kept.keys()].slice(0, -mostKept)) this.kept.delete(old);
    return id;
  }

  get(id: string): Offer | undefined {
    return this.kept.get(id);
  }

  drop(id: string): void {
    this.kept.delete(id);
  }
}
