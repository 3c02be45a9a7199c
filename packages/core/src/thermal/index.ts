export * from './components.js';
export * from './milk-fat.js';
export * from './dough-material.js';
export * from './material.js';
export * from './body.js';
export * from './conduct.js';
export * from './place.js';
