import { JokulError, sayDuration } from '../shown/index.js';
import { placeBatch } from './place-batch.js';
import type { BatchPlan, Plan, PlanProblem, PlanProduct, Unplaced } from './problem.js';
import { Floor } from './floor-plan.js';
import { lowerBoundS } from './bound.js';
import { sharesOf, type BatchShareOfDay } from './shares.js';

/** Orders in which batches may be placed; the plan that leaves least undone, and starts latest, wins. */
const orders: readonly ((a: BatchShareOfDay, b: BatchShareOfDay) => number)[] = [
  (a, b) => a.dueS - b.dueS || slack(a.product) - slack(b.product),
  (a, b) => slack(a.product) - slack(b.product) || a.dueS - b.dueS,
  (a, b) => b.dueS - a.dueS || slack(a.product) - slack(b.product),
  (a, b) => a.dueS - b.dueS || b.trays.length - a.trays.length,
];
const slack = (product: PlanProduct) => product.rest.maxS - product.rest.minS;

const attempt = (problem: PlanProblem, shares: readonly BatchShareOfDay[]) => {
  const floor = new Floor(problem);
  const batches: BatchPlan[] = [...problem.fixed];
  const unplaced: Unplaced[] = [];
  for (const share of shares) {
    const result = placeBatch(floor, problem, share);
    if ('reason' in result) {
      unplaced.push({
        batchId: share.batch.id,
        productCode: share.product.code,
        pieces: share.batch.pieces,
        reason: result.reason,
      });
    } else {
      batches.push(result);
      floor.add(result);
    }
  }
  // Between plans that leave equally much undone, the one that bakes closest to the ready-by is freshest.
  const early = batches.flatMap((b) => b.loads).reduce((sum, load) => sum + (load.dueS - load.readyS), 0);
  const undone = unplaced.reduce((sum, u) => sum + u.pieces, 0);
  return { batches, unplaced, score: undone * 1e7 + early };
};

/** Pieces of a product that come from batches which have begun. */
const coveredPieces = (problem: PlanProblem, product: PlanProduct): number =>
  problem.fixed.filter((b) => b.productCode === product.code).reduce((sum, b) => sum + b.pieces, 0);

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

const checkProblem = (problem: PlanProblem): void => {
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

/**
 * Plans the day backward from the ready-by times: a list scheduler that places batch after batch as late as it can,
 * in several orders, and keeps the best. Batches in `fixed` stay.
 * @throws JokulError `piece-too-large`, `ready-by-past`
 */
export const solvePlan = (problem: PlanProblem): Plan => {
  checkProblem(problem);
  const shares = problem.products.flatMap((product) => sharesOf(product, coveredPieces(problem, product)));
  const [best] = orders
    .map((order) => attempt(problem, [...shares].sort(order)))
    .sort((a, b) => a.score - b.score);
  const found = best ?? { batches: problem.fixed, unplaced: [] };
  return { batches: found.batches, unplaced: found.unplaced, boundS: lowerBoundS(problem) };
};
