export * from './words.js';
export * from './read-amount.js';
export * from './match-ingredient.js';
export * from './read-line.js';
export * from './weigh-line.js';
export * from './take-in.js';
export * from './give-out.js';
export * from './assemble.js';
