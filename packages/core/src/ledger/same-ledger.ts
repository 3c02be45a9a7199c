/**
 * How the ledger of a house's own bakery is told from the demo's, and from those of its other ones, before it has an entry
 * too.
 * @param id the bakery's: "own", "own-2"
 */
export const ownLedger = (firstHash: string, id = 'own'): string => `${id}:${firstHash}`;

/**
 * Whether what was written for one ledger belongs into another: `before` as a device followed it, empty where it followed
 * none; `now` as the server has it. A ledger gets the hash of its first entry to its name when there is one.
 */
export const sameLedger = (before: string, now: string): boolean =>
  now.startsWith(before) || now === ownLedger(before);
