export * from './formula.js';
export * from './amounts.js';
export * from './dough.js';
export * from './shares.js';
export * from './compare.js';
