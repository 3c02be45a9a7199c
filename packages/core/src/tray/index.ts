export * from './layout.js';
export * from './template.js';
export * from './room.js';
