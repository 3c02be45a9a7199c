import { describe, expect, it } from '@jest/globals';
import { formatNumber, formatQuantity, sayDuration } from './format.js';

describe('numbers as a baker reads them', () => {
  it.each([
    [0, '0'],
    [1240.4, '1240'],
    [352.06, '352.1'],
    [35.204, '35.2'],
    [1.999, '2'],
    [0.85, '0.85'],
    [0.00421, '0.0042'],
    [0.00001, '1.00e-5'],
    [-12.5, '−12.5'],
    [-0.00004, '−4.00e-5'],
    [-1e-9, '−1.00e-9'],
    [2e8, '2.00e+8'],
  ])('%d reads %s', (value, text) => expect(formatNumber(value)).toBe(text));
});

describe('durations as a baker says them', () => {
  it.each([
    [0, '0 s'],
    [45, '45 s'],
    [60, '1 min'],
    [750, '12 min 30 s'],
    [3600, '1 h'],
    [4800, '1 h 20'],
    [3900, '1 h 05'],
    [26 * 3600, '26 h'],
    [76 * 3600, '3 d 4 h'],
    [72 * 3600, '3 d'],
    [-90, '−1 min 30 s'],
    [59.6, '1 min'],
  ])('%d s is %s', (seconds, text) => expect(sayDuration(seconds)).toBe(text));
});

describe('quantities', () => {
  it.each([
    [0.02, 'share', '2 %'],
    [300, 's', '5 min'],
    [12, 'g', '12 g'],
    [4, '°C', '4 °C'],
    [3, '', '3'],
    [96, 'pieces', '96 pieces'],
    [1, 'pieces', '1 piece'],
    [1, 'trays', '1 tray'],
    [0, 'batches', '0 batches'],
  ] as const)('%d %s is %s', (value, unit, text) => expect(formatQuantity(value, unit)).toBe(text));
});
