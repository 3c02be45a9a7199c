import type { DraftEntry, EntryKind } from '../entry.js';
import { kinds } from '../kinds/index.js';
import { reduceLedger } from '../ledger.js';

/** What is looked up of lots without reading their lives: kept in a table, and made anew from the entries at any time. */
export interface LotRow {
  readonly lot: string;
  /** When something was first and last written down of it, ms. */
  readonly firstMs: number;
  readonly lastMs: number;
  /** Whether dough of it lies in a place now. */
  readonly inside: boolean;
  /** Whether somebody worked on it: it is a fact, no plan. */
  readonly worked: boolean;
  /** Whether it pinned what it is. */
  readonly begun: boolean;
  /** Whether a tray of it was measured. */
  readonly inspected: boolean;
}

/** Kinds that say something of a lot without working on it. */
const aside: ReadonlySet<EntryKind> = new Set<EntryKind>([
  'begun',
  'prepared',
  'note',
  'struck',
  'inspected',
  'measured',
]);
export const isWork = (kind: EntryKind): boolean => !aside.has(kind);

/** Whether a row can follow an entry without the lot's other entries. */
export const followsAlone = (kind: EntryKind): boolean => !kinds[kind].moves;

/** What a further entry adds to a row that follows it alone. */
export const rowAfter = ({ lot, atMs, kind }: DraftEntry): LotRow => ({
  lot,
  firstMs: atMs,
  lastMs: atMs,
  inside: false,
  worked: isWork(kind),
  begun: kind === 'begun',
  inspected: kind === 'inspected',
});

/**
 * The row of a lot by all of its entries.
 * @param struck ids of entries that were struck by entries of other lots
 */
export const lotRow = (
  lot: string,
  entries: readonly DraftEntry[],
  struck: ReadonlySet<string> = new Set(),
): LotRow => {
  const own = entries.filter(({ id }) => !struck.has(id));
  const state = reduceLedger(own).lots.get(lot);
  const strikes = new Set(own.flatMap((e) => (e.kind === 'struck' ? [e.payload.entryId] : [])));
  const left = own.filter(({ id }) => !strikes.has(id));
  const times = (left.length > 0 ? left : entries).map(({ atMs }) => atMs);
  return {
    lot,
    firstMs: Math.min(...times),
    lastMs: Math.max(...times),
    inside: state?.stays.some(({ outMs }) => outMs === null) ?? false,
    worked: left.some(({ kind }) => isWork(kind)),
    begun: left.some(({ kind }) => kind === 'begun'),
    inspected: left.some(({ kind }) => kind === 'inspected'),
  };
};
