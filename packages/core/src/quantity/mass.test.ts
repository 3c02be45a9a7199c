import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  fromGrams,
  isMassUnit,
  isVolumeUnit,
  massUnitsG,
  toGrams,
  volumeUnitsMl,
  type MassUnit,
} from './mass.js';
import { celsiusToFahrenheit, fahrenheitToCelsius } from './temperature.js';

describe('masses', () => {
  it.each([
    [1, 'lb', 453.59237],
    [16, 'oz', 453.59237],
    [2.5, 'kg', 2500],
    [500, 'mg', 0.5],
  ])('%d %s is %d g', (amount, unit, grams) => expect(toGrams(amount, unit)).toBeCloseTo(grams, 6));

  it('go there and back in every unit', () => {
    const units = Object.keys(massUnitsG) as MassUnit[];
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 1e6, noNaN: true }),
        fc.constantFrom(...units),
        (grams, unit) => {
          expect(toGrams(fromGrams(grams, unit), unit) / grams).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('refuse a unit that is none', () => {
    expect(() => toGrams(1, 'stone')).toThrow('"stone" is no unit of mass');
    expect(isMassUnit('cup')).toBe(false);
    expect(isVolumeUnit('cup')).toBe(true);
  });
});

describe('volumes', () => {
  it('fit into one another: 3 tsp a tbsp, 16 tbsp a cup, 4 cups a quart', () => {
    expect(3 * volumeUnitsMl.tsp).toBeCloseTo(volumeUnitsMl.tbsp, 3);
    expect(16 * volumeUnitsMl.tbsp).toBeCloseTo(volumeUnitsMl.cup, 3);
    expect(4 * volumeUnitsMl.cup).toBeCloseTo(volumeUnitsMl.quart, 3);
  });
});

describe('temperatures', () => {
  it.each([
    [177, 350.6],
    [0, 32],
    [100, 212],
    [-40, -40],
  ])('%d °C is %d °F and back', (celsius, fahrenheit) => {
    expect(celsiusToFahrenheit(celsius)).toBeCloseTo(fahrenheit, 1);
    expect(fahrenheitToCelsius(celsiusToFahrenheit(celsius))).toBeCloseTo(celsius, 9);
  });
});
