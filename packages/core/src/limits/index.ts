export * from './limits.js';
