export * from './mass.js';
export * from './temperature.js';
export * from './clock.js';
export * from './chance.js';
