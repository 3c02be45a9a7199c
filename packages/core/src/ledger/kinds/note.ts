import { did, kind } from './kind.js';

export const note = kind('note', (lot, entry) => ({ ...lot, notes: [...lot.notes, did(entry)] }));
