import { describe, expect, it } from '@jest/globals';
import { unnamedIn } from '../../formula/soundness/allergens.js';
import { allergenList, allergenWords } from '../allergen.js';
import { composite } from '../composite.js';
import { analysisNames, componentNames, normaliseAnalysis, normaliseComposition } from '../ingredient.js';
import { ingredient, ingredients, foodOf, libraryOf, named, plainParts } from './index.js';
import { readRows } from './read-rows.js';

const all = [...ingredients.values()];

describe('the ingredient library', () => {
  it('holds what a dough kitchen uses: more than 120 ingredients, ten of them made of others', () => {
    expect(all.length).toBeGreaterThanOrEqual(120);
    expect(all.filter(({ parts }) => parts.length > 0).length).toBeGreaterThanOrEqual(10);
  });

  it.each(all.map((i) => [i.name, i] as const))('%s is sound', (_, i) => {
    expect(componentNames.reduce((total, name) => total + i.composition[name], 0)).toBeCloseTo(1, 9);
    expect(analysisNames.reduce((total, name) => total + i.analysis[name], 0)).toBeCloseTo(1, 9);
    expect(Object.keys(i.densityGPerMl).length).toBeGreaterThan(0);
    for (const density of Object.values(i.densityGPerMl)) {
      // Nothing in a dough kitchen is lighter than puffed rice or heavier than a syrup.
      expect(density).toBeGreaterThan(0.1);
      expect(density).toBeLessThan(1.5);
    }
    for (const grams of Object.values(i.pieceG)) expect(grams).toBeGreaterThan(0);
    const { baseMmolPerG, acidMmolPerG, gasMlPerG } = i.leavening;
    for (const figure of [baseMmolPerG, acidMmolPerG, gasMlPerG]) expect(figure).toBeGreaterThanOrEqual(0);
    expect(i.source).not.toBe('');
  });

  it('no two ingredients go by the same word', () => {
    const seen = new Map<string, string>();
    for (const { id, name, words } of all)
      for (const word of new Set([name.toLowerCase(), ...words])) {
        expect([word, seen.get(word) ?? id]).toEqual([word, id]);
        seen.set(word, id);
      }
  });

  it.each([
    ['butter', 'milk'],
    ['whole-egg', 'egg'],
    ['tahini', 'sesame'],
    ['peanut-butter', 'peanut'],
    ['walnuts', 'nuts'],
    ['malted-barley-flour', 'gluten'],
    ['yoghurt', 'milk'],
    ['self-raising-flour', 'wheat'],
    ['sweet-hazelnut-spread', 'nuts'],
    ['salted-butter', 'milk'],
    ['dark-chocolate', 'soy'],
  ] as const)('%s declares %s', (id, allergen) => expect(ingredient(id).allergens).toContain(allergen));

  it.each(['cornflour', 'white-sugar', 'salt', 'dates'])('%s declares none', (id) =>
    expect(ingredient(id).allergens).toEqual([]),
  );

  it('says of every nut and cereal which it is, also through what is made of it', () => {
    expect(all.filter((food) => unnamedIn(food).length > 0).map(({ id }) => id)).toEqual([]);
    expect(ingredient('sweet-hazelnut-spread').which).toEqual(['hazelnut']);
    expect(ingredient('dark-rye-flour').which).toEqual(['rye']);
    expect(ingredient('butter').which).toBeUndefined();
  });
  it.each([
    [
      ['milk', 'nuts', 'hazelnut', 'walnut'],
      ['milk', 'tree nuts (hazelnut, walnut)'],
    ],
    [['gluten', 'wheat', 'oats'], ['gluten (wheat, oats)']],
    [['gluten', 'rye'], ['gluten (rye)']],
    [['wheat'], ['wheat']],
    [['nuts'], ['tree nuts']],
    // A source whose class somebody forgot is no less there; what is unknown here is said as it came.
    [
      ['almond', 'constructor'],
      ['constructor', 'tree nuts (almond)'],
    ],
    [[], []],
  ])('%j reads %j', (declared, words) => expect(allergenWords(declared)).toEqual(words));

  it('wheat is on both lists by its two names, rye on the European one alone', () => {
    expect(ingredient('wheat-flour').allergens).toEqual(['gluten', 'wheat']);
    expect(ingredient('dark-rye-flour').allergens).toEqual(['gluten']);
    expect(allergenList.filter(({ eu }) => eu)).toHaveLength(14);
    expect(allergenList.filter(({ us }) => us)).toHaveLength(9);
  });

  it('butter of 82 % fat holds about 16 % water', () => {
    const { water, fat } = ingredient('butter').composition;
    expect(water).toBeCloseTo(0.16, 2);
    expect(fat).toBeCloseTo(0.815, 2);
  });

  it('a large egg is a yolk and a white, in every size', () => {
    const sizes = Object.entries(ingredient('whole-egg').pieceG);
    for (const [size, whole] of sizes) {
      const parts = (ingredient('egg-yolk').pieceG[size] ?? 0) + (ingredient('egg-white').pieceG[size] ?? 0);
      expect(Math.abs(parts - whole)).toBeLessThanOrEqual(1);
    }
  });

  it('soda gives 24.06 L of gas per mole of 84.0 g', () => {
    const { gasMlPerG, baseMmolPerG } = ingredient('baking-soda').leavening;
    expect(gasMlPerG).toBeCloseTo(24_060 / 84.007, 0);
    expect(baseMmolPerG).toBeCloseTo(1000 / 84.007, 1);
  });

  it('says what it does not know', () => {
    expect(() => ingredient('sawdust')).toThrow('"sawdust" is not in the ingredient library.');
  });

  it('a row that cannot be read is named', () => {
    expect(() => readRows('glue | Glue | paste | 100 0 0 0 0 0 0 0 0 | level 1', 'x')).toThrow('glue');
    expect(() => readRows('glue | Glue | liquid | 90 0 0 0 0 0 0 0 0 | level 1', 'x')).toThrow('90.0 %');
  });
});

