export * from './mass.js';
export * from './temperature.js';
export * from './clock.js';
