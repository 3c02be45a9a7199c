import { did, kind } from './kind.js';

/** Somebody decided that dough past its window is used all the same. */
export const released = kind('released', (lot, entry) => ({
  ...lot,
  released: [...lot.released, did(entry)],
}));
