export * from './forecast.js';
