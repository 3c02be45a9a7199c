import { theLine } from './support/line.js';

theLine('en');
