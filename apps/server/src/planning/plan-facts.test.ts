import { describe, expect, it } from '@jest/globals';
import { demoEquipment, demoRules, type Equipment } from '@jokul/core';
import { planFacts } from './plan-facts.js';

const facts = (change: Partial<Equipment>) => planFacts({ ...demoEquipment, ...change }, demoRules).equipment;
const before = facts({});
const mats = { id: 'mats', name: 'Blue mats', kind: 'mat' as const };

describe('what of the setup a plan is made from', () => {
  it.each<[string, Partial<Equipment>]>([
    ['where probes hang', { places: demoEquipment.places.map((place) => ({ ...place, probe: false })) }],
    ['what a machine takes', { places: demoEquipment.places.map((place) => ({ ...place, powerW: 900 })) }],
    ['what heaters take', { ovens: demoEquipment.ovens.map((oven) => ({ ...oven, powerW: 9000 })) }],
    ['a liner of which nothing is known', { liners: [mats] }],
    ['that no liner is set up', { liners: [] }],
    ['mats that were given away', { liners: [{ ...mats, count: 4, retired: true }] }],
  ])('%s is none of it', (_, change) => expect(facts(change)).toEqual(before));
  it.each<[string, Partial<Equipment>]>([
    ['how many mats there are', { liners: [{ ...mats, count: 4 }] }],
    ['what heat they let through', { liners: [{ ...mats, contactWPerM2K: 40 }] }],
    ['how hard they hold the dough', { liners: [{ ...mats, drag: 0.4 }] }],
    ['how warm a place is', { places: demoEquipment.places.map((place) => ({ ...place, airC: 2 })) }],
  ])('%s is', (_, change) => expect(facts(change)).not.toEqual(before));
  it('is the same when something gets another name', () =>
    expect(facts({ liners: [{ ...mats, count: 4 }] })).toEqual(
      facts({ liners: [{ ...mats, count: 4, name: 'Red mats' }] }),
    ));
});
