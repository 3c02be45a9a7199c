import { describe, expect, it } from '@jest/globals';
import { assembleFormula, formulaToJsonLd, readRecipe } from '../exchange/index.js';
import { compareVersions } from './compare.js';
import { checkFormula, doughLines, type Formula } from './formula.js';
import { lineName, readyIn, readyTime, readyWays, sayReady } from './ready.js';

describe('how an ingredient is made ready', () => {
  it.each([
    ['100 g walnuts, toasted and roughly chopped', ['toasted', 'chopped']],
    ['100 g geröstete Mandeln', ['toasted']],
    ['100 g Zartbitterschokolade, grob gehackt', ['chopped']],
    ['50 g cacao tamisé', ['sifted']],
    ['200 g noisettes grillées et concassées', ['toasted', 'chopped']],
    ['2 eggs, at room temperature', ['warm']],
    ['60 g peanut butter, room-warm', ['warm']],
    ['200 g milk chocolate chips, kept cold', ['cold']],
    ['225 g butter, melted and cooled', ['melted']],
    ['250 g butter, of which 50 g melted', []],
    ['120 g zerlassene Butter', ['melted']],
    ['80 g honey, warmed', ['heated']],
    ['250 g flour', []],
    // Words that only look like it.
    ['100 g unsifted flour', []],
    ['1 cup toasters', []],
  ] as const)('"%s"', (text, ways) => {
    expect(readyIn(text)).toEqual(ways);
  });

  it('is said once: not again where the name says it', () => {
    expect(lineName({ ready: ['toasted', 'chopped'] }, 'Walnuts, chopped')).toBe('Walnuts, chopped, toasted');
    expect(lineName({ ready: ['toasted', 'chopped'] }, 'Hazelnuts')).toBe('Hazelnuts, toasted and chopped');
    expect(lineName({ browned: true }, 'Butter')).toBe('Butter, to brown');
    expect(lineName({}, 'Salt')).toBe('Salt');
    // In the order in which it is done, however it was written.
    expect(sayReady({ ready: ['chopped', 'toasted'] }, '')).toBe('toasted and chopped');
  });

  it('takes longer for more, and never less than nothing', () => {
    for (const way of readyWays) {
      const [little, much] = [readyTime(way, 100), readyTime(way, 5000)];
      expect(much.workS).toBeGreaterThanOrEqual(little.workS);
      expect(little.workS).toBeGreaterThanOrEqual(0);
      expect(much.standsS).toBe(little.standsS);
    }
    expect(readyTime('chopped', 1000).workS / 60).toBeCloseTo(11);
    expect(readyTime('cold', 1000)).toEqual({ workS: 0, standsS: 0 });
  });
});

const text = [
  '250 g flour, sifted',
  '150 g unsalted butter, at room temperature',
  '150 g white sugar',
  '50 g whole egg, at room temperature',
  '120 g dark chocolate, chopped',
  '80 g walnuts, chopped',
  '60 g hazelnuts, toasted',
].join('\n');
const made = () =>
  assembleFormula(readRecipe(text, { measures: 'metric', schools: {} }), { code: 'RDY', name: 'Ready' });
const readyOf = (formula: Formula) =>
  Object.fromEntries(doughLines(formula).map(({ ingredientId, ready }) => [ingredientId, ready]));

describe('a recipe that says so', () => {
  it('brings it into the formula; butter and eggs are out anyway, chopped walnuts are bought so', () => {
    const ready = readyOf(made());
    expect(ready['dark-chocolate']).toEqual(['chopped']);
    expect(ready.hazelnuts).toEqual(['toasted']);
    expect(Object.entries(ready).filter(([, ways]) => ways !== undefined)).toHaveLength(3);
    expect(() => checkFormula(made())).not.toThrow();
  });

  it('is given out with it, and a change is said', () => {
    const formula = made();
    expect(formulaToJsonLd(formula, 1000)).toContain('dark chocolate, chopped');
    const plain: Formula = {
      ...formula,
      stages: formula.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map(({ ingredientId, percent }) => ({ ingredientId, percent })),
      })),
    };
    expect(compareVersions(plain, formula)).toContain('dark chocolate: chopped');
    expect(compareVersions(formula, plain)).toContain('dark chocolate: as it comes');
    expect(compareVersions(formula, formula)).toEqual(compareVersions(plain, plain));
  });
});
