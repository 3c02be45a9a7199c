export * from './mass.js';
export * from './temperature.js';
export * from './typed.js';
export * from './clock.js';
export * from './time-of-day.js';
export * from './chance.js';
