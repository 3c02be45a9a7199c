import { theLine } from './support/line.js';

// Nothing that the line needs stands outside the catalogue of words.
theLine('pseudo');
