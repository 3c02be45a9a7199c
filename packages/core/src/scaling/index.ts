export * from './check-scaling.js';
export * from './dough-needed.js';
export * from './split.js';
export * from './weigh-sheet.js';
