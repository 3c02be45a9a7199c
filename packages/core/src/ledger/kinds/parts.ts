import type { ColdStay, LotState } from '../state.js';
import { stampOf, did, kind, withNotice } from './kind.js';

/** What lies in the open stay, less what left it. */
const takenFrom = (
  lot: LotState,
  massG: number,
  pieces: number,
  stamp: ReturnType<typeof stampOf>,
): readonly ColdStay[] =>
  lot.stays.map((stay) => {
    if (stay.outMs !== null) return stay;
    const left = { massG: Math.max(0, stay.massG - massG), pieces: Math.max(0, stay.pieces - pieces) };
    return left.massG < 0.5
      ? { ...stay, outMs: Math.max(stay.atMs, stamp.atMs), out: stamp }
      : { ...stay, ...left };
  });

/** A part of the dough became a lot of its own. */
export const split = kind(
  'split',
  (lot, entry) => {
    const { into } = entry.payload;
    // A part gets its name once; dough that is worked into another lot may go there in several goes.
    const before = into.includes('.') ? lot.splits.find((other) => other.into === into) : undefined;
    if (before) return withNotice(lot, entry, { code: 'already', step: 'split', subject: into, by: before });
    const { massG, pieces } = entry.payload;
    return {
      ...lot,
      splits: [...lot.splits, did(entry)],
      stays: takenFrom(lot, massG, pieces, stampOf(entry)),
    };
  },
  { moves: true },
);

/** Dough of another lot was worked into this one. */
export const merged = kind('merged', (lot, entry) => ({ ...lot, merged: [...lot.merged, did(entry)] }));

/** Dough was thrown away, with the reason. */
export const discarded = kind(
  'discarded',
  (lot, entry) => {
    const { massG, pieces } = entry.payload;
    return {
      ...lot,
      discarded: [...lot.discarded, did(entry)],
      stays: takenFrom(lot, massG, pieces, stampOf(entry)),
    };
  },
  { moves: true },
);
