export * from './same-ledger.js';
export * from './entry.js';
export * from './chain.js';
export * from './state.js';
export * from './ledger.js';
export * from './due.js';
export { kinds } from './kinds/index.js';
export * from './projections/lot-row.js';
export * from './planned-stock.js';
