import { describe, expect, it } from '@jest/globals';
import type { LearnableKind } from '@jokul/core';
import type { LearnedView } from '@jokul/contracts';
import { figureOf, learnedName, meaning, quantityNames, sayLearned, sayQuantity, saySpread } from './words';

const names = { oven: (id: string) => id.toUpperCase(), product: (code: string) => `product ${code}` };
const row = (kind: LearnableKind, of: string, change: Partial<LearnedView> = {}): LearnedView => ({
  key: `${kind}/${of}`,
  kind,
  of,
  value: 0,
  sigma: 1,
  inForce: 0,
  held: false,
  ...change,
});

describe('what was learned, in words', () => {
  it.each<[LearnedView, string]>([
    [row('offset', 'port'), 'PORT hotter than set'],
    [row('transfer', 'port'), 'PORT: how fast it heats'],
    [row('place', 'port', { position: 3 }), 'PORT, place 3 compared with the oven'],
    [row('sides', 'port'), 'PORT: right side hotter than left'],
    [row('depth', 'port'), 'PORT: back hotter than front'],
    [row('house-stiffness', 'all'), 'All doughs here: stiffness'],
    [row('house-colour', 'all'), 'All doughs here: how fast they brown'],
    [row('stiffness', 'GNG'), 'product GNG: stiffness'],
    [row('colour', 'GNG'), 'product GNG: how fast it browns'],
  ])('%#: has a name', (learned, name) => {
    expect(learnedName(learned, names)).toBe(name);
  });
  it('degrees carry their sign and the unit of the device, factors are times', () => {
    expect(sayLearned('offset', 7.42, 'metric')).toBe('+7.4 °C');
    expect(sayLearned('offset', 7.42, 'us')).toBe('+13.4 °F');
    expect(sayLearned('place', -0.6, 'metric')).toBe('−0.6 °C');
    expect(sayLearned('transfer', Math.log(0.9), 'us')).toBe('× 0.90');
  });
  it('the spread is nine times in ten', () => {
    expect(saySpread('offset', 2, 'metric')).toBe('± 3.3 °C');
    expect(saySpread('colour', 0.1, 'metric')).toBe('± 18 %');
  });
  it.each<[LearnableKind, number, string]>([
    ['offset', 6, 'hotter: pull earlier'],
    ['offset', -6, 'cooler: pull later'],
    ['offset', 0.5, ''],
    ['transfer', 0.1, 'bakes faster'],
    ['transfer', -0.1, 'bakes slower'],
    ['sides', 4, 'turn the trays'],
    ['stiffness', -0.2, 'spreads more than computed'],
    ['house-stiffness', 0.2, 'spreads less than computed'],
    ['colour', 0.2, 'browns faster than computed'],
    ['house-colour', -0.2, 'browns slower than computed'],
    ['colour', 0.01, ''],
  ])('%s %d: %s', (kind, value, words) => {
    expect(meaning(kind, value)).toBe(words);
  });
  it('opens as a figure that says how many bakes it is from', () => {
    const figure = figureOf(row('offset', 'port', { value: -4, sigma: 2 }), names, 12);
    expect(figure).toMatchObject({ name: 'PORT hotter than set', value: -4 });
    expect(figure.terms[0]).toMatchObject({ name: 'logged bakes', value: 12 });
  });
  it('every measured figure has a name', () => {
    expect(Object.values(quantityNames).every((name) => name.length > 0)).toBe(true);
    expect(sayQuantity('coreC', 95.2, 'metric')).toBe('95.2 °C');
    expect(sayQuantity('diameterMm', 80, 'us')).toBe('3.150 in');
    expect(sayQuantity('lossShare', 0.081, 'metric')).toBe('8.1 %');
    expect(sayQuantity('colour', 41.6, 'us')).toBe('42');
  });
});
