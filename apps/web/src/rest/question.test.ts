import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules, type Place } from '@jokul/core';
import { questionOf, readyAt } from './question';

const place = (kind: Place['kind']): Place => {
  const found = demoEquipment.places.find((p) => p.kind === kind);
  if (!found) throw new Error(`no ${kind}`);
  return found;
};
const [formula] = demoFormulas;
if (!formula) throw new Error('no formula');
const item = { form: 'pieces', cover: 'open', startC: 22, massG: 6000 } as const;

describe('what is asked of the cold model', () => {
  it('cold in the walk-in is the house rule, hard in the freezer is near its air', () => {
    expect(readyAt(place('walk-in'), demoRules)).toBe(8);
    expect(readyAt(place('freezer'), demoRules)).toBe(-14);
  });
  it('pieces are asked for six hours, a tub for two days', () => {
    expect(questionOf(item, formula, place('walk-in'), demoRules)).toMatchObject({
      form: 'pieces',
      durationS: 6 * 3600,
      targetC: 8,
    });
    expect(questionOf({ ...item, form: 'tub' }, formula, place('walk-in'), demoRules)).toMatchObject({
      form: 'tub',
      durationS: 48 * 3600,
    });
  });
  it('a bag is followed as a bag', () => {
    expect(
      questionOf({ ...item, form: 'bag', cover: 'covered' }, formula, place('freezer'), demoRules),
    ).toMatchObject({ form: 'bag', cover: 'covered' });
  });
  it.each([
    [20_000, 8000],
    [6000, 6000],
    [100, 500],
  ])('%d g of dough are asked as a tub of %d g', (massG, tubMassG) => {
    expect(questionOf({ ...item, form: 'tub', massG }, formula, place('walk-in'), demoRules).tubMassG).toBe(
      tubMassG,
    );
  });
});
