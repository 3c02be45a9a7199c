import type { DraftEntry } from './entry.js';
import { kinds, type Kind } from './kinds/index.js';
import { stampOf } from './kinds/kind.js';
import { emptyLot, emptyState, type FloorState, type LotState } from './state.js';

/**
 * The lot after one more entry. An entry that breaks its own kind hides itself with a notice: one bad row must never
 * take a whole screen away.
 */
export const applyEntry = (lot: LotState, entry: DraftEntry): LotState => {
  try {
    return (kinds[entry.kind].reduce as Kind<never>['reduce'])(lot, entry as never);
  } catch {
    const unreadable = { ...stampOf(entry), lot: entry.lot, code: 'unreadable', subject: entry.lot } as const;
    return { ...lot, notices: [...lot.notices, unreadable] };
  }
};

/** An entry with its place in the order: by its number, and behind all numbers while it has none yet. */
interface Row {
  readonly entry: DraftEntry;
  readonly seq: number;
}

interface LotRows {
  rows: Row[];
  state: LotState;
  /** Reduced anew the next time somebody looks. */
  dirty: boolean;
}

/**
 * The floor as the entries make it, kept up to date entry by entry: each belongs to one lot and changes that lot only,
 * so that a further entry costs the same after a week and after three years.
 */
export class Ledger {
  private readonly lots = new Map<string, LotRows>();
  private readonly lotOf = new Map<string, string>();
  private readonly struck = new Map<string, Set<string>>();
  private readonly changed = new Set<string>();
  private made: FloorState = emptyState;
  private pendingSeq = Number.MAX_SAFE_INTEGER - 1e9;

  /**
   * Takes in an entry. The same one again changes nothing, but for its number once it is known.
   * @param seq its number in the ledger; left out while the server has not confirmed it
   */
  put(entry: DraftEntry, seq?: number): void {
    const known = this.lotOf.get(entry.id);
    if (known !== undefined) {
      if (seq !== undefined) this.renumber(known, entry.id, seq);
      return;
    }
    this.lotOf.set(entry.id, entry.lot);
    if (entry.kind === 'struck') this.strike(entry.payload.entryId, entry.id);
    const row: Row = { entry, seq: seq ?? this.pendingSeq++ };
    const own = this.rowsOf(entry.lot);
    const last = own.rows.at(-1);
    this.changed.add(entry.lot);
    if (last && last.seq > row.seq) {
      own.rows.splice(
        own.rows.findIndex((other) => other.seq > row.seq),
        0,
        row,
      );
      own.dirty = true;
      return;
    }
    own.rows.push(row);
    if (!own.dirty && !this.isStruck(entry.id)) own.state = applyEntry(own.state, entry);
  }

  /** Drops an entry that was refused, as if it had never been made. */
  remove(id: string): void {
    const lot = this.lotOf.get(id);
    if (lot === undefined) return;
    const own = this.rowsOf(lot);
    const [row] = own.rows.splice(
      own.rows.findIndex(({ entry }) => entry.id === id),
      1,
    );
    this.lotOf.delete(id);
    this.dirty(lot);
    if (row?.entry.kind !== 'struck') return;
    const target = row.entry.payload.entryId;
    this.struck.get(target)?.delete(id);
    this.dirty(this.lotOf.get(target));
  }

  /** What all entries make of the floor; the same object until another one comes in. */
  floor(): FloorState {
    if (this.changed.size === 0) return this.made;
    const lots = new Map(this.made.lots);
    const trays = new Map(this.made.trays);
    let notices = this.made.notices;
    for (const lot of this.changed) {
      const own = this.rowsOf(lot);
      if (own.dirty) this.reduce(own, lot);
      const before = lots.get(lot);
      for (const id of before?.trays.keys() ?? []) trays.delete(id);
      for (const [id, tray] of own.state.trays) trays.set(id, tray);
      if ((before?.notices ?? []) !== own.state.notices && (before || own.state.notices.length > 0))
        notices = [...notices.filter((notice) => notice.lot !== lot), ...own.state.notices];
      if (own.rows.length > 0) lots.set(lot, own.state);
      else {
        lots.delete(lot);
        this.lots.delete(lot);
      }
    }
    this.changed.clear();
    this.made = { lots, trays, notices: [...notices].sort((a, b) => a.atMs - b.atMs) };
    return this.made;
  }

  private rowsOf(lot: string): LotRows {
    let own = this.lots.get(lot);
    if (!own) this.lots.set(lot, (own = { rows: [], state: emptyLot(lot), dirty: false }));
    return own;
  }

  private reduce(own: LotRows, lot: string): void {
    own.state = own.rows
      .filter(({ entry }) => !this.isStruck(entry.id))
      .reduce((state, { entry }) => applyEntry(state, entry), emptyLot(lot));
    own.dirty = false;
  }

  private isStruck(id: string): boolean {
    return (this.struck.get(id)?.size ?? 0) > 0;
  }

  private strike(target: string, by: string): void {
    this.struck.set(target, (this.struck.get(target) ?? new Set()).add(by));
    this.dirty(this.lotOf.get(target));
  }

  private dirty(lot: string | undefined): void {
    if (lot === undefined) return;
    this.rowsOf(lot).dirty = true;
    this.changed.add(lot);
  }

  private renumber(lot: string, id: string, seq: number): void {
    const own = this.rowsOf(lot);
    const at = own.rows.findIndex(({ entry }) => entry.id === id);
    const row = own.rows[at];
    if (!row || row.seq === seq) return;
    own.rows.splice(at, 1);
    const to = own.rows.findIndex((other) => other.seq > seq);
    const place = to === -1 ? own.rows.length : to;
    own.rows.splice(place, 0, { entry: row.entry, seq });
    // Its turn among the entries of its lot changed only if another one was confirmed before it.
    if (place !== at) this.dirty(lot);
  }
}

/** What the entries, in their order, make of the floor. */
export const reduceLedger = (entries: readonly DraftEntry[]): FloorState => {
  const ledger = new Ledger();
  entries.forEach((entry, i) => ledger.put(entry, i));
  return ledger.floor();
};
