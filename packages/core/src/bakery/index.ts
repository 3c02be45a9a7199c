export * from './equipment.js';
export * from './calendar.js';
export * from './shift-parts.js';
export * from './in-use.js';
