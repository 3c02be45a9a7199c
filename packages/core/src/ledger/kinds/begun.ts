import { asPinned } from '../../lot/index.js';
import { did, kind } from './kind.js';

/** Mixing began: the lot pins what it is. The first record counts, whatever is changed or sent afterwards. */
export const begun = kind('begun', (lot, entry) =>
  lot.begun ? lot : { ...lot, begun: asPinned(did(entry)) },
);
