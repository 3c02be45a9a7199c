import { did, kind, withNotice, withRow } from './kind.js';

/** Butter or eggs were put out, or butter browned, before the dough is weighed; each once. */
export const prepared = kind('prepared', (lot, entry) => {
  const before = lot.prepared.get(entry.payload.what);
  return before
    ? withNotice(lot, entry, { code: 'already', step: 'prepared', subject: lot.lot, by: before })
    : { ...lot, prepared: withRow(lot.prepared, entry.payload.what, did(entry)) };
});
