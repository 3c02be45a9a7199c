import { declaredIn, type Formula } from '../formula/index.js';
import { washedAfterS, type BatchPlan, type Preparation } from '../planning/index.js';

const mixOf = (batch: BatchPlan) => batch.tasks.find(({ kind }) => kind === 'mix');

/**
 * Where a mixer goes on to a dough that does not declare what the one before it did: its bowl is cleaned in between, due when
 * the plan found a hand for it, else as soon as the one before is mixed. Hours apart it was washed anyway. Only what follows within `batches` is seen: what was in a bowl before the first of them
 * nobody knows here. The plan keeps the time for it (`betweenMixesS`), where the mixer has no other bowl.
 */
export const cleaningsOf = (
  batches: readonly BatchPlan[],
  formulaOf: (batch: BatchPlan) => Formula | undefined,
): readonly Preparation[] => {
  const mixed = batches
    .flatMap((batch) => {
      const [mix, formula] = [mixOf(batch), formulaOf(batch)];
      return mix && formula ? [{ batch, mix, allergens: declaredIn(formula) }] : [];
    })
    .sort((a, b) => a.mix.startS - b.mix.startS);
  const last = new Map<string, (typeof mixed)[number]>();
  return mixed.flatMap((next): Preparation[] => {
    const { batch, allergens } = next;
    const before = last.get(batch.mixerId);
    last.set(batch.mixerId, next);
    const left = before?.allergens.filter((allergen) => !allergens.includes(allergen)) ?? [];
    if (!before || left.length === 0 || next.mix.startS - before.mix.endS > washedAfterS) return [];
    const id = `${batch.batchId}/clean`;
    const planned = batch.tasks.find((task) => task.kind === 'prepare' && task.id === id);
    return [
      {
        id,
        kind: 'clean',
        batchId: batch.batchId,
        productCode: batch.productCode,
        massG: 0,
        startS: planned?.startS ?? before.mix.endS,
        earlyS: 0,
        ...(planned && { workS: planned.endS - planned.startS }),
        allergens: left,
      },
    ];
  });
};
