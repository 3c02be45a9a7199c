import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readTyped, showTyped, typedUnit, type TypedKind, type UnitSystem } from './typed.js';

describe('what is typed', () => {
  it.each<[string, TypedKind, UnitSystem, number]>([
    ['350F', 'temperature', 'metric', 176.667],
    ['350 °F', 'temperature', 'metric', 176.667],
    ['177', 'temperature', 'metric', 177],
    ['177 C', 'temperature', 'us', 177],
    ['−20', 'temperature', 'metric', -20],
    ['-4', 'temperature', 'us', -20],
    ['1 lb 4 oz', 'mass', 'metric', 566.99],
    ['1,5 kg', 'mass', 'us', 1500],
    ['0.25', 'mass', 'metric', 0.25],
    ['12', 'mass', 'us', 340.194],
    ['18', 'difference', 'us', 10],
    ['8 C', 'difference', 'us', 8],
    ['2 in', 'length', 'metric', 50.8],
    ['18"', 'length', 'metric', 457.2],
    ['18 1/2 in', 'length', 'metric', 469.9],
    ['46 cm', 'length', 'us', 460],
    ['1 1/2', 'number', 'metric', 1.5],
    ['20 qt', 'volume', 'metric', 18.927],
    ['40', 'volume', 'metric', 40],
    ['1,250 g', 'mass', 'metric', 1250],
    ['1,250 grams', 'mass', 'us', 1250],
    ['1,250 kilos', 'mass', 'us', 1250],
    ['1,250 ml', 'volume', 'metric', 1.25],
    ['1,250 L', 'volume', 'metric', 1.25],
    ['1,250', 'mass', 'metric', 1250],
    ['1,250 kg', 'mass', 'metric', 1250],
    ['1,250 lb', 'mass', 'us', 566.99],
    ['1,250.5', 'mass', 'metric', 1250.5],
    ['1.250,5 g', 'mass', 'metric', 1250.5],
    ['1 000 g', 'mass', 'metric', 1000],
    ["12'500 g", 'mass', 'metric', 12500],
    ['0,125 g', 'mass', 'metric', 0.125],
    ['1,250 mm', 'length', 'metric', 1250],
    ['½ lb', 'mass', 'metric', 226.796],
    ['2½ in', 'length', 'metric', 63.5],
    ['12 oz.', 'mass', 'metric', 340.194],
    ['1 lb, 4 oz', 'mass', 'metric', 566.99],
    ['1 lb + 4 oz', 'mass', 'metric', 566.99],
    ['1 pound and 4 ounces', 'mass', 'metric', 566.99],
    ['-1 lb 4 oz', 'mass', 'metric', -566.99],
    ['1 kilogram', 'mass', 'us', 1000],
    ['5 K', 'difference', 'us', 5],
    ['2 cups', 'volume', 'metric', 0.473],
    ['1,200,000', 'number', 'metric', 1200000],
    ['1,5', 'number', 'metric', 1.5],
    ['1,200', 'count', 'metric', 1200],
    ['1 200', 'count', 'us', 1200],
  ])('%s as a %s (%s) is %d', (text, kind, units, value) =>
    expect(readTyped(text, kind, units)).toBeCloseTo(value, 2),
  );
  it.each<[string, TypedKind]>([
    ['', 'mass'],
    ['abc', 'mass'],
    ['12 miles', 'length'],
    ['12 constructor', 'length'],
    ['1 lb 4', 'mass'],
    ['1/0', 'number'],
    ['--3', 'number'],
    ['350K', 'temperature'],
    ['1,250', 'number'],
    ['1 lb - 4 oz', 'mass'],
    ['1 lb,', 'mass'],
    ['1 lb 4 oz and', 'mass'],
    ['1,25,000 g', 'mass'],
    ['4 4 g', 'mass'],
    ['1e3', 'number'],
  ])('%s is no %s', (text, kind) => expect(readTyped(text, kind, 'metric')).toBeNull());
  it('shown and read again it is the same, in both systems', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 5000, noNaN: true }),
        fc.constantFrom<TypedKind>(
          'mass',
          'length',
          'temperature',
          'difference',
          'volume',
          'count',
          'number',
        ),
        fc.constantFrom<UnitSystem>('metric', 'us'),
        (value, kind, units) => {
          const back = readTyped(showTyped(value, kind, units), kind, units) ?? Number.NaN;
          expect(Math.abs(back - value)).toBeLessThan(
            2e-5 * Math.max(1, value) * (kind === 'temperature' ? 40 : 1),
          );
        },
      ),
    );
  });
  it('every kind has its unit', () => {
    expect(typedUnit('temperature', 'us')).toBe('°F');
    expect(typedUnit('length', 'metric')).toBe('mm');
  });
});
