import type { DraftEntry, EntryKind, Payloads, Chance } from '@jokul/core';

/** Collects made-up journal entries. */
export class DemoWriter {
  readonly entries: DraftEntry[] = [];

  constructor(private readonly random: Chance) {}

  write<K extends EntryKind>(kind: K, atS: number, who: string, lot: string, payload: Payloads[K]): void {
    const entry = {
      id: this.random.uuid(),
      atMs: Math.round(atS * 1000),
      who,
      device: 'demo',
      lot,
      kind,
      payload,
    };
    this.entries.push(entry as DraftEntry);
  }
}
