import { did, kind } from './kind.js';

/** A pan of butter was browned. */
export const browned = kind('browned', (lot, entry) => ({ ...lot, browned: [...lot.browned, did(entry)] }));
