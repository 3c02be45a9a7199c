import { describe, expect, it } from '@jest/globals';
import { demoFormulas, lotRecord, type BatchPlan, type Formula } from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { lotsOf } from './lots';

const mlt = demoFormulas.find(({ code }) => code === 'MLT') as Formula;
const large: Formula = { ...mlt, code: 'MLL', name: 'Malt Large', piece: { ...mlt.piece, massG: 80 } };
const bakery = { formulas: [...demoFormulas, { ...large, version: 2 }] } as unknown as BakeryView;
const record = lotRecord(large, { massG: 2000, pieces: 0, day: null, mixerId: null });
const taken = (from: string, productCode: string) =>
  ({ batchId: 'MLT-26-61-S.101', productCode, stock: { from } }) as unknown as BatchPlan;

describe('what a lot is made by', () => {
  const lots = new Map([['MLT-26-61-S.2', { begun: record }]]);
  it('is what its record says, whatever its name begins with', () =>
    expect(lotsOf(bakery, lots)('MLT-26-61-S.2')).toMatchObject({ code: 'MLL', version: 1 }));
  it('of a part that a plan takes, what the lot is that it is taken of', () => {
    const of = lotsOf(bakery, lots, [taken('MLT-26-61-S.2', 'MLL')]);
    expect(of('MLT-26-61-S.101')).toMatchObject({ code: 'MLL', version: 1 });
    // Of a lot that nobody wrote down, the product that is planned.
    expect(lotsOf(bakery, new Map(), [taken('X', 'MLL')])('MLT-26-61-S.101')).toMatchObject({
      code: 'MLL',
      version: 2,
    });
  });
  it('by its name where nothing else is known', () =>
    expect(lotsOf(bakery, new Map())('MLT-26-61-S.101')?.code).toBe('MLT'));
});
