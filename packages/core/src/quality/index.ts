export * from './tray.js';
export * from './logged-bakes.js';
