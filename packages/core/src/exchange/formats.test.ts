import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { amountsFor, flourPercent, doughLines, totalPercent } from '../formula/index.js';
import { assembleFormula } from './assemble.js';
import { formulaToCsv, formulaToJson, formulaToJsonLd } from './give-out.js';
import { importRecipe } from './import-recipe.js';
import type { ReadSettings } from './answers.js';
import { readRecipe } from './read-sheet.js';

const settings: ReadSettings = {
  measures: 'us',
  schools: { flour: 'spooned', 'brown sugar': 'packed', cocoa: 'spooned' },
  eggSize: 'large',
};
const each = demoFormulas.map((f) => [f.code, f] as const);
const recipeText = (text: string) => {
  const taken = importRecipe(text);
  if (taken.kind !== 'recipe') throw new Error('not a recipe');
  return taken;
};

describe('out and in again', () => {
  it.each(each)('%s as JSON is the same formula', (_, formula) => {
    expect(importRecipe(formulaToJson(formula))).toEqual({ kind: 'formula', formula });
  });
  it.each(each)('%s as CSV comes back with the same grams', (_, formula) => {
    const results = readRecipe(recipeText(formulaToCsv(formula, 6000)).text, settings);
    const grams = amountsFor(formula, 6000);
    expect(results).toHaveLength(grams.length);
    results.forEach(({ mass, state, ingredientId }, i) => {
      expect([state, ingredientId]).toEqual(['read', grams[i]?.line.ingredientId]);
      expect(mass?.value).toBeCloseTo(grams[i]?.mass.value ?? 0, 2);
    });
  });
  it.each(each)('%s as a schema.org Recipe comes back with the same ingredients', (_, formula) => {
    const taken = recipeText(formulaToJsonLd(formula, 6000));
    expect([taken.title, taken.from]).toEqual([formula.name, 'schema.org Recipe']);
    const results = readRecipe(taken.text, settings);
    expect(results.map(({ ingredientId }) => ingredientId)).toEqual(
      doughLines(formula).map(({ ingredientId }) => ingredientId),
    );
    expect(results.map(({ line }) => line.browned)).toEqual(
      doughLines(formula).map(({ browned }) => browned ?? false),
    );
  });
});

describe('taking in', () => {
  it('finds a recipe in a graph, and in a page', () => {
    const graph = {
      '@graph': [
        { '@type': 'WebPage' },
        { '@type': ['Recipe'], name: 'Quay Drops', recipeIngredient: ['500 g flour'] },
      ],
    };
    expect(recipeText(JSON.stringify(graph)).title).toBe('Quay Drops');
    const page = `<html><script type="application/ld+json">${JSON.stringify(graph)}</script></html>`;
    expect(recipeText(page).text).toBe('500 g flour');
  });
  it('a CSV of amounts and units is read as lines', () => {
    expect(recipeText('Ingredient;Amount;Unit\nflour;2;cups\negg;1;').text).toBe('2 cups flour\n1 egg');
  });
  it('a list with commas in it is no CSV', () => {
    expect(recipeText('250 g butter, softened\n500 g flour').from).toBe('text');
  });
  it.each([
    ['', 'nothing to read'],
    ['{"a": 1', 'cut off or damaged'],
    ['{"a": 1}', 'neither a formula'],
    ['{"@type": "Recipe", "name": "x"}', 'has no ingredients'],
    ['{"format": "jokul-formula", "formula": {}}', 'piece must be a group of figures'],
  ])('%s is refused with a sentence', (text, sentence) => expect(() => importRecipe(text)).toThrow(sentence));
});

