import { describe, expect, it } from '@jest/globals';
import { convertWords } from './convert-words.js';

describe('an amount in words, in grams', () => {
  it.each([
    [1, 'cup', 'white-sugar', 'white-sugar', 199.9],
    [1, 'cups', 'granulated sugar', 'white-sugar', 199.9],
    [1, 'Tbsp', 'honey', 'honey', 21],
    [1, 'T', 'honey', 'honey', 21],
    [1, 't', 'salt', 'salt', 5.9],
    [2, 'fl oz', 'whole milk', 'whole-milk', 60.9],
    [1, 'L', 'water', 'water', 1000],
    [2, 'sticks', 'butter', 'butter', 226.8],
    [3, 'large', 'egg', 'whole-egg', 150],
    [2, 'large', 'egg yolks', 'egg-yolk', 36],
    [1, 'pinch', 'salt', 'salt', 0.37],
    [1.5, 'pounds', 'plain flour', 'wheat-flour', 680.4],
    [1, 'metric-cup', 'water', 'water', 250],
  ])('%d %s of %s is %s, %d g', (amount, unit, name, id, grams) => {
    const { massG, ingredientId } = convertWords(amount, unit, name);
    expect(ingredientId).toBe(id);
    expect(massG / grams).toBeCloseTo(1, 2);
  });
  it.each([
    [1, 'cup', 'brown sugar', 'ambiguous-ingredient', 'light-brown-sugar, dark-brown-sugar'],
    [1, 'cup', 'unicorn glitter', 'unknown-ingredient', 'is not in the ingredient library.'],
    [1, 'piece', 'whole-egg', 'unknown-unit', 'say one of'],
    [1, 'piece', 'plain flour', 'unknown-unit', 'no set weight'],
    [1, 'stick', 'white-sugar', 'unknown-unit', '"stick" is no unit'],
    [1, 'bushel', 'white-sugar', 'unknown-unit', '"bushel" is no unit'],
    [0, 'large', 'egg', 'out-of-range', 'must be above 0'],
    [-1, 'pinch', 'salt', 'out-of-range', 'The amount is -1;'],
    [1e7, 'pinch', 'salt', 'out-of-range', 'at most 1,000,000'],
    [1, 'constructor', 'white-sugar', 'unknown-unit', '"constructor" is no unit'],
    [1, 'toString', 'egg', 'unknown-unit', '"toString" is no unit'],
    [1, '__proto__', 'egg', 'unknown-unit', '"__proto__" is no unit'],
    [1, 'cup', 'constructor', 'unknown-ingredient', 'is not in the ingredient library'],
  ])('%d %s of %s is refused: %s', (amount, unit, name, code, sentence) => {
    expect(() => convertWords(amount, unit, name)).toThrow(
      expect.objectContaining({ code, message: expect.stringContaining(sentence) }),
    );
  });
  it.each(['constructor', 'toString', '__proto__', 'hasOwnProperty'])('a packing "%s" is none', (packing) =>
    expect(() => convertWords(1, 'cup', 'white-sugar', packing)).toThrow('has no packing'),
  );
});
