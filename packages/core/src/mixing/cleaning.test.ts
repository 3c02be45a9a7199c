import { describe, expect, it } from '@jest/globals';
import { demoFormulas } from '../demo/index.js';
import { declaredIn } from '../formula/index.js';
import type { BatchPlan } from '../planning/index.js';
import { cleaningsOf } from './cleaning.js';

const formulaOf = ({ productCode }: BatchPlan) => demoFormulas.find(({ code }) => code === productCode);
const batch = (productCode: string, mixerId: string, fromMin: number): BatchPlan =>
  ({
    batchId: `${productCode}-${fromMin}`,
    productCode,
    mixerId,
    tasks: [{ id: '', kind: 'mix', startS: fromMin * 60, endS: (fromMin + 25) * 60, uses: [] }],
    loads: [],
  }) as unknown as BatchPlan;
const found = (...batches: readonly BatchPlan[]) =>
  cleaningsOf(batches, formulaOf).map(({ id, startS, allergens }) => [id, startS / 60, allergens]);

describe('cleaning between doughs', () => {
  it('is asked for before a dough that is free of what was in the bowl, as soon as that one is mixed', () => {
    expect(found(batch('PNT', 'large', 0), batch('LEM', 'large', 60))).toEqual([
      ['LEM-60/clean', 25, ['peanut']],
    ]);
  });
  it('is not asked for the other way round: what is free of it comes first', () => {
    const order = found(batch('LEM', 'large', 0), batch('PNT', 'large', 60));
    expect(order.flatMap(([, , allergens]) => allergens)).not.toContain('peanut');
  });
  it('looks at each bowl by itself, in the order of the work and not of the list', () => {
    expect(found(batch('PNT', 'large', 0), batch('LEM', 'small', 60))).toEqual([]);
    expect(found(batch('LEM', 'large', 60), batch('PNT', 'large', 0)).map(([id]) => id)).toEqual([
      'LEM-60/clean',
    ]);
  });
  it('is not asked for twice: after it the bowl has only what the last dough had', () => {
    expect(
      found(batch('PNT', 'large', 0), batch('LEM', 'large', 60), batch('LEM', 'large', 120)),
    ).toHaveLength(1);
  });
  it('names all that the next dough does not declare, and nothing else', () => {
    for (const a of demoFormulas)
      for (const b of demoFormulas) {
        const [one] = cleaningsOf([batch(a.code, 'x', 0), batch(b.code, 'x', 60)], formulaOf);
        const left = declaredIn(a).filter((allergen) => !declaredIn(b).includes(allergen));
        expect(one?.allergens ?? []).toEqual(left);
      }
  });
  it('is asked for between two doughs with other nuts: who may eat hazelnuts may not eat walnuts', () => {
    const walnut = demoFormulas.find(({ code }) => code === 'BBW') ?? demoFormulas[0];
    const nutOf = (id: string) => (formula: (typeof demoFormulas)[number]) => ({
      ...formula,
      toppings: [{ ingredientId: id, percent: 10, on: 'top' as const }],
      stages: formula.stages.map((stage) => ({
        ...stage,
        lines: stage.lines.filter(({ ingredientId }) => ingredientId !== 'walnuts'),
      })),
    });
    if (!walnut) throw new Error('no formula');
    const made = { A: nutOf('hazelnuts')(walnut), B: nutOf('walnuts')(walnut) };
    const [one] = cleaningsOf(
      [batch('A', 'large', 0), batch('B', 'large', 60)],
      ({ productCode }) => made[productCode as 'A' | 'B'],
    );
    expect(one?.allergens).toEqual(['hazelnut']);
  });
  it('a night between them is enough: the bowl was washed with everything else', () => {
    expect(found(batch('PNT', 'large', 0), batch('LEM', 'large', 24 * 60))).toEqual([]);
  });
  it('a dough that comes from the cold is in no bowl', () => {
    const cold = { ...batch('LEM', 'large', 60), tasks: [] } as BatchPlan;
    expect(found(batch('PNT', 'large', 0), cold)).toEqual([]);
  });
});
