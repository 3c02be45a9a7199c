export * from './cached.js';
