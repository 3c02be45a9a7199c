export * from './entry.js';
export * from './chain.js';
export * from './state.js';
export * from './reduce.js';
export * from './due.js';
