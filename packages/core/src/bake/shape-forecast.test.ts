import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { levers, type Formula, type FormulaLine } from '../formula/index.js';
import { bake } from './bake.js';
import { bakeInputOf } from './input.js';
import { endShape, shapeForecast, shapePoints } from './shape-forecast.js';

const formula = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(`no ${code}`);
  return found;
};
const change = (f: Formula, id: string, to: Partial<FormulaLine>): Formula => ({
  ...f,
  stages: f.stages.map((stage) => ({
    ...stage,
    lines: stage.lines.map((line) => (line.ingredientId === id ? { ...line, ...to } : line)),
  })),
});
const lem = formula('LEM');
const aDay = { ...lem.rest, form: 'tub', bestS: 86_400, maxS: 90_000 } as const;

describe('spread and thickness against a reference', () => {
  it('a formula against itself is in the middle of both scales, and nothing moved it', () => {
    const { scores, because } = shapeForecast(lem, lem);
    expect(scores).toEqual({ spread: 5, thickness: 5 });
    expect(because).toEqual({ spread: [], thickness: [] });
  });
  it.each<[string, Formula, 'spread' | 'thickness', 1 | -1]>([
    ['more white sugar', change(lem, 'white-sugar', { percent: 95 }), 'spread', 1],
    ['brown for white sugar', change(lem, 'white-sugar', { ingredientId: 'dark-brown-sugar' }), 'spread', -1],
    ['icing for white sugar', change(lem, 'white-sugar', { ingredientId: 'icing-sugar' }), 'spread', -1],
    ['yolk for egg', change(lem, 'whole-egg', { ingredientId: 'egg-yolk' }), 'spread', -1],
    ['strong flour', change(lem, 'wheat-flour', { ingredientId: 'strong-wheat-flour' }), 'spread', -1],
    ['powder up', change(lem, 'baking-powder', { percent: 2 }), 'thickness', 1],
    ['a day of rest', { ...lem, rest: aDay }, 'spread', -1],
    ['a hotter oven', { ...lem, bake: { ...lem.bake, setC: lem.bake.setC + 25 } }, 'spread', -1],
    ['creamed for long', { ...lem, method: { cream: 'long', egg: 'fully', finish: 'machine' } }, 'spread', 1],
    ['melted butter', { ...lem, method: { cream: 'melted', egg: 'fully', finish: 'machine' } }, 'spread', 1],
  ])('%s moves %s', (_, f, which, sign) => {
    const { scores, because } = shapeForecast(f, lem);
    expect(Math.sign(scores[which] - 5)).toBe(sign);
    expect(because[which].length).toBeGreaterThan(0);
  });
  it('what moved it adds up to what the bakes themselves say', () => {
    const oat = formula('GNG');
    const { because } = shapeForecast(oat, lem);
    const on = { start: 7, tray: 'bright-aluminium', liner: 'parchment', rings: 6, layers: 5 } as const;
    const whole = shapePoints(
      endShape(bakeInputOf(lem, { ...on, fan: lem.bake.fan })),
      endShape(bakeInputOf(oat, { ...on, fan: oat.bake.fan })),
    );
    const sum = (which: 'spread' | 'thickness') =>
      because[which].reduce((all, { points }) => all + points, 0);
    expect(sum('spread')).toBeCloseTo(whole.spread, 1);
    expect(sum('thickness')).toBeCloseTo(whole.thickness, 1);
  });
  it('is the answer of the bake forecast: the same order of the demo formulas by diameter', () => {
    const spreads = demoFormulas.map((f) => {
      const input = bakeInputOf(f, {
        start: 7,
        tray: 'bright-aluminium',
        liner: 'parchment',
        fan: f.bake.fan,
      });
      const ballMm = Math.cbrt(f.piece.massG);
      return {
        baked: (bake(input).cooled?.diameterMm ?? Number.NaN) / ballMm,
        shape: endShape({ ...input, setup: { ...input.setup, rings: 6, layers: 5 } }).spread,
      };
    });
    const byBake = spreads.toSorted((a, b) => a.baked - b.baked);
    for (const [i, { baked, shape }] of byBake.entries())
      for (const other of byBake.slice(0, i))
        if (baked / other.baked > 1.04) expect(shape).toBeGreaterThan(other.shape);
  });
});

