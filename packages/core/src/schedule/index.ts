export * from './equipment.js';
export * from './problem.js';
export * from './solve.js';
export * from './check.js';
export * from './bound.js';
export * from './day.js';
export * from './ribbon.js';
export { waitMaxS } from './place-batch.js';
export * from './retime.js';
