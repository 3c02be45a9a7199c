import { describe, expect, it } from '@jest/globals';
import { checkFormula, flourPercent, doughLines } from '../formula/index.js';
import { demoEquipment, demoFormulas, demoOrders } from './index.js';

describe('the demo bakery', () => {
  it('has nine sound formulas with flour at 100', () => {
    expect(demoFormulas).toHaveLength(9);
    for (const formula of demoFormulas) {
      expect(() => checkFormula(formula)).not.toThrow();
      expect(flourPercent(doughLines(formula))).toBeCloseTo(100, 9);
    }
  });
  it('has a Friday of about 1,450 pieces over all nine', () => {
    const pieces = demoOrders.flatMap((order) => Object.values(order.pieces)).reduce((a, b) => a + b, 0);
    expect(Math.abs(pieces - 1450)).toBeLessThan(50);
    expect(new Set(demoOrders.flatMap((order) => Object.keys(order.pieces))).size).toBe(9);
  });
  it('has what the bakery is said to have', () => {
    expect(demoEquipment.ovens.map((oven) => oven.places)).toEqual([5, 5, 2, 2]);
    expect(demoEquipment.trays.map((tray) => tray.count)).toEqual([36, 8]);
    expect(demoEquipment.scoops).toEqual([16, 20, 24, 30, 40, 50, 60]);
  });
});
