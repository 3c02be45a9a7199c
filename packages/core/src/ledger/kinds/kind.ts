import type { DraftEntry, EntryKind, Payloads } from '../entry.js';
import type { Stamp, LotState, NoticeTold } from '../state.js';

export type EntryOf<K extends EntryKind> = Extract<DraftEntry, { kind: K }>;

/** What one kind of entry does: it changes the state of the lot that it belongs to, and of nothing else. */
export interface Kind<K extends EntryKind> {
  readonly kind: K;
  /** The lot after the entry. An entry that cannot take effect leaves a notice; none is refused. */
  readonly reduce: (lot: LotState, entry: EntryOf<K>) => LotState;
  /**
   * Whether the entry can move the dough into a place or out of one: what lies in the cold is looked up in a table, and
   * only such entries change it.
   */
  readonly moves?: boolean;
}

export const kind = <K extends EntryKind>(
  name: K,
  reduce: Kind<K>['reduce'],
  options: { readonly moves?: boolean } = {},
): Kind<K> => ({ kind: name, reduce, ...options });

export const stampOf = (entry: DraftEntry): Stamp => ({
  atMs: entry.atMs,
  who: entry.who,
  entryId: entry.id,
});

/** What was written down, with who and when. */
export const did = <K extends EntryKind>(entry: EntryOf<K>): Stamp & Payloads[K] => ({
  ...stampOf(entry),
  ...(entry.payload as Payloads[K]),
});

export const withNotice = (lot: LotState, entry: DraftEntry, told: NoticeTold): LotState => ({
  ...lot,
  notices: [...lot.notices, { ...stampOf(entry), lot: entry.lot, ...told }],
});

/** The map with one more row: what people name (a stage, an ingredient, a tray) is a key of a map, never of an object. */
export const withRow = <V>(map: ReadonlyMap<string, V>, key: string, value: V): ReadonlyMap<string, V> =>
  new Map(map).set(key, value);
