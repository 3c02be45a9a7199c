import type { ColdStay } from '../state.js';
import { stampOf, did, kind, withRow, type EntryOf } from './kind.js';

/** A dough that is measured while it lies in the cold was measured with a needle in its core. */
const withCore = (stays: readonly ColdStay[], entry: EntryOf<'measured'>): readonly ColdStay[] => {
  const open = stays.findLastIndex((stay) => stay.outMs === null);
  const core = { ...stampOf(entry), temperatureC: entry.payload.temperatureC };
  return stays.map((stay, i) => (i === open ? { ...stay, cores: [...stay.cores, core] } : stay));
};

/** A temperature was taken at the bench, or a core in the cold. */
export const measured = kind('measured', (lot, entry) => ({
  ...lot,
  measured: withRow(lot.measured, entry.payload.what, did(entry)),
  stays: entry.payload.what === 'dough' ? withCore(lot.stays, entry) : lot.stays,
}));
