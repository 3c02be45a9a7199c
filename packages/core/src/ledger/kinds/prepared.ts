import { did, kind, withNotice, withRow } from './kind.js';

/** Of one dough each thing is made ready once, an oven for each load that wants it on. */
export const preparedKey = ({ what, loadId }: { readonly what: string; readonly loadId?: string }): string =>
  loadId === undefined ? what : `${what} ${loadId}`;

/** Butter or eggs were put out, or butter browned, before the dough is weighed; an oven turned on for it, or looked at. */
export const prepared = kind('prepared', (lot, entry) => {
  const before = lot.prepared.get(preparedKey(entry.payload));
  return before
    ? withNotice(lot, entry, { code: 'already', step: 'prepared', subject: lot.lot, by: before })
    : { ...lot, prepared: withRow(lot.prepared, preparedKey(entry.payload), did(entry)) };
});
