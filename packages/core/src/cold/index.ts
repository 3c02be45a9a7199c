export * from './simulated-probe.js';
export * from './watch.js';
export * from './places.js';
export * from './window.js';
export * from './needle.js';
