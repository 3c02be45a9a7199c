import { doughLines } from '../../formula/index.js';
import { foodOf } from '../../ingredient/index.js';
import { asPinned } from '../../lot/index.js';
import { did, kind } from './kind.js';

/**
 * Mixing began: the lot pins what it is. The first record counts, whatever is changed or sent afterwards. One that is made
 * of something that nobody knows is no record: everything that is computed of the lot would fail.
 */
export const begun = kind('begun', (lot, entry) => {
  if (lot.begun) return lot;
  const record = asPinned(did(entry));
  for (const line of [...doughLines(record.formula), ...record.formula.toppings]) foodOf(line);
  return { ...lot, begun: record };
});
