export * from './orders.js';
export * from './formula.js';
export * from './journal.js';
export * from './setup.js';
export * from './calc.js';
export * from './views.js';
export * from './plan-schema.js';
export * from './formula-schema.js';
