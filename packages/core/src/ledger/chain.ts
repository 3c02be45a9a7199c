import canonicalize from 'canonicalize';
import type { DraftEntry, JournalEntry } from './entry.js';

/** The hash before the first entry. */
export const genesisHash = '0'.repeat(64);

/** One text for one value, whatever the order of its keys (RFC 8785). @throws Error for a number that is none, or a broken character */
export const canonicalJson = (value: unknown): string => canonicalize(value) ?? 'null';

/** The text that is hashed for an entry: the hash before it and everything the client wrote. */
export const chainText = (prevHash: string, entry: DraftEntry): string =>
  prevHash +
  canonicalJson({
    id: entry.id,
    atMs: entry.atMs,
    who: entry.who,
    device: entry.device,
    lot: entry.lot,
    kind: entry.kind,
    payload: entry.payload,
  });

/**
 * The sequence number of the first entry whose hash does not follow from the one before; null for a sound chain.
 * @param sha256 hex digest of a text; given, so that this stays free of platform code
 */
export const firstBrokenSeq = (
  entries: readonly JournalEntry[],
  sha256: (text: string) => string,
  startHash = genesisHash,
): number | null => {
  let prev = startHash;
  for (const entry of entries) {
    if (entry.prevHash !== prev || entry.hash !== sha256(chainText(prev, entry))) return entry.seq;
    prev = entry.hash;
  }
  return null;
};
