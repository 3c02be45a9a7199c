export * from './layout.js';
export * from './template.js';
