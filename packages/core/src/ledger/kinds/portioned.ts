import { did, kind, withNotice } from './kind.js';

/** The dough is portioned. It is portioned once: of two presses the first counts. */
export const portioned = kind('portioned', (lot, entry) =>
  lot.portioned
    ? withNotice(lot, entry, { code: 'already', step: 'portioned', subject: entry.lot, by: lot.portioned })
    : { ...lot, portioned: did(entry) },
);
