import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ingredients } from '../ingredient/index.js';
import { messyLines } from './messy-lines.js';
import { readLine } from './read-line.js';
import type { ReadSettings } from './answers.js';
import { readRecipe } from './read-sheet.js';
import { weighLine } from './weigh-line.js';

const settings: ReadSettings = {
  measures: 'us',
  schools: { flour: 'spooned', 'brown sugar': 'packed', cocoa: 'spooned' },
};
const read = (text: string, answer = {}, other: ReadSettings = settings) =>
  weighLine(readLine(text, ingredients), other, answer);

describe('messy lines of a recipe', () => {
  it.each(messyLines)('"%s" is %s, %s', (text, ingredientId, outcome) => {
    const result = read(text);
    if (typeof outcome === 'number') {
      expect([result.state, result.ingredientId]).toEqual(['read', ingredientId]);
      expect(result.mass?.value).toBeCloseTo(outcome, outcome < 10 ? 2 : 1);
    } else if (outcome.startsWith('ask')) {
      expect([result.state, `ask ${result.question?.about}`]).toEqual(['ask', outcome]);
      expect(result.ingredientId ?? null).toBe(ingredientId);
      expect(result.question?.sentence).toMatch(/\?$|\.$/);
    } else expect(result.state).toBe(outcome);
  });
});

describe('what is said, and what is asked', () => {
  it('a cup of flour without a school is asked about, with what each school makes of it', () => {
    const { state, question } = read('2 cups flour', {}, { measures: 'us', schools: {} });
    expect(state).toBe('ask');
    expect(question?.about).toBe('packing');
    expect(question?.choices.map(({ label }) => label)).toEqual([
      'spooned, 123 g a cup',
      'dipped, 144 g a cup',
      'sifted, 109 g a cup',
    ]);
  });
  it('a cup of the kitchen’s own is what it weighs', () => {
    const own = { measures: 'us', schools: { flour: 132 } } as const;
    expect(read('2 cups flour', {}, own).mass?.value).toBeCloseTo(264, 6);
  });
  it('metric and imperial cups are larger', () => {
    const cup = (measures: ReadSettings['measures']) =>
      read('1 cup sugar', {}, { measures, schools: {} }).mass?.value ?? 0;
    expect(cup('metric') / cup('us')).toBeCloseTo(250 / 236.588, 4);
    expect(cup('imperial') / cup('us')).toBeCloseTo(284.131 / 236.588, 4);
  });
  it('a heaped spoon and a pinch give their range', () => {
    const { rangeG, mass, uncertain } = read('1 heaping tbsp sugar');
    expect((rangeG?.[1] ?? 0) / (mass?.value ?? 1)).toBeCloseTo(1.9 / 1.5, 6);
    expect(uncertain.join()).toContain('heaping');
    expect(read('a pinch of salt').rangeG?.[0]).toBeCloseTo(0.185, 2);
  });
  it('answers are taken: size, ingredient, amount out of a range, grams, leave it out', () => {
    expect(read('2 eggs', { size: 'eu-m' }).mass?.value).toBe(102);
    expect(read('1 cup brown sugar', { ingredientId: 'light-brown-sugar' }).mass?.value).toBeCloseTo(
      220.03,
      1,
    );
    expect(read('2-3 tbsp milk', { amount: 3 }).mass?.value).toBeCloseTo(45.69, 1);
    expect(read('1 can condensed milk', { massG: 397 }).mass?.value).toBe(397);
    expect(read('8 oz milk', { ounces: 'volume' }).mass?.value).toBeCloseTo(243.7, 0);
    expect(read('Preheat the oven', { leaveOut: true }).state).toBe('left-out');
  });
  it('the egg size of the kitchen answers for every egg that has none, and says so', () => {
    const { mass, uncertain } = read('2 eggs', {}, { ...settings, eggSize: 'large' });
    expect(mass?.value).toBe(100);
    expect(uncertain).toEqual(['one large taken as 50 g']);
  });
  it('a weight that contradicts its measure is pointed out', () => {
    expect(read('1 cup (250 g) flour').uncertain.join()).toContain('apart');
    expect(read('1 cup (125 g) flour').uncertain).toEqual([]);
  });
  it('more for the bench is not counted, and said', () => {
    const { mass, uncertain } = read('1 cup (120 g) flour, plus more for dusting');
    expect(mass?.value).toBe(120);
    expect(uncertain.join()).toContain('is not counted');
  });
  it('words behind the comma that are not understood are said', () => {
    expect(read('100 g walnuts, frobnicated').uncertain.join()).toContain('"frobnicated" is not read');
  });
  it('butter browned later is marked, for the roller is a topping', () => {
    expect(read('140 g butter, browned').line.browned).toBe(true);
    expect(read('50 g sugar, for rolling').line.topping).toBe(true);
  });
  it("baker's percent is read for a kilogram of flour, but not among grams", () => {
    const percents = readRecipe('Flour 100 %\nButter 62 %\nSalt 1.1 %', settings);
    expect(percents.map(({ mass }) => mass?.value)).toEqual([1000, 620, 11]);
    expect(readRecipe('500 g flour\nButter 62 %', settings).map(({ state }) => state)).toEqual([
      'read',
      'ask',
    ]);
  });
  it('every grams shows its arithmetic', () => {
    const { mass } = read('2 1/4 cups all-purpose flour');
    expect(mass?.relation).toBe('m = n × v × f × ρ');
    expect(mass?.terms.map(({ source }) => source).join()).toContain('spooned');
  });
});

describe('whatever is pasted', () => {
  it('every name of the library is read as itself, or asked about', () => {
    for (const { id, name } of ingredients.values()) {
      const result = read(`100 g ${name.toLowerCase()}`);
      if (result.state === 'read' && result.uncertain.length === 0)
        expect([name, result.ingredientId]).toEqual([name, id]);
      else if (result.state === 'ask')
        expect(result.question?.choices.map(({ answer }) => answer.ingredientId)).toContain(id);
    }
  });
  it('never throws, and never gives grams that are no number above zero', () => {
    const words = fc.constantFrom(
      '1',
      '½',
      '1/2',
      '-',
      'cup',
      'tbsp',
      'T',
      'sugar',
      'butter',
      ',',
      '(',
      ')',
      'or',
      'plus',
      'g',
      '0',
      'minus',
      '%',
      'egg',
      'of',
      '2x',
      '/',
      '1,000',
      'zest',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(words, { maxLength: 9 }).map((w) => w.join(' ')),
        ),
        (text) => {
          for (const { mass, state } of readRecipe(text, settings)) {
            if (state === 'read') expect(mass?.value).toBeGreaterThan(0);
            else expect(mass).toBeUndefined();
          }
        },
      ),
      { numRuns: 400 },
    );
  });
  it('grams go in and come out in every unit of mass and volume', () => {
    const unit = fc.constantFrom('g', 'kg', 'oz', 'lb', 'cups', 'tbsp', 'ml');
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 900, noNaN: true }), unit, (n, word) => {
        const once = read(`${n.toFixed(3)} ${word} white sugar`).mass?.value ?? 0;
        const twice = read(`${(2 * Number(n.toFixed(3))).toFixed(3)} ${word} white sugar`).mass?.value ?? 0;
        expect(twice / once).toBeCloseTo(2, 3);
      }),
    );
  });
});
