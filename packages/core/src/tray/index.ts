export * from './layout.js';
export * from './template.js';
export * from './room.js';
export * from './bars.js';
export * from './mixed.js';
export * from './sides.js';
