export * from './parameters.js';
export * from './setup.js';
export * from './reading.js';
export * from './doneness.js';
export * from './simulate.js';
export * from './input.js';
export * from './bake.js';
export * from './outcome.js';
export { saturationPa } from './tables.js';
