export * from './forecast.js';
export * from './learn-spreads.js';
export * from './what-is-there.js';
