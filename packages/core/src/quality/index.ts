export * from './tray.js';
