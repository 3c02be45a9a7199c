export * from './formulas.js';
export * from './bakery.js';
