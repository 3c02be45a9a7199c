import { did, kind } from './kind.js';

/** Liquid was given to a crumbly dough, or a loose one left to rest. */
export const adjusted = kind('adjusted', (lot, entry) => ({
  ...lot,
  adjusted: [...lot.adjusted, did(entry)],
}));
