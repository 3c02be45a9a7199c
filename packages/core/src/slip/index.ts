export * from './forecast.js';
export * from './learn-spreads.js';
