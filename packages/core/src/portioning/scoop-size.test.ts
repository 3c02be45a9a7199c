import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readScoop, sayScoop, scoopSize } from './scoop-size.js';

describe('a scoop as it is written down', () => {
  it.each([
    ['40', 40],
    ['No. 40', 40],
    ['no40', 40],
    ['#16', 16],
    ['47.3 mL', 20.0074],
    ['47,3 ml', 20.0074],
    ['2 tbsp', 32],
    ['1 1/2 tablespoons', 42.6667],
    ['1½ tbsp', 42.6667],
    ['2 oz', 16],
    ['2 fl. oz', 16],
    ['1/4 cup', 16],
    ['2 in', 27.574],
    ['2"', 27.574],
    ['5 cm', 28.917],
  ])('%s is No. %d', (text, number) => expect(readScoop(text)).toBeCloseTo(number, 2));
  it.each([
    '',
    'forty',
    '3',
    '101',
    '0',
    '-40',
    '1 litre',
    '40 constructor',
    '1/0 cup',
    '1e9',
    '40 oz 2',
    '½½',
  ])('%j is none', (text) => expect(readScoop(text)).toBeNull());
  it('is called as its handle says, or by what it holds; read again it is the same one', () => {
    expect([40, 21.0301, 16].map(sayScoop)).toEqual(['No. 40', '45 mL', 'No. 16']);
    fc.assert(
      fc.property(fc.double({ min: 4, max: 100, noNaN: true }), (number) => {
        const back = readScoop(sayScoop(number)) ?? Number.NaN;
        // Three digits of its millilitres are as fine as anybody fills it.
        expect(Math.abs(back / number - 1)).toBeLessThan(0.006);
      }),
    );
  });
});

describe('what it holds', () => {
  it.each([
    [16, 59.1, 2, '4', '¼', 48.3],
    [40, 23.66, 0.8, '1.60', '0.10', 35.6],
    [32, 29.6, 1, '2', '⅛', 38.4],
    [4, 236.6, 8, '16', '1', 76.7],
    [100, 9.46, 0.32, '0.64', '0.04', 26.2],
    [24, 39.43, 1.33, '2⅔', '0.17', 42.2],
  ])('No. %d: %d mL, %d fl oz, %s tbsp, %s cup, a ball of %d mm', (number, ml, oz, tbsp, cups, ball) => {
    const size = scoopSize(number, 1.2);
    expect(size.ml).toBeCloseTo(ml, 1);
    expect(size.fluidOz).toBeCloseTo(oz, 2);
    expect([size.tablespoons, size.cups]).toEqual([tbsp, cups]);
    expect(size.ballMm).toBeCloseTo(ball, 0);
    expect(size.doughG).toBeCloseTo(1.2 * size.ml, 9);
  });
});
