import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../../demo/index.js';
import { ingredient, ingredients } from '../../ingredient/index.js';
import { leaveningOf } from '../balance.js';
import type { Formula, FormulaLine } from '../formula.js';
import { levers } from '../texture-levers.js';
import { byLevers, forecastTexture, leversFor, type ByLevers } from '../texture.js';
import { checkSoundness, undeclaredIn } from './index.js';

const formula = (code: string): Formula => {
  const found = demoFormulas.find((f) => f.code === code);
  if (!found) throw new Error(`no formula ${code}`);
  return found;
};
const change = (f: Formula, id: string, line: Partial<FormulaLine> | null): Formula => ({
  ...f,
  stages: f.stages.map((s) => ({
    ...s,
    lines: s.lines.flatMap((l) => (l.ingredientId === id ? (line ? [{ ...l, ...line }] : []) : [l])),
  })),
});
const codes = (f: Formula) => checkSoundness(f).map(({ code }) => code);

describe('soundness', () => {
  it('no demo formula has a likely mistake in it', () => {
    for (const f of demoFormulas)
      expect([f.code, checkSoundness(f).filter(({ level }) => level === 'wrong')]).toEqual([f.code, []]);
  });
  it.each<[string, Formula, string]>([
    [
      'salted butter on top of the salt',
      change(formula('SES'), 'butter', { ingredientId: 'salted-butter' }),
      'salt-doubled',
    ],
    ['salt left out', change(formula('LEM'), 'salt', null), 'salt-missing'],
    ['salt by the handful', change(formula('LEM'), 'salt', { percent: 4 }), 'salt-high'],
    ['no butter', change(formula('LEM'), 'butter', null), 'no-fat'],
    ['ghee for butter', change(formula('LEM'), 'butter', { ingredientId: 'ghee' }), 'butter-water'],
    ['ten times the soda', change(formula('LEM'), 'baking-soda', { percent: 6 }), 'base-left'],
    ['ten times the powder', change(formula('CLM'), 'baking-powder', { percent: 14 }), 'gas-high'],
    ['a trace of powder', change(formula('CLM'), 'baking-powder', { percent: 0.2 }), 'gas-low'],
    ['half of it sugar', change(formula('LEM'), 'white-sugar', { percent: 160 }), 'ratio-sugars'],
    ['lemon juice by the cup', change(formula('LEM'), 'lemon-juice', { percent: 20 }), 'acid-left'],
    [
      'oats, and nothing to wet them',
      change(
        change(formula('CLM'), 'coconut', { ingredientId: 'rolled-oats', percent: 200 }),
        'whole-egg',
        null,
      ),
      'ratio-water',
    ],
  ])('%s is found', (_, f, code) => {
    expect(codes(f)).toContain(code);
    const found = checkSoundness(f).find((finding) => finding.code === code);
    if (code !== 'no-fat') expect(found?.sentence).toMatch(/\d/);
    // What is found by a ratio, by salt or by leavening opens to what each ingredient brings.
    if (code === 'salt-missing') expect([found?.figure?.value, found?.figure?.terms]).toEqual([0, []]);
    else if (/^(ratio|salt|gas|base|acid)/.test(code)) expect(found?.figure?.terms.length).toBeGreaterThan(0);
  });
  it('salted butter says how much salt to take off', () => {
    const [first] = checkSoundness(change(formula('SES'), 'butter', { ingredientId: 'salted-butter' }));
    // 48 % of salted butter at 1.6 %: 0.77 %; of the 1.6 % that were weighed 0.83 % stay.
    expect(first?.sentence).toContain('weigh 0.83');
  });
  it('nothing that ships with Jokul sounds like an allergen that it does not declare', () => {
    expect([...ingredients.values()].filter((food) => undeclaredIn(food).length > 0)).toEqual([]);
  });
  it('an own ingredient that does is found', () => {
    const food = { ...ingredient('dates'), id: 'hazel-crunch', name: 'Hazelnut crunch' };
    expect(undeclaredIn(food)).toEqual(['nuts']);
    expect(codes(change(formula('MLT'), 'dates', { ingredientId: food.id, food }))).toContain(
      'allergen-undeclared',
    );
  });
});

