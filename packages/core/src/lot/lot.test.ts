import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { demoFormulas } from '../demo/index.js';
import { allergensOf, doughOf, withFoods, type Formula } from '../formula/index.js';
import { ingredient, libraryOf, type Ingredient } from '../ingredient/index.js';
import { lifeClocks, lotAge, noAge, type LifeSoFar } from './age.js';
import { lotBalance } from './balance.js';
import { checkCharacter, lotId, partId, productOf, readLotId, requireLotId } from './id.js';
import { asPinned, formulaOfLot, lotRecord } from './record.js';

const ginger = demoFormulas[0] as Formula;

describe('the name of a lot', () => {
  it('says product, year and number, and carries a check character', () => {
    const id = lotId('GNG', 2026, 417);
    expect(id).toMatch(/^GNG-26-417-[A-Z0-9]$/);
    expect(readLotId(id)).toEqual({ productCode: 'GNG', year: 2026, number: 417, part: null });
    expect(productOf(id)).toBe('GNG');
  });
  it('follows the example of the standard', () => {
    // ISO/IEC 7064 MOD 37,36: the check character of A12425GABC1234002 is M.
    expect(checkCharacter('A12425GABC1234002')).toBe('M');
  });
  it('of the same code and number in two years are two', () =>
    expect(lotId('GNG', 2026, 1)).not.toBe(lotId('GNG', 2027, 1)));
  it('shows every wrong character', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('GNG', 'RYE', 'P2', 'ABC123'),
        fc.integer({ min: 2024, max: 2099 }),
        fc.integer({ min: 1, max: 99_999 }),
        fc.nat(),
        fc.constantFrom(...'0123456789ABCDEFGHJKLMNPQRSTUVWXYZ'),
        (code, year, number, where, wrong) => {
          const id = lotId(code, year, number);
          const at = where % id.length;
          const now = id[at] ?? '';
          if (now !== '-' && now !== wrong)
            expect(readLotId(id.slice(0, at) + wrong + id.slice(at + 1))).toBeNull();
        },
      ),
    );
  });
  it('shows nearly every swap of two neighbours: all but one in some four hundred', () => {
    let swaps = 0;
    let missed = 0;
    for (const code of ['GNG', 'RYE', 'P2', 'ABC123'])
      for (let number = 1; number < 20_000; number += 61) {
        const id = lotId(code, 2026, number);
        for (let at = 0; at + 1 < id.length; at++) {
          const [now, next] = [id[at] ?? '', id[at + 1] ?? ''];
          if (now === next || now === '-' || next === '-') continue;
          swaps += 1;
          if (readLotId(id.slice(0, at) + next + now + id.slice(at + 2)) !== null) missed += 1;
        }
      }
    expect(swaps).toBeGreaterThan(5000);
    expect(missed / swaps).toBeLessThan(0.005);
  });
  it('mistyped is refused with a sentence; names of an older form and notes on other things are let be', () => {
    const id = lotId('GNG', 2026, 417);
    const wrong = `${id.slice(0, -1)}${id.endsWith('7') ? '8' : '7'}`;
    expect(() => requireLotId(wrong)).toThrow(/last character does not fit/);
    for (const fine of [id, `${id}.2`, 'GNG-1127-A', 'TEST', 'constructor']) requireLotId(fine);
  });
  it('of a part adds its number, also of a part of a part', () => {
    const id = lotId('GNG', 2026, 417);
    expect(partId(id, [id])).toBe(`${id}.2`);
    expect(partId(`${id}.2`, [id, `${id}.2`])).toBe(`${id}.3`);
    expect(readLotId(`${id}.3`)?.part).toBe(3);
  });
});

describe('what a lot pins', () => {
  const record = lotRecord(ginger, { massG: 6000, pieces: 180, day: '2026-11-27', mixerId: 'mixer-20qt' });
  it('is its formula, its ingredients by name and its allergens', () => {
    expect(record).toMatchObject({ productCode: 'GNG', day: '2026-11-27', parents: [] });
    expect(record.allergens).toEqual(['egg', 'gluten', 'milk', 'wheat']);
    expect(record.ingredients.find(({ id }) => id === 'butter')).toMatchObject({ allergens: ['milk'] });
  });
  it('holds against a newer formula; what is only planned follows the latest', () => {
    const newer: Formula = { ...ginger, version: 9, rest: { ...ginger.rest, maxS: 1 } };
    expect(formulaOfLot(record, newer)).toBe(ginger);
    expect(formulaOfLot(null, newer)).toBe(newer);
  });
  it('holds against an own ingredient that is corrected: what it is made of and its allergens', () => {
    const flour: Ingredient = { ...ingredient('wheat-flour'), id: 'own-flour', name: 'Flour of the mill' };
    const named: Formula = {
      ...ginger,
      stages: ginger.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.map((line) =>
          line.ingredientId === 'wheat-flour' ? { ...line, ingredientId: flour.id } : line,
        ),
      })),
    };
    const { composition } = flour;
    const wetter = {
      ...flour,
      allergens: [...flour.allergens, 'lupin' as const],
      composition: {
        ...composition,
        water: composition.water + 0.05,
        carbohydrate: composition.carbohydrate - 0.05,
      },
    };
    const mixed = withFoods(named, libraryOf([flour]));
    const latest = withFoods(named, libraryOf([wetter]));
    const kept = lotRecord(mixed, { massG: 6000, pieces: 180, day: null, mixerId: null });
    // In the ledger a formula names its ingredients; the bakery's own stand beside it, once.
    expect(kept.formula).toEqual(named);
    const pinned = asPinned(JSON.parse(JSON.stringify(kept)) as typeof kept).formula;
    expect(doughOf(pinned)).toEqual(doughOf(mixed));
    expect(doughOf(pinned)).not.toEqual(doughOf(latest));
    expect(allergensOf(pinned)).not.toContain('lupin');
    expect(allergensOf(latest)).toContain('lupin');
  });
});

