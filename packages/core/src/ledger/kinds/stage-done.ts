import { did, kind, withRow } from './kind.js';

/** A stage at the mixer was stopped. */
export const stageDone = kind('stage-done', (lot, entry) => ({
  ...lot,
  stages: withRow(lot.stages, entry.payload.stageId, did(entry)),
}));
