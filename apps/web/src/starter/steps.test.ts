import { describe, expect, it } from '@jest/globals';
import type { BakeryView, DayView } from '@jokul/contracts';
import { checkEquipment, starterEquipment, type Equipment } from '@jokul/core';
import { presets } from './presets';
import { doneByLooking, isStep, nextStep, stepIds, stepsDone } from './steps';

const bakery = (part: Partial<BakeryView> = {}) =>
  ({ name: 'My bakery', formulas: [], ...part }) as BakeryView;
const formulas = [{}] as unknown as BakeryView['formulas'];
const day = (orders: number, batches: number) =>
  ({
    orders: Array.from({ length: orders }, () => ({})),
    plan: { plan: { batches: Array.from({ length: batches }, () => ({})) } },
  }) as unknown as DayView;

describe('the steps of setting up', () => {
  it('begin with the name, when nothing is there', () => {
    const done = stepsDone([], bakery());
    expect(done.size).toBe(0);
    expect(nextStep(done)).toBe('bakery');
  });
  it('are done by what is there, whoever brought it about', () => {
    const done = stepsDone([], bakery({ name: 'Kestrel Lane', formulas }), day(2, 1));
    expect([...done]).toEqual(['bakery', 'formula', 'order', 'plan']);
    expect(nextStep(done)).toBe('ovens');
  });
  it('are done by looking where the example may be right as it is, never an order nobody wrote', () => {
    expect(stepIds.filter((id) => !doneByLooking(id))).toEqual(['formula', 'order', 'plan']);
    const done = stepsDone(['bakery', 'ovens', 'trays', 'mixers', 'cold', 'people'], bakery());
    expect(nextStep(done)).toBe('formula');
  });
  it('end', () => expect(nextStep(stepsDone(stepIds, bakery()))).toBeNull());
  it('know their names in the address', () => {
    expect(isStep('trays')).toBe(true);
    expect(isStep('constructor')).toBe(false);
    expect(isStep(undefined)).toBe(false);
  });
});

describe('ready-made things', () => {
  it('can each be added to what a bakery begins with', () => {
    for (const [kind, list] of Object.entries(presets))
      for (const preset of list) {
        const with_ = {
          ...starterEquipment,
          [kind]: [...starterEquipment[kind as 'ovens'], { ...preset, id: 'ready-made' }],
        } as unknown as Equipment;
        expect(() => checkEquipment(with_)).not.toThrow();
      }
  });
});
