import { asThereIs, type BatchPlan, type FloorState } from '@jokul/core';

/**
 * Planned batches with the pieces that there are by the log: nobody is told to load what was never counted.
 * The same batch where nothing is missing.
 */
export const asTheyAre = (
  batches: readonly BatchPlan[],
  { lots, trays }: Pick<FloorState, 'lots' | 'trays'>,
): readonly BatchPlan[] => {
  const started = new Set([...trays.values()].map(({ loadId }) => loadId));
  return batches.map((batch) => asThereIs(batch, lots.get(batch.batchId), ({ id }) => started.has(id)));
};
