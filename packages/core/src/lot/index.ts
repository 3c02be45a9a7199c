export * from './id.js';
export * from './record.js';
export * from './age.js';
export * from './balance.js';
