import { describe, expect, it } from '@jest/globals';
import { quantityInUnits, saidInUnits } from './said-in-units';

const us = (sentence: string) => saidInUnits(sentence, 'us');

describe('a sentence of the core in the units of the device', () => {
  it.each<[string, string]>([
    ['Each piece 1.5 g heavier: 31.5 g.', 'Each piece 0.05 oz heavier: 1.11 oz.'],
    ['34 → 70 g', '1.20 → 2.47 oz'],
    ['250 g block', '8.82 oz block'],
    ['slices of 2 cm', 'slices of 0.8 in'],
    [
      'convection in the oven, air and dough 75 °C apart',
      'convection in the oven, air and dough 135 °F apart',
    ],
    ['Warm, at 26 °C: the fat runs.', 'Warm, at 79 °F: the fat runs.'],
    ['Air at 9.4 °C instead of 4 °C, for 12 min.', 'Air at 48.9 °F instead of 39 °F, for 12 min.'],
    ['bake 5 to 10 °C cooler, or pull by colour', 'bake 9 to 18 °F cooler, or pull by colour'],
    [
      'A forecast: 10 °C are worth about 8 % of the time.',
      'A forecast: 18 °F are worth about 8 % of the time.',
    ],
    [
      'place 2, 12 pieces, -3.5 °C compared with the oven',
      'place 2, 12 pieces, −6.3 °F compared with the oven',
    ],
    ['halved between 125 and 250 °C', 'halved between 257 and 482 °F'],
    [
      '4.20 kg is too little; the smallest works from 6.00 kg.',
      '9.26 lb is too little; the smallest works from 13.23 lb.',
    ],
    ['the mean lies between 29.1 and 30.4 g', 'the mean lies between 1.03 and 1.07 oz'],
    ['outside ± 1.5 g', 'outside ± 0.05 oz'],
    ['a needle says 4 ± 1 °C', 'a needle says 39 ± 2 °F'],
    ['ball of 30 g, 36 mm across', 'ball of 1.06 oz, 1.42 in across'],
    ['Weigh 1,240 g of it', 'Weigh 2.73 lb of it'],
    ['at −18 °C and at 0 °C', 'at 0 °F and at 32 °F'],
    ['of 440 and 460 g', 'of 0.97 and 1.01 lb'],
  ])('%s', (metric, said) => {
    expect(us(metric)).toBe(said);
    expect(saidInUnits(metric, 'metric')).toBe(metric);
  });

  it.each([
    'About 1.2 g of soda per kg of dough finds no acid.',
    'a density of 0.6 g/mL, 1.1 kg/m³',
    'GNG-26-57-Z-L1 follows NIB-26-58 after 2 min 30 s',
    'rests 26 h; its window is 2 h to 24 h. 12 % of 3 trays, 5 ganaches, 12 mmol.',
    'No. 30 of 40 pieces',
    '',
  ])('leaves what is no mass, temperature or length: %s', (sentence) => {
    expect(us(sentence)).toBe(sentence);
  });

  it('says a value with its unit likewise', () => {
    expect(quantityInUnits(250, 'g', 'us')).toBe('8.82 oz');
    expect(quantityInUnits(4536, 'g', 'us')).toBe('10.00 lb');
    expect(quantityInUnits(20, '°C', 'us')).toBe('68 °F');
    expect(quantityInUnits(5, 'K', 'us')).toBe('9 °F');
    expect(quantityInUnits(25.4, 'mm', 'us')).toBe('1 in');
    expect(quantityInUnits(0.25, 'share', 'us')).toBe('25 %');
    expect(quantityInUnits(20, '°C', 'metric')).toBe('20 °C');
  });
});
