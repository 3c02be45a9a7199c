export * from './scoop.js';
export * from './measured-scoop.js';
export * from './count.js';
export * from './remainder.js';
export * from './sample.js';
export * from './check-weighing.js';
export * from './weigh-verdict.js';
export * from './control-chart.js';
