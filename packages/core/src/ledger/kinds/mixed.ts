import { did, kind, withNotice } from './kind.js';

/** The dough is mixed. It is mixed once: of two presses the first counts. */
export const mixed = kind('mixed', (lot, entry) =>
  lot.mixed
    ? withNotice(lot, entry, { code: 'already', step: 'mixed', subject: entry.lot, by: lot.mixed })
    : { ...lot, mixed: did(entry) },
);
