import { describe, expect, it } from '@jest/globals';
import { demoFormulas, type Action, type Formula, type PreparationKind } from '@jokul/core';
import { amount, cueOf, dueWord, icing, isForHands, label } from './floor-words';

const formula = demoFormulas.find(({ code }) => code === 'CLM') as Formula;
const action = (more: Partial<Action>): Action => ({
  id: 'a',
  kind: 'load',
  batchId: 'CLM-26-417-H',
  productCode: 'CLM',
  trayIds: [],
  dueMs: 1e9,
  ...more,
});
const units = { mass: (g: number) => `${g} g`, temperature: (c: number) => `${c} °C` };
type Units = Parameters<typeof amount>[1];

describe('how the wall speaks', () => {
  it.each([
    'mix',
    'portion',
    'rest-in',
    'rest-out',
    'load',
    'turn',
    'pull',
    'flatten',
    'ice',
    'pack',
    'rack',
  ] as const)('of %s it says what to look for', (kind) =>
    expect(cueOf(action({ kind }), formula)).toMatch(/^[A-Z].{15,}/),
  );
  it.each<PreparationKind>([
    'butter-out',
    'butter-brown',
    'eggs-out',
    'toast',
    'chop',
    'sift',
    'warm',
    'oven-on',
    'oven-check',
    'clean',
  ])('and before the mixing of %s', (kind) =>
    expect(
      cueOf(action({ kind: 'prepare', prepare: { kind } as Action['prepare'] & object }), formula),
    ).toMatch(/^[A-Z].{15,}/),
  );
  it('a pull by what its dough is baked to', () => {
    const pulls = demoFormulas.map((own) => cueOf(action({ kind: 'pull' }), own));
    expect(new Set(pulls).size).toBeGreaterThan(2);
    expect(cueOf(action({ kind: 'pull' }), undefined)).not.toBe('');
  });
  it('calls for hands when it is due, not before', () => {
    const due = action({ kind: 'pull', dueMs: 1e9 });
    expect([isForHands(due, 1e9), dueWord(due, 1e9)]).toEqual([true, 'Now']);
    expect([isForHands(due, 1e9 + 3600e3), dueWord(due, 1e9 + 3600e3)]).toEqual([true, 'Overdue']);
    expect(isForHands(due, 1e9 - 3600e3)).toBe(false);
  });
  it('says how much is put out, what the bowl is cleaned of, what the oven is set to', () => {
    const prepare = (prepare: object) =>
      amount(action({ kind: 'prepare', prepare: prepare as Action['prepare'] & object }), units);
    expect(prepare({ kind: 'butter-out', massG: 500 })).toBe('500 g, ');
    expect(prepare({ kind: 'clean', allergens: ['nuts', 'milk'] })).toBe('of tree nuts and milk, ');
    expect(prepare({ kind: 'oven-on', oven: { setC: 177, loadId: 'L7' } })).toBe('177 °C, ');
    expect(amount(action({}), units as Units)).toBe('');
    expect(
      label(
        action({
          kind: 'prepare',
          prepare: { kind: 'oven-on', oven: { setC: 177, loadId: 'L7' } } as Action['prepare'] & object,
        }),
      ),
    ).toContain('L7');
  });
  it('what pieces are iced with, only where they are', () => {
    const load = { id: 'L1', trays: [{ pieces: 10 }] } as unknown as Action['load'] & object;
    const iced: Formula = {
      ...formula,
      toppings: [{ ingredientId: 'icing-sugar', percent: 20, on: 'iced' }],
    };
    const about = (g: number) => `${Math.round(g)} g`;
    expect(icing(action({ kind: 'ice', load }), iced, about)).toMatch(/^10 pieces, \d+ g icing sugar, $/);
    expect(icing(action({ kind: 'rack', load }), iced, about)).toBe('');
    expect(icing(action({ kind: 'ice', load }), undefined, about)).toBe('');
  });
});
