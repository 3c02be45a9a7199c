import { kind } from './kind.js';

/** A mistake is struck by a further entry; what it struck is passed over as if it had never been written. */
export const struck = kind('struck', (lot) => lot, { moves: true });
