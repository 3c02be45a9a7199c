import { describe, expect, it } from '@jest/globals';
import { demoFormulas, demoRules } from '@jokul/core';
import { pack, schemaOf, storedForms, unpack, type StoredName } from './stored.js';

const names = Object.keys(storedForms) as StoredName[];

describe('JSON in the database', () => {
  it.each(names)('%s goes there and back, with its version beside it', (name) => {
    const value = { a: 1, b: { c: [1, 2] } };
    const kept = pack(name, value);
    expect(kept.schema).toBe(schemaOf(storedForms[name]));
    expect(unpack(name, JSON.parse(JSON.stringify(kept)))).toEqual(value);
  });
  it.each(names)('%s as a list goes there and back', (name) => {
    expect(unpack(name, JSON.parse(JSON.stringify(pack(name, [{ id: 'x' }]))))).toEqual(
      storedForms[name].upgrades.length === 0 ? [{ id: 'x' }] : unpack(name, pack(name, [{ id: 'x' }])),
    );
  });
  it.each(names)('%s of a newer Jokul is refused with a sentence', (name) => {
    const newer = { schema: schemaOf(storedForms[name]) + 1 };
    expect(() => unpack(name, newer)).toThrow(/of a newer Jokul/);
  });
  it('a list of the first form had no version', () =>
    expect(unpack('ingredients', [{ id: 'own-x' }])).toEqual([{ id: 'own-x' }]));
  it('a formula of the first form is the formula', () =>
    expect(unpack('formula', demoFormulas[0])).toEqual(demoFormulas[0]));
  it('a plan of the first form gets what came since', () =>
    expect(unpack('plan', { plan: {}, batchFormula: {} })).toEqual({
      plan: {},
      batchFormula: {},
      batchForecasts: {},
      moves: [],
    }));
  it('equipment of before liners were set up has none, and keeps those that it has', () => {
    expect(unpack<{ liners: unknown }>('equipment', { schema: 2, shifts: [] }).liners).toEqual([]);
    const liners = [{ id: 'mats' }];
    expect(unpack<{ liners: unknown }>('equipment', { schema: 2, liners }).liners).toEqual(liners);
  });
  it('shifts of the first form tend ovens and pack as before', () => {
    const shifts = [
      { name: 'All', hands: 2 },
      { name: 'Mixer', hands: 1, can: ['mix'] },
    ];
    expect(unpack<{ shifts: unknown }>('equipment', { shifts }).shifts).toEqual([
      shifts[0],
      { ...shifts[1], can: ['mix', 'oven', 'pack'] },
    ]);
    expect(unpack<typeof demoRules>('rules', { doughC: 22 })).toMatchObject({ packPieceS: 0, ovenTrayS: 0 });
  });
  it('house rules of the first form get the usual limits, and keep what they had', () => {
    const { thawedMaxS, frozenMaxS, outMaxS, probeSilentS, centreC, ...old } = demoRules;
    expect([thawedMaxS, frozenMaxS, outMaxS, probeSilentS, centreC].length).toBe(5);
    const now = unpack<typeof demoRules>('rules', old);
    expect(now).toMatchObject(old);
    expect(now.outMaxS).toBe(4 * 3600);
    expect(now.probeSilentS).toBe(900);
    expect(now.centreC).toBe(71);
    expect(unpack<typeof demoRules>('rules', { ...old, outMaxS: 7200 }).outMaxS).toBe(7200);
  });
});
