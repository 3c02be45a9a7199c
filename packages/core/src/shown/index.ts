export * from './as-fraction.js';
export * from './error.js';
export * from './say.js';
export * from './format.js';
export * from './expression.js';
export * from './figure.js';
