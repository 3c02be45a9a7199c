export * from './simulated-probe.js';
export * from './place-air-now.js';
export * from './followed.js';
export * from './use-first.js';
export * from './alarm.js';
export * from './places.js';
export * from './window.js';
export * from './needle.js';
