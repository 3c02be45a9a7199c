import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoFormulas, demoRules } from '../../demo/index.js';
import { withFoods } from '../../formula/index.js';
import { ingredient, libraryOf, type Ingredient } from '../../ingredient/index.js';
import { loadTemperature } from './load-temperature.js';

describe('the temperature of a dough as it is loaded', () => {
  it('follows an ingredient that is corrected, though the formula names the same one', () => {
    const formula = demoFormulas.find(({ code }) => code === 'CRD');
    const flour = formula?.stages
      .flatMap(({ lines }) => lines)
      .find(({ ingredientId }) => /flour/.test(ingredientId));
    if (!formula || !flour) throw new Error('no dough with flour');
    const known = ingredient(flour.ingredientId);
    const own = {
      ...formula,
      rest: { ...formula.rest, temperS: 1800 },
      stages: formula.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map((line) => (line === flour ? { ...line, ingredientId: 'own-flour' } : line)),
      })),
    };
    const loaded = (food: Ingredient) =>
      loadTemperature(withFoods(own, libraryOf([food])), demoRules, demoEquipment);
    const before = loaded({ ...known, id: 'own-flour' });
    // Entered with its water forgotten, and mended: a dough with more ice in it thaws later.
    const { water, carbohydrate } = known.composition;
    const mended = { ...known.composition, water: water + 0.5, carbohydrate: carbohydrate - 0.5 };
    expect(loaded({ ...known, id: 'own-flour', composition: mended })).not.toBe(before);
  });
});
