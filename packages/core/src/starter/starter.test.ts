import { describe, expect, it } from '@jest/globals';
import { bake, bakeInputOf } from '../bake/index.js';
import { demoFormulas } from '../demo/index.js';
import { checkFormula, checkSoundness } from '../formula/index.js';
import { checkEquipment } from '../bakery/index.js';
import { exampleFormulas, starterEquipment } from './index.js';

describe('what a bakery of one’s own begins with', () => {
  it('is equipment that could be saved as it is', () => {
    expect(() => checkEquipment(starterEquipment)).not.toThrow();
  });
  it.each(exampleFormulas.map(({ formula }) => [formula.name, formula] as const))(
    '%s is a formula without a likely mistake, whose target is reached',
    (_, formula) => {
      expect(() => checkFormula(formula)).not.toThrow();
      expect(checkSoundness(formula)).toEqual([]);
      const { pull } = bake(
        bakeInputOf(formula, {
          start: 7,
          tray: 'bright-aluminium',
          liner: 'parchment',
          fan: formula.bake.fan,
        }),
      );
      expect(pull?.value).toBeGreaterThan(480);
      expect(pull?.value).toBeLessThan(1500);
    },
  );
  it('has nothing of the demo', () => {
    const names = new Set(demoFormulas.flatMap(({ code, name }) => [code, name]));
    for (const { formula } of exampleFormulas) {
      expect(names.has(formula.code)).toBe(false);
      expect(names.has(formula.name)).toBe(false);
    }
  });
});
