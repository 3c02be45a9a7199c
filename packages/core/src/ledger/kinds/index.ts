import type { EntryKind } from '../entry.js';
import { adjusted } from './adjusted.js';
import { begun } from './begun.js';
import { browned } from './browned.js';
import { inspected } from './inspected.js';
import type { Kind } from './kind.js';
import { loaded } from './loaded.js';
import { measured } from './measured.js';
import { mixed } from './mixed.js';
import { note } from './note.js';
import { discarded, merged, split } from './parts.js';
import { portioned } from './portioned.js';
import { prepared } from './prepared.js';
import { released } from './released.js';
import { restIn } from './rest-in.js';
import { restOut } from './rest-out.js';
import { stageDone } from './stage-done.js';
import { struck } from './struck.js';
import { flattened, iced, packed, pulled, racked, turned } from './tray-steps.js';
import { weighed } from './weighed.js';

export type { Kind } from './kind.js';

/** Every kind of entry. A new one is a file beside these and a line here. */
export const kinds: { readonly [K in EntryKind]: Kind<K> } = {
  begun,
  prepared,
  weighed,
  browned,
  measured,
  'stage-done': stageDone,
  adjusted,
  mixed,
  portioned,
  split,
  merged,
  'rest-in': restIn,
  'rest-out': restOut,
  released,
  discarded,
  loaded,
  turned,
  pulled,
  flattened,
  racked,
  iced,
  packed,
  inspected,
  note,
  struck,
};
