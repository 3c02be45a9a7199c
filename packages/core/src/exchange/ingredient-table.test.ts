import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { allergenIds, ingredientKinds, ingredients } from '../ingredient/index.js';
import { ingredientsToCsv, ownId, readIngredientTable, type OwnIngredientRow } from './ingredient-table.js';

const heading =
  'name,kind,water %,fat %,protein %,starch %,sugars %,fibre %,minerals %,salt %,alcohol %,allergens,g/mL,source';
const read = (...rows: readonly string[]) => readIngredientTable([heading, ...rows].join('\n'));
const praline = 'Harbour Praline,nut-butter,1,40,10,2,44,2,1,0,0,nuts; milk,1.1,the label';

/** The library's, as if they were the bakery's own. */
const asOwn = [...ingredients.values()]
  .filter(({ parts, densityGPerMl }) => parts.length === 0 && Object.keys(densityGPerMl).length > 0)
  .map(({ composition: _c, parts: _p, words: _w, ...food }): OwnIngredientRow => ({
    ...food,
    id: `own-${food.id}`,
  }));

describe('ingredients as a table', () => {
  it('come back as they went out, every one of the library', () => {
    expect(asOwn.length).toBeGreaterThan(60);
    const rows = readIngredientTable(ingredientsToCsv(asOwn));
    expect(rows.flatMap(({ troubles }) => troubles)).toEqual([]);
    rows.forEach(({ ingredient }, i) => {
      const { analysis, ...others } = asOwn[i] as OwnIngredientRow;
      expect(ingredient).toMatchObject(others);
      for (const [part, share] of Object.entries(analysis))
        expect(ingredient?.analysis[part as keyof typeof analysis]).toBeCloseTo(share, 5);
    });
  });

  it('are read with semicolons and decimal commas, columns in any order, headings as people write them', () => {
    const [row] = readIngredientTable(
      'Allergens;Source;Name;Kind;Water (%);Fat, g/100 g;Sugars %;Minerals %;g/mL\nmilk, tree nuts;a supplier;Quay Toffee;sugar;4,5;12,5;82;1;level 0,8; packed 0,95',
    );
    // The last cell holds a semicolon of its own: what is behind it is cut off, and never read as something else.
    expect(row?.ingredient).toMatchObject({
      id: 'own-quay-toffee',
      allergens: ['milk', 'nuts'],
      densityGPerMl: { level: 0.8 },
    });
    expect(row?.ingredient?.analysis).toMatchObject({ water: 0.045, fat: 0.125, sugars: 0.82 });
  });

  it.each([
    ['no allergens written', praline.replace('nuts; milk', ''), 'Write its allergens, or "none".'],
    ['an allergen that is none', praline.replace('milk', 'hazel'), '"hazel" is none of the listed allergens'],
    ['a kind that is none', praline.replace('nut-butter', 'paste'), '"paste" is no kind of ingredient'],
    ['words for a figure', praline.replace(',40,', ',much,'), '"much" under fat % is not a figure'],
    ['less than nothing', praline.replace(',40,', ',-40,'), '"-40" under fat % is not a figure'],
    ['parts that miss 100 %', praline.replace(',40,', ',20,'), '80'],
    ['no density', praline.replace(',1.1,', ',,'), 'a density'],
    ['no source', praline.replace(',the label', ','), 'Say where the figures are from'],
    ['no name', praline.replace('Harbour Praline', ''), 'The name has 2 to 60 letters'],
  ])('with %s are not taken, and say why', (_, row, why) => {
    const [found] = read(row);
    expect(found?.ingredient).toBeNull();
    expect(found?.troubles.join(' ')).toContain(why);
  });

  it('with "none" have none; twice in a table, the second is not taken', () => {
    const [one, two] = read(praline.replace('nuts; milk', 'none'), praline);
    expect(one?.ingredient?.allergens).toEqual([]);
    expect(one?.line).toBe(2);
    expect([two?.ingredient, two?.troubles]).toEqual([null, ['Harbour Praline stands in the table twice.']]);
  });

  it('need the columns that matter, and an end', () => {
    expect(() => readIngredientTable('name,kind\nA,salt')).toThrow('"allergens" is not among them');
    expect(() => readIngredientTable('')).toThrow('"name" is not among them');
    expect(() => readIngredientTable('x'.repeat(400_001))).toThrow('too much');
    expect(() => read(...Array.from({ length: 301 }, () => praline))).toThrow('At most 300');
  });

  it('never give a spreadsheet a formula, and come back as they were', () => {
    const [row] = read(praline);
    const sly = { ...(row?.ingredient as OwnIngredientRow), source: '=cmd()' };
    const csv = ingredientsToCsv([sly]);
    expect(csv).not.toMatch(/(^|,)"?=/m);
    expect(readIngredientTable(csv)[0]?.ingredient?.source).toBe('=cmd()');
  });

  it('of any text give rows or a sentence, and what is taken declares what was written', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.array(fc.oneof(fc.string(), fc.constantFrom(...allergenIds, ...ingredientKinds, '12', '0,5'))),
        ),
        (cells) => {
          const rows = read(...cells.map((row) => row.join(',').replace(/[\n\r"]/g, ' ')));
          for (const { ingredient, troubles } of rows) expect(ingredient === null).toBe(troubles.length > 0);
        },
      ),
    );
    expect(ownId('Crème brûlée 50 %')).toBe('own-cre-me-bru-le-e-50');
  });
});
