export * from './layout.js';
