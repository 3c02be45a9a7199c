import { theLine } from './support/line.js';

// In words with accents, so that nothing the line needs stands outside the catalogue; in English to see what is wrong.
theLine(process.env.JOKUL_E2E_LANGUAGE === 'en' ? 'en' : 'pseudo');