describe('leavening', () => {
  it('by hand: Lemon Poppy Drop', () => {
    // 276.3 % in all: soda 0.6 / 276.3 kg = 2.17 g a kilo, × 11.9 = 25.8 mmol; lemon juice 14.5 g × 0.85 = 12.3 mmol.
    const { base, acid, gas } = leaveningOf(formula('LEM'));
    expect(base.value).toBeCloseTo(25.8, 0);
    expect(acid.value).toBeGreaterThan(12.3);
    expect(acid.value).toBeLessThan(14);
    // Powder 2.9 g × 71 = 205 mL; soda 2.17 g × 286 = 621 mL, of it three quarters.
    expect(gas.value).toBeCloseTo(205 + 621 * 0.75, -1.3);
  });
  it('a dough without leavening has neither gas nor base', () => {
    const { base, gas } = leaveningOf(formula('CRD'));
    expect([base.value, gas.value]).toEqual([0, 0]);
  });
});

describe('the texture forecast', () => {
  const lem = formula('LEM');
  it('a formula against itself is in the middle of every scale', () => {
    expect(Object.values(forecastTexture(lem, lem).scores)).toEqual(byLevers.map(() => 5));
  });
  it.each<[string, Formula, ByLevers, 1 | -1]>([
    ['more white sugar', change(lem, 'white-sugar', { percent: 95 }), 'crispness', 1],
    ['brown for white sugar', change(lem, 'white-sugar', { ingredientId: 'dark-brown-sugar' }), 'chew', 1],
    ['brown for white sugar', change(lem, 'white-sugar', { ingredientId: 'dark-brown-sugar' }), 'colour', 1],
    ['icing for white sugar', change(lem, 'white-sugar', { ingredientId: 'icing-sugar' }), 'tenderness', 1],
    ['strong flour', change(lem, 'wheat-flour', { ingredientId: 'strong-wheat-flour' }), 'chew', 1],
    ['soft flour', change(lem, 'wheat-flour', { ingredientId: 'soft-wheat-flour' }), 'tenderness', 1],
    ['soda up', change(lem, 'baking-soda', { percent: 2 }), 'colour', 1],
    ['a larger piece', { ...lem, piece: { ...lem.piece, massG: 70 } }, 'crispness', -1],
    ['baked to the end', { ...lem, bake: { ...lem.bake, target: 'crisp-through' } }, 'crispness', 1],
  ])('%s moves %s', (_, f, attribute, sign) => {
    const { scores, because } = forecastTexture(f, lem);
    expect(Math.sign(scores[attribute] - 5)).toBe(sign);
    expect(because[attribute].length).toBeGreaterThan(0);
  });
  it('names the levers, the strongest first, with what else each moves', () => {
    const advice = leversFor('spread', 'less', lem);
    expect(advice[0]?.gain).toBeGreaterThanOrEqual(advice.at(-1)?.gain ?? 0);
    for (const { aside, lever, direction } of advice)
      for (const { attribute, points } of aside)
        expect(Math.sign(points)).toBe(
          Math.sign(lever.perStep[attribute] ?? 0) * (direction === 'more' ? 1 : -1),
        );
  });
  it('does not advise less of what is not there', () => {
    const ids = leversFor('colour', 'less', formula('CRD')).map(({ lever }) => lever.id);
    expect(ids).not.toContain('soda');
    expect(ids).not.toContain('moist-sugar');
  });
  it('every lever reads a number off every formula', () => {
    for (const f of demoFormulas) for (const { of } of levers) expect(Number.isFinite(of(f))).toBe(true);
  });
});
