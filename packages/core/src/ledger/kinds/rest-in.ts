import type { ColdStay } from '../state.js';
import { stampOf, did, kind, withNotice } from './kind.js';

/**
 * The dough went into a place. It lies in one place at a time: put into the same one twice, the first press counts; put
 * into another one, it has left the place before.
 */
export const restIn = kind(
  'rest-in',
  (lot, entry) => {
    const open = lot.stays.findLast((stay) => stay.outMs === null);
    if (open?.placeId === entry.payload.placeId) {
      const { placeId } = entry.payload;
      return withNotice(lot, entry, {
        code: 'already',
        step: 'rest-in',
        subject: entry.lot,
        placeId,
        by: open,
      });
    }
    const moved = lot.stays.map((stay): ColdStay =>
      stay.outMs === null ? { ...stay, outMs: Math.max(stay.atMs, entry.atMs), out: stampOf(entry) } : stay,
    );
    return { ...lot, stays: [...moved, { ...did(entry), outMs: null, out: null, taken: [], cores: [] }] };
  },
  { moves: true },
);
