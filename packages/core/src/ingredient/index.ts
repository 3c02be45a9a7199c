export * from './ingredient.js';
export * from './library.js';
export * from './convert.js';
