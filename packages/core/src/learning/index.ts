export * from './logged.js';
export * from './logged-bakes.js';
export * from './forward.js';
export * from './fit.js';
export * from './next-bake.js';
export * from './learned-figure.js';