describe('an ingredient made of others', () => {
  it('salted butter brings its salt and that much less butter', () => {
    const salted = ingredient('salted-butter');
    expect(salted.analysis.salt).toBeCloseTo(0.016 * 0.998, 6);
    expect(salted.analysis.fat).toBeCloseTo(0.984 * ingredient('butter').analysis.fat, 9);
  });
  it('takes its gas and its allergens from its parts', () => {
    const raising = ingredient('self-raising-flour');
    expect(raising.leavening.gasMlPerG).toBeCloseTo(0.05 * 71, 9);
    expect(raising.allergens).toEqual(['gluten', 'wheat']);
  });
  it('comes down to plain ingredients, all of it', () => {
    for (const food of all) {
      const parts = plainParts(food);
      expect(parts.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
      for (const part of parts) expect(part.food.parts).toEqual([]);
    }
  });
  it('with parts that miss 100 % is refused with their sum', () => {
    const row = { id: 'mix', name: 'Mix', kind: 'flour', densityGPerMl: {}, pieceG: {}, words: [] } as const;
    expect(() => composite(row, [{ ingredientId: 'salt', share: 0.9 }], ingredient)).toThrow('90.0 %');
  });
});

describe('ingredients of the bakery’s own', () => {
  const own = { ...ingredient('wheat-flour'), id: 'mill-flour', name: 'Flour of the mill' };
  it('stand beside the shipped ones in the library of that bakery, and in no other', () => {
    const library = libraryOf([own]);
    expect(ingredient('mill-flour', library).name).toBe('Flour of the mill');
    expect(ingredient('salt', library).name).toBe('Fine salt');
    expect(ingredients.has('mill-flour')).toBe(false);
    expect(libraryOf([]).has('mill-flour')).toBe(false);
    expect(() => ingredient('mill-flour')).toThrow('not in the ingredient library');
  });
  it('go along with what names them; what ships is found by its id', () => {
    expect(foodOf(named(own))).toBe(own);
    expect(named(ingredient('salt'))).toEqual({ ingredientId: 'salt' });
    expect(() => foodOf({ ingredientId: 'mill-flour' })).toThrow('not in the ingredient library');
  });
  it('cannot take the place of a shipped one', () => {
    expect(() => libraryOf([{ ...own, id: 'salt' }])).toThrow('is an ingredient of the library already');
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
    expect(() => normaliseAnalysis({ ...ingredient('butter').analysis, salt: 0.03 })).toThrow('103.0 %');
  });
  it('with a negative or missing part is refused', () => {
    expect(() => normaliseComposition({ ...raw, fat: -0.1, water: 0.8 })).toThrow('zero or more');
    expect(() => normaliseComposition({ ...raw, fat: Number.NaN })).toThrow();
  });
});
