import { did, kind, withRow } from './kind.js';

/** An ingredient was weighed; weighing it again corrects the figure. */
export const weighed = kind('weighed', (lot, entry) => ({
  ...lot,
  weighed: withRow(lot.weighed, entry.payload.key, did(entry)),
}));