/** An ordinary drop cookie, and each lever pulled by about one step. */
const ordinary = (
  factors: Readonly<Record<string, number>> = {},
  more: readonly FormulaLine[] = [],
  rest: Partial<Formula> = {},
): Formula => {
  const lines: readonly (readonly [string, number])[] = [
    ['wheat-flour', 100],
    ['butter', 70],
    ['white-sugar', 45],
    ['light-brown-sugar', 45],
    ['whole-egg', 28],
    ['baking-soda', 1],
    ['salt', 1.2],
    ['dark-chocolate', 60],
  ];
  return {
    ...formula('GNG'),
    toppings: [],
    stages: [
      {
        id: 'all',
        name: '',
        cue: '',
        lines: [
          ...lines.map(([ingredientId, percent]) => ({
            ingredientId,
            percent: percent * (factors[ingredientId] ?? 1),
          })),
          ...more,
        ],
      },
    ],
    piece: { massG: 35, shape: 'ball' },
    rest: {
      form: 'pieces',
      placeKind: 'walk-in',
      minS: 3600,
      bestS: 3 * 3600,
      maxS: 172_800,
      temperS: 0,
    },
    bake: { target: 'chewy', setC: 177, fan: false, trayRestS: 240, gapMm: 30 },
    method: { cream: 'standard', egg: 'fully', finish: 'machine' },
    ...rest,
  };
};
const add = (ingredientId: string, percent: number) => ordinary({}, [{ ingredientId, percent }]);
const base = ordinary();
const pulled: Readonly<Record<string, Formula>> = {
  fat: ordinary({ butter: (70 + 8 / 0.82) / 70 }),
  'white-sugar': ordinary({ 'white-sugar': 57 / 45 }),
  'moist-sugar': ordinary({ 'light-brown-sugar': 57 / 45 }),
  'fine-sugar': add('icing-sugar', 12),
  water: add('water', 4),
  white: add('egg-white', 8),
  yolk: add('egg-yolk', 5),
  soda: add('baking-soda', 0.44),
  gas: add('baking-powder', 1.75),
  protein: ordinary({ 'wheat-flour': 0.4 }, [{ ingredientId: 'strong-wheat-flour', percent: 60 }]),
  inclusions: ordinary({ 'dark-chocolate': 80 / 60 }),
  melted: ordinary({}, [], { method: { cream: 'melted', egg: 'fully', finish: 'machine' } }),
  cream: ordinary({}, [], { method: { cream: 'long', egg: 'fully', finish: 'machine' } }),
  rest: ordinary({}, [], { rest: { ...base.rest, bestS: 19 * 3600 } }),
  oven: ordinary({}, [], { bake: { ...base.bake, setC: 187 } }),
  piece: ordinary({}, [], { piece: { massG: 35 * Math.exp(0.4), shape: 'ball' } }),
};

describe('the levers say of spread and thickness what the bake model says', () => {
  const on = { start: 7, tray: 'bright-aluminium', liner: 'parchment', fan: false } as const;
  const from = endShape(bakeInputOf(base, on));
  it.each(Object.entries(pulled))('%s', (id, f) => {
    const lever = levers.find((one) => one.id === id);
    const steps = ((lever?.of(f) ?? 0) - (lever?.of(base) ?? 0)) / (lever?.step ?? 1);
    expect(steps).toBeGreaterThan(0.6);
    const found = shapePoints(from, endShape(bakeInputOf(f, on)));
    for (const which of ['spread', 'thickness'] as const) {
      const said = lever?.perStep[which] ?? 0;
      // Less than a tenth of a point is none.
      expect([which, Math.abs(said - found[which] / steps) < 0.15]).toEqual([which, true]);
    }
  });
});
