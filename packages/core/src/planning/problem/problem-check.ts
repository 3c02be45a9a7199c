import { JokulError, sayDuration, say } from '../../shown/index.js';
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
        say`${product.name}: ${pieces} pieces are more than one plan takes (${most.piecesOfProduct}). Check the figure.`,
        product.code,
      );
    if (product.demands.some(({ readyByS }) => !(Math.abs(readyByS - nowS) <= most.horizonS)))
      throw new JokulError(
        'too-far',
        say`${product.name}: a ready-by is more than two months away from now. Check the date.`,
        product.code,
      );
  }
  if (trays > most.trays)
    throw new JokulError(
      'too-much',
      say`This would be ${Math.round(trays)} trays; one plan takes ${most.trays}. Check the figures.`,
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
        say`${product.name}: not even one piece fits on a tray.`,
        product.code,
      );
    }
    const begun = problem.fixed
      .filter((batch) => batch.productCode === product.code)
      .flatMap(({ loads }) => loads)
      .reduce((sum, { trays }) => sum + trays.reduce((n, { pieces }) => n + pieces, 0), 0);
    let due = 0;
    for (const demand of [...product.demands].sort((a, b) => a.readyByS - b.readyByS)) {
      due += demand.pieces;
      // What has begun is for it, late or not; nothing new can be in time for it any more.
      if (demand.readyByS <= problem.nowS && due > begun) {
        throw new JokulError(
          'ready-by-past',
          say`${product.name} for ${demand.name} was to be ready ${sayDuration(problem.nowS - demand.readyByS)} ago. Give it a later ready-by, or take it off the list.`,
          product.code,
        );
      }
    }
  }
};
