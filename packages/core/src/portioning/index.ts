export * from './scoop.js';
export * from './count.js';
export * from './sample.js';
