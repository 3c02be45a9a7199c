import { describe, expect, it } from '@jest/globals';
import { onScale } from '../mixing/grams';
import { ruleFields, ruleLabel, shownRule, storedRule } from '../bakery/rule-fields';
import { sayDifference, saySize } from './units';

describe('figures in the units of the device', () => {
  it('a difference of temperatures has no zero of its own', () => {
    expect([sayDifference(10, 'metric'), sayDifference(10, 'us'), sayDifference(-2.5, 'us', 1)]).toEqual([
      '10 °C',
      '18 °F',
      '4.5 °F',
    ]);
  });
  it('the size of a piece keeps as much of it as a rule shows', () => {
    expect([saySize(79.6, 'metric'), saySize(79.6, 'us'), saySize(9.84, 'metric', 1)]).toEqual([
      '80 mm',
      '3.13 in',
      '9.8 mm',
    ]);
  });
  it.each<[number, number, string, string]>([
    [2200, 5, '2200', '77.6'],
    [12.5, 0.1, '12.5', '0.441'],
    [453.59237, 2.835, '453.592', '16.0'],
    [1000, 28.3495, '1000.0000', '35'],
  ])('%d g on a scale with steps of %d g', (massG, stepG, metric, us) => {
    expect([onScale(massG, stepG, 'metric'), onScale(massG, stepG, 'us')]).toEqual([metric, us]);
  });
});

describe('house rules in the units of the device', () => {
  it('that nobody changed stay to the last digit when others are saved', () => {
    for (const own of ruleFields)
      for (const stored of [10, 22, 71, 0.0123])
        expect(storedRule(own, shownRule(own, stored, 'us'), 'us', stored)).toBe(stored);
  });
  const field = (key: string) => {
    const found = ruleFields.find((own) => own.key === key);
    if (!found) throw new Error(key);
    return found;
  };
  it.each<[string, number, string, number, string, number]>([
    ['centreC', 71, 'Baked centre at least, °C', 71, 'Baked centre at least, °F', 159.8],
    ['trayMarginMm', 10, 'Margin on the tray, mm', 10, 'Margin on the tray, in', 0.3937],
    ['bowlLossShare', 0.015, 'Left in the bowl, %', 1.5, 'Left in the bowl, %', 1.5],
    ['thawedMaxS', 172_800, 'Thawed, h', 48, 'Thawed, h', 48],
  ])('%s', (key, stored, label, metric, labelUs, us) => {
    const own = field(key);
    expect([ruleLabel(own, 'metric'), shownRule(own, stored, 'metric')]).toEqual([label, metric]);
    expect([ruleLabel(own, 'us'), shownRule(own, stored, 'us')]).toEqual([labelUs, us]);
    expect(storedRule(own, metric, 'metric')).toBeCloseTo(stored, 6);
    expect(storedRule(own, us, 'us')).toBeCloseTo(stored, 2);
  });
});
