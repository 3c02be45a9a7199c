import { JokulError, sayDuration } from '../shown/index.js';
import type { PlanProblem } from './problem.js';

/** What one plan may ask for: beyond these it is a slip, or no one bakery's work. */
const most = { piecesOfProduct: 100_000, trays: 5000, horizonS: 62 * 86_400 } as const;

const checkSize = ({ products, nowS }: PlanProblem): void => {
  let trays = 0;
  for (const product of products) {
    const batched = product.batches.reduce((sum, batch) => sum + batch.pieces, 0);
    const pieces = Math.max(
      batched,
      product.demands.reduce((sum, demand) => sum + demand.pieces, 0),
    );
    trays += pieces / Math.max(1, product.perTray);
    if (!(pieces <= most.piecesOfProduct))
      throw new JokulError(
        'too-much',
        `${product.name}: ${pieces} pieces are more than one plan takes (${most.piecesOfProduct}). Check the figure.`,
        product.code,
      );
    if (product.demands.some(({ readyByS }) => !(Math.abs(readyByS - nowS) <= most.horizonS)))
      throw new JokulError(
        'too-far',
        `${product.name}: a ready-by is more than two months away from now. Check the date.`,
        product.code,
      );
  }
  if (trays > most.trays)
    throw new JokulError(
      'too-much',
      `This would be ${Math.round(trays)} trays; one plan takes ${most.trays}. Check the figures.`,
      'products',
    );
};

/** @throws JokulError `piece-too-large`, `ready-by-past`, `too-much`, `too-far` */
export const checkProblem = (problem: PlanProblem): void => {
  checkSize(problem);
  for (const product of problem.products) {
    if (product.perTray < 1) {
      throw new JokulError(
        'piece-too-large',
        `${product.name}: not even one piece fits on a tray.`,
        product.code,
      );
    }
    const begun = problem.fixed.filter((b) => b.productCode === product.code).flatMap((b) => b.loads);
    let due = 0;
    for (const demand of [...product.demands].sort((a, b) => a.readyByS - b.readyByS)) {
      due += demand.pieces;
      // What has begun in time serves its ready-by, however long past; only what it leaves open is too late.
      const served = begun
        .filter((load) => load.readyS <= demand.readyByS)
        .reduce((sum, load) => sum + load.trays.reduce((n, tray) => n + tray.pieces, 0), 0);
      if (demand.readyByS <= problem.nowS && due > served) {
        throw new JokulError(
          'ready-by-past',
          `${product.name} for ${demand.name} was to be ready ${sayDuration(problem.nowS - demand.readyByS)} ago. Give it a later ready-by, or take it off the list.`,
          product.code,
        );
      }
    }
  }
};
