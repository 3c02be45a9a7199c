import type { ColdStay, LotState } from '../state.js';
import { stampOf, kind, withNotice, type EntryOf } from './kind.js';

const notThere = (lot: LotState, entry: EntryOf<'rest-out'>): LotState => {
  const { placeId } = entry.payload;
  const before = lot.stays.findLast((stay) => stay.placeId === placeId)?.out;
  const subject = entry.lot;
  return withNotice(
    lot,
    entry,
    before
      ? { code: 'already', step: 'rest-out', subject, placeId, by: before }
      : { code: 'not-in-there', subject, placeId },
  );
};

/** The dough, or a part of it, left a place. What is left of it stays in there. */
export const restOut = kind(
  'rest-out',
  (lot, entry) => {
    const { placeId, pieces, massG } = entry.payload;
    const open = lot.stays.findLastIndex((stay) => stay.placeId === placeId && stay.outMs === null);
    const stay = lot.stays[open];
    if (!stay) return notThere(lot, entry);
    const left = {
      pieces: stay.pieces - (pieces ?? stay.pieces),
      massG: stay.massG - (massG ?? stay.massG),
    };
    const inPart = (pieces !== undefined || massG !== undefined) && (left.pieces > 0 || left.massG > 0);
    const outMs = Math.max(stay.atMs, entry.atMs);
    const after: ColdStay = inPart
      ? {
          ...stay,
          ...left,
          taken: [...stay.taken, { ...stampOf(entry), pieces: pieces ?? 0, massG: massG ?? 0 }],
        }
      : { ...stay, outMs, out: stampOf(entry) };
    return { ...lot, stays: lot.stays.map((s, i) => (i === open ? after : s)) };
  },
  { moves: true },
);
