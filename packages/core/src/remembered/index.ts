export * from './remembering.js';
