export * from './allergen.js';
export * from './ingredient.js';
export * from './composite.js';
export * from './library/index.js';
export * from './convert.js';
export * from './own.js';
export * from './milk-fat.js';
export * from './fat-curves.js';