describe('a formula file that is not whole', () => {
  const whole = { format: 'jokul-formula', version: 1, formula: demoFormulas[3] };
  it('as it is, is taken in', () => expect(importRecipe(JSON.stringify(whole)).kind).toBe('formula'));
  /** Every way to take one part away, or to put something else in its place. */
  const damaged = (x: unknown, wrong: unknown): readonly unknown[] => {
    if (typeof x !== 'object' || x === null) return [];
    const group = x as Record<string, unknown>;
    return Object.keys(group).flatMap((key) => {
      const { [key]: part, ...others } = group;
      const rest = Array.isArray(x) ? x.filter((_, i) => String(i) !== key) : others;
      const put = (value: unknown) =>
        Array.isArray(x)
          ? x.map((item: unknown, i) => (String(i) === key ? value : item))
          : { ...group, [key]: value };
      return [rest, put(wrong), ...damaged(part, wrong).map(put)];
    });
  };
  it.each([[null], ['x'], [[]], [{}], [-1e308]])(
    'damaged with %j is taken in or refused, and never breaks',
    (wrong) => {
      for (const formula of damaged(demoFormulas[3], wrong)) {
        try {
          importRecipe(JSON.stringify({ ...whole, formula }));
        } catch (error) {
          expect([(error as Error).name, formula]).toEqual(['JokulError', formula]);
        }
      }
    },
  );
});

describe('text that is too long for a recipe', () => {
  it.each([
    ['letters', '('.repeat(190_000)],
    ['lines', '100 g butter\n'.repeat(600)],
  ])('is refused by its %s, with what to do', (_, text) =>
    expect(() => importRecipe(text)).toThrow('Paste one recipe at a time.'),
  );
  it('a long recipe is not', () =>
    expect(importRecipe('100 g butter, as soft as it gets\n'.repeat(200)).kind).toBe('recipe'));
  it('a list with boxes to tick is no damaged file', () =>
    expect(importRecipe('[ ] 100 g butter\n[ ] 200 g sugar')).toMatchObject({
      kind: 'recipe',
      from: 'text',
    }));
});

describe('a recipe becomes a formula', () => {
  const text = `Harbour Cookies:
2 1/4 cups all-purpose flour
1 tsp baking soda
1/2 tsp salt
2 sticks unsalted butter, softened
3/4 cup granulated sugar
3/4 cup packed light brown sugar
2 large eggs
2 tsp vanilla extract
2 cups semisweet chocolate chips
1 tbsp sugar for rolling`;
  const formula = assembleFormula(readRecipe(text, settings), { code: 'HBR', name: 'Harbour' });
  it('with flour at 100 and everything in its stage', () => {
    expect(flourPercent(doughLines(formula))).toBeCloseTo(100, 9);
    expect(formula.stages.map(({ id, lines }) => [id, lines.map((l) => l.ingredientId)])).toEqual([
      ['cream', ['butter', 'white-sugar', 'light-brown-sugar']],
      ['wet', ['whole-egg', 'vanilla']],
      ['dry', ['wheat-flour', 'baking-soda', 'salt']],
      ['fold', ['semisweet-chocolate']],
    ]);
    expect(formula.toppings.map((l) => l.ingredientId)).toEqual(['white-sugar']);
  });
  it('and its grams are those of the recipe', () => {
    // 226.8 g of butter to 276.81 g of flour.
    expect(formula.stages[0]?.lines[0]?.percent).toBeCloseTo(81.93, 1);
    const wholeG = 2.7681 * totalPercent(formula);
    const grams = amountsFor(formula, wholeG);
    expect(grams.find((a) => a.line.ingredientId === 'whole-egg')?.mass.value).toBeCloseTo(100, 1);
  });
  it('not before every line is answered, and not without flour', () => {
    expect(() => assembleFormula(readRecipe('1 cup sand\n500 g flour', settings), formula)).toThrow(
      '1 line is not answered',
    );
    expect(() => assembleFormula(readRecipe('100 g butter', settings), formula)).toThrow('no flour');
  });
  it('the same ingredient twice in a stage is one line', () => {
    const twice = assembleFormula(readRecipe('500 g flour\n100 g butter\n50 g butter', settings), formula);
    expect(twice.stages[0]?.lines).toEqual([{ ingredientId: 'butter', percent: 30 }]);
  });
});
