import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import type { Formula } from './formula.js';
import { isSameDough } from './same-dough.js';

const [gng, other] = demoFormulas as [Formula, Formula];

describe('two formulas of one dough', () => {
  it('may differ in piece, toppings, rest and bake', () => {
    const large: Formula = {
      ...gng,
      code: 'GNL',
      name: 'Quay Ginger Large',
      piece: { ...gng.piece, massG: 70 },
      toppings: [{ ingredientId: 'walnuts', percent: 10, on: 'top' }],
      rest: { ...gng.rest, temperS: 900 },
      bake: { ...gng.bake, setC: 160, liner: 'mat' },
    };
    expect(isSameDough(gng, large)).toBe(true);
    expect(isSameDough(gng, other)).toBe(false);
  });
  it('may have their stages named or ordered otherwise, but not their amounts or their working', () => {
    const turned: Formula = {
      ...gng,
      stages: gng.stages.toReversed().map((stage) => ({ ...stage, name: `${stage.name} too` })),
    };
    expect(isSameDough(gng, turned)).toBe(true);
    const [first, ...rest] = gng.stages;
    if (!first) throw new Error('no stage');
    const [line, ...lines] = first.lines;
    if (!line) throw new Error('no line');
    const more = { ...first, lines: [{ ...line, percent: line.percent + 0.5 }, ...lines] };
    expect(isSameDough(gng, { ...gng, stages: [more, ...rest] })).toBe(false);
    const browned = { ...first, lines: first.lines.map((own) => ({ ...own, browned: !own.browned })) };
    expect(isSameDough(gng, { ...gng, stages: [browned, ...rest] })).toBe(false);
    expect(isSameDough(gng, { ...gng, method: { cream: 'long', egg: 'fully', finish: 'machine' } })).toBe(
      false,
    );
    expect(isSameDough(gng, { ...gng, method: { cream: 'standard', egg: 'fully', finish: 'machine' } })).toBe(
      true,
    );
  });
});
