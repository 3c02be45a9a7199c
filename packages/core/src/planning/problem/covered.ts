import type { BatchPlan } from './plan.js';
import type { Demand } from './problem.js';

type Due = Pick<Demand, 'readyByS'>;
type Demanded = Pick<Demand, 'readyByS' | 'pieces'>;

/**
 * Pieces of batches that have begun which are for some of a product's demands: those of loads that are due with them, after
 * the demands before them. All of them where there are no other demands.
 * @param fixed batches of the product that have begun
 * @param own some of its demands, which follow each other
 * @param all its demands
 */
export const coveredPieces = (
  fixed: readonly BatchPlan[],
  own: readonly Due[],
  all: readonly Due[],
): number => {
  const dues = own.map(({ readyByS }) => readyByS);
  const [firstS, lastS] = [Math.min(...dues), Math.max(...dues)];
  const beforeS = Math.max(
    Number.NEGATIVE_INFINITY,
    ...all.map(({ readyByS }) => readyByS).filter((s) => s < firstS),
  );
  const isLast = all.every(({ readyByS }) => readyByS <= lastS);
  return fixed
    .flatMap(({ loads }) => loads)
    .filter(({ dueS }) => dueS > beforeS && (isLast || dueS <= lastS))
    .reduce((sum, { trays }) => sum + trays.reduce((n, { pieces }) => n + pieces, 0), 0);
};

/** Demands with what no batch covers that has begun; those that are covered are left out. See {@link coveredPieces}. */
export const stillWanted = <D extends Demanded>(
  fixed: readonly BatchPlan[],
  own: readonly D[],
  all: readonly Due[],
): readonly D[] => {
  let covered = coveredPieces(fixed, own, all);
  return own.flatMap((demand) => {
    const open = Math.max(0, demand.pieces - covered);
    covered = Math.max(0, covered - demand.pieces);
    return open > 0 ? [{ ...demand, pieces: open }] : [];
  });
};