const hour = 3600;
const life = (change: Partial<LifeSoFar> = {}): LifeSoFar => ({
  mixedMs: 0,
  stays: [],
  endedMs: null,
  ...change,
});
const kindOf = (id: string) => (id === 'freezer' || id === 'walk-in' || id === 'bench' ? id : undefined);
const stay = (placeId: string, fromH: number, toH: number | null) => ({
  placeId,
  atMs: fromH * hour * 1000,
  outMs: toH === null ? null : toH * hour * 1000,
});

describe('the age of a dough', () => {
  it('adds up over going out and back twice', () => {
    const stays = [
      stay('walk-in', 1, 5),
      stay('walk-in', 6, 8),
      stay('freezer', 8.5, 20),
      stay('walk-in', 21, null),
    ];
    const age = lotAge(life({ stays }), kindOf, 24 * hour * 1000);
    expect(age).toMatchObject({ chilledS: 9 * hour, frozenS: 11.5 * hour, outS: 3.5 * hour, stays: 4 });
    expect(age.byPlace).toEqual({ 'walk-in': 9 * hour, freezer: 11.5 * hour });
  });
  it('goes on while it lies there, and ends with the oven', () => {
    const stays = [stay('walk-in', 1, 5)];
    expect(lotAge(life({ stays }), kindOf, 9 * hour * 1000).outS).toBe(5 * hour);
    expect(lotAge(life({ stays, endedMs: 6 * hour * 1000 }), kindOf, 9 * hour * 1000).outS).toBe(2 * hour);
  });
  it('is brought along by a part', () => {
    const before = { ...noAge, chilledS: 10 * hour, stays: 2, byPlace: { 'walk-in': 10 * hour } };
    const age = lotAge(life({ before, stays: [stay('walk-in', 0, 4)] }), kindOf, 4 * hour * 1000);
    expect(age).toMatchObject({ chilledS: 14 * hour, stays: 3 });
  });
  it('never runs backwards and its parts are the whole time, whatever the stays', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('walk-in', 'freezer', 'bench', 'cellar'), fc.nat(20), fc.nat(20)), {
          maxLength: 6,
        }),
        fc.nat(100),
        (parts, more) => {
          let at = 0;
          const stays = parts.map(([placeId, wait, inside]) => {
            const from = at + wait;
            at = from + inside;
            return stay(placeId, from, at);
          });
          const now = (at + more) * hour * 1000;
          const age = lotAge(life({ stays }), kindOf, now);
          expect(age.chilledS + age.frozenS + age.outS).toBeCloseTo(now / 1000, 3);
          for (const value of [age.chilledS, age.frozenS, age.outS]) expect(value).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
  it('has a clock for each state: time out ages a chilled dough too, frozen it stands still', () => {
    const age = { ...noAge, chilledS: 20 * hour, frozenS: 100 * hour, outS: 3 * hour, stays: 2 };
    const limits = { chilled: 24 * hour, frozen: 1000 * hour, out: 4 * hour };
    expect(lifeClocks(age, limits).map(({ clock, leftS }) => [clock, leftS / hour])).toEqual([
      ['chilled', 1],
      ['frozen', 900],
      ['out', 1],
    ]);
    // Dough that was never chilled has no chilled clock.
    expect(lifeClocks({ ...noAge, outS: hour }, limits).map(({ clock }) => clock)).toEqual(['out']);
  });
});

describe('the balance of a lot', () => {
  it('counts what came in, what left, and what must be there', () => {
    const balance = lotBalance({
      madeG: 6000,
      merged: [{ massG: 250 }],
      splits: [{ massG: 2000 }],
      discarded: [{ massG: 100 }],
      bakedPieces: 100,
      pieceG: 32,
    });
    expect(balance).toMatchObject({ mergedInG: 250, splitOffG: 2000, bakedG: 3200, leftG: 950 });
  });
});
