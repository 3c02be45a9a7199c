import { describe, expect, it } from '@jest/globals';
import { convert } from './convert.js';
import { componentNames, normaliseComposition } from './ingredient.js';
import { ingredient, ingredients } from './library.js';

describe('the ingredient library', () => {
  it.each([...ingredients.values()].map((i) => [i.name, i] as const))('%s is sound', (_, i) => {
    const sum = componentNames.reduce((total, name) => total + i.composition[name], 0);
    expect(sum).toBeCloseTo(1, 9);
    for (const density of Object.values(i.densityGPerMl)) {
      // Nothing in a dough kitchen is lighter than shredded coconut or heavier than a syrup.
      expect(density).toBeGreaterThan(0.3);
      expect(density).toBeLessThan(1.5);
    }
    expect(i.source).not.toBe('');
  });

  it.each([
    ['butter', 'milk'],
    ['whole-egg', 'egg'],
    ['tahini', 'sesame'],
    ['peanut-butter', 'peanut'],
    ['walnuts', 'nuts'],
    ['malted-barley-flour', 'gluten'],
    ['yoghurt', 'milk'],
  ] as const)('%s declares %s', (id, allergen) => expect(ingredient(id).allergens).toContain(allergen));

  it.each(['cornflour', 'white-sugar', 'salt', 'dates'])('%s declares none', (id) =>
    expect(ingredient(id).allergens).toEqual([]),
  );

  it('butter of 82 % fat holds about 16 % water', () => {
    const { water, fat } = ingredient('butter').composition;
    expect(water).toBeCloseTo(0.16, 2);
    expect(fat).toBeCloseTo(0.815, 2);
  });

  it('says what it does not know', () => {
    expect(() => ingredient('sawdust')).toThrow('"sawdust" is not in the ingredient library.');
  });
});

describe('a composition', () => {
  const raw = { water: 0.5, fat: 0.2, protein: 0.1, carbohydrate: 0.1, fibre: 0.05, ash: 0.05 };
  it('within 1.5 % of 100 is brought to 100', () => {
    const sum = componentNames.reduce(
      (total, name) => total + normaliseComposition({ ...raw, water: 0.51 })[name],
      0,
    );
    expect(sum).toBeCloseTo(1, 12);
  });
  it('further off is refused with its sum', () => {
    expect(() => normaliseComposition({ ...raw, water: 0.55 })).toThrow('105.0 %');
  });
  it('with a negative or missing part is refused', () => {
    expect(() => normaliseComposition({ ...raw, fat: -0.1, water: 0.8 })).toThrow('zero or more');
    expect(() => normaliseComposition({ ...raw, fat: Number.NaN })).toThrow();
  });
});

describe('volumes into grams', () => {
  it.each([
    [1, 'cup', 'wheat-flour', 'spooned', 123],
    [1, 'cup', 'wheat-flour', 'dipped', 144.3],
    [1, 'cup', 'white-sugar', undefined, 199.9],
    [1, 'tbsp', 'molasses', undefined, 21],
    [1, 'tsp', 'baking-soda', undefined, 4.58],
    [2, 'metric-cup', 'wheat-flour', 'spooned', 260],
  ])('%d %s of %s (%s) is %d g', (amount, unit, id, packing, grams) => {
    expect(convert(amount, unit, id, packing).massG).toBeCloseTo(grams, 0);
  });

  it('masses need no density', () => {
    expect(convert(2, 'oz', 'butter')).toEqual({ massG: 56.69904625, source: 'definition of the unit' });
  });

  it('a cup without a packing shows how far the packings part', () => {
    const { rangeG, massG } = convert(1, 'cup', 'wheat-flour');
    expect(rangeG?.[0]).toBeCloseTo(massG, 9);
    expect((rangeG?.[1] ?? 0) / massG).toBeCloseTo(0.61 / 0.52, 6);
    expect(convert(1, 'cup', 'wheat-flour', 'dipped').rangeG).toBeUndefined();
  });

  it('shows its arithmetic', () => {
    const { shown } = convert(2, 'cup', 'white-sugar');
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
    expect(() => convert(amount, unit, id, packing)).toThrow(sentence);
  });
});
