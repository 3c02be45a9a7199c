import { createHash } from 'node:crypto';
import { chainText, type DraftEntry, type JournalEntry } from '@jokul/core';

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/** The end of the chain: the number and the hash of its last entry. */
export interface ChainEnd {
  readonly seq: number;
  readonly hash: string;
}

/** Entries as links of the chain behind its end, each UUID once, and the end that they make. */
export const chainOn = (
  end: ChainEnd,
  entries: readonly DraftEntry[],
): { readonly rows: readonly JournalEntry[]; readonly end: ChainEnd } => {
  const rows = new Map<string, JournalEntry>();
  let { seq, hash } = end;
  for (const { id, atMs, who, device, lot, kind, payload } of entries) {
    if (rows.has(id)) continue;
    const entry = { id, atMs, who, device, lot, kind, payload } as DraftEntry;
    const prevHash = hash;
    seq += 1;
    hash = sha256(chainText(prevHash, entry));
    rows.set(id, { ...entry, seq, prevHash, hash });
  }
  return { rows: [...rows.values()], end: { seq, hash } };
};

const columns = ['seq', 'id', 'atMs', 'who', 'device', 'lot', 'kind', 'payload', 'prevHash', 'hash'] as const;

/** Written out, without the mapper: this is what every press waits for. */
export const insertEntries = `INSERT INTO \`journal_entry\` (${columns.map((name) => `\`${name}\``).join(', ')}) VALUES ?`;

/** What stands in the columns of `insertEntries`. */
export const entryValues = (rows: readonly JournalEntry[]): readonly (readonly unknown[])[] =>
  rows.map((row) =>
    columns.map((column) => (column === 'payload' ? JSON.stringify(row.payload) : row[column])),
  );
