export * from './adjustment.js';
export * from './learnable.js';
export * from './calibration.js';
export * from './calibrated.js';
export * from './pull-certainty.js';
