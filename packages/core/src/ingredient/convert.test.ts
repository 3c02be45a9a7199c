import { describe, expect, it } from '@jest/globals';
import { convert } from './convert.js';
import { ingredient } from './library/index.js';

describe('volumes into grams', () => {
  it.each([
    [1, 'cup', 'wheat-flour', 'spooned', 123],
    [1, 'cup', 'wheat-flour', 'dipped', 144.3],
    [1, 'cup', 'white-sugar', undefined, 199.9],
    [1, 'tbsp', 'molasses', undefined, 21],
    [1, 'tsp', 'baking-soda', undefined, 4.58],
    [2, 'metric-cup', 'wheat-flour', 'spooned', 260],
  ])('%d %s of %s (%s) is %d g', (amount, unit, id, packing, grams) => {
    expect(convert(amount, unit, ingredient(id), packing).massG).toBeCloseTo(grams, 0);
  });

  it('masses need no density', () => {
    expect(convert(2, 'oz', ingredient('butter'))).toEqual({
      massG: 56.69904625,
      source: 'definition of the unit',
    });
  });

  it('a cup without a packing shows how far the packings part', () => {
    const { rangeG, massG } = convert(1, 'cup', ingredient('wheat-flour'));
    expect((rangeG?.[0] ?? 0) / massG).toBeCloseTo(0.46 / 0.52, 6);
    expect((rangeG?.[1] ?? 0) / massG).toBeCloseTo(0.61 / 0.52, 6);
    expect(convert(1, 'cup', ingredient('wheat-flour'), 'dipped').rangeG).toBeUndefined();
  });

  it('shows its arithmetic', () => {
    const { shown } = convert(2, 'cup', ingredient('white-sugar'));
    expect(shown?.relation).toBe('m = n × v × ρ');
    expect(shown?.terms[2]?.source).toContain('White sugar, level');
  });

  it.each([
    [0, 'cup', 'wheat-flour', undefined, 'must be above 0'],
    [-2, 'cup', 'wheat-flour', undefined, 'must be above 0'],
    [Number.NaN, 'cup', 'wheat-flour', undefined, 'must be above 0'],
    [1, 'bushel', 'wheat-flour', undefined, 'no unit that Jokul knows'],
    [1, 'cup', 'wheat-flour', 'pressed', 'no packing "pressed"'],
    [1, 'cup', 'sand', undefined, 'not in the ingredient library'],
  ])('%d %s of %s (%s) is refused', (amount, unit, id, packing, sentence) => {
    expect(() => convert(amount, unit, ingredient(id), packing)).toThrow(sentence);
  });
});
