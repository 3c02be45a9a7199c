import { chance } from '../quantity/index.js';
import { costOf } from './cost.js';
import { Floor } from './floor-plan.js';
import { lowerBoundS } from './bound.js';
import { checkProblem } from './problem-check.js';
import { noOven, placeMost, plainChoices, type Choices } from './place-batch.js';
import type { BatchPlan, Plan, PlanProblem, PlanProduct } from './problem.js';
import { undonePieces } from './served.js';
import { sharesOf, type BatchShareOfDay } from './shares.js';

/** How much effort a plan may take. */
export interface Effort {
  /** Improvements that are tried; the same number and seed give the same plan. */
  readonly tries?: number;
  /** No further one is tried after this, s; 3 where left out. A plan that runs into it hangs on the machine. */
  readonly seconds?: number;
  readonly seed?: number;
  /** So few pieces undone are known to be the best possible: more is not tried for. */
  readonly leastUndone?: number;
}

/** A quick plan, as after every change: more is tried while pieces are undone, but not for longer than this, s. */
export const quickTries = 200;
const triesPerBatch = 12;
const triesWhileUndone = 4000;
const quickSeconds = 3;

interface Placed {
  readonly batch: BatchPlan | null;
  readonly reason: string;
}

interface Score {
  readonly undone: number;
  readonly cost: number;
}

const better = (a: Score, b: Score): boolean =>
  a.undone < b.undone - 1e-9 || (a.undone < b.undone + 1e-9 && a.cost < b.cost - 1e-9);

/** A plan in the making: batches are put in and taken out again. */
class Draft {
  private readonly floor: Floor;
  private placed = new Map<BatchShareOfDay, Placed>();

  constructor(
    private readonly problem: PlanProblem,
    readonly shares: readonly BatchShareOfDay[],
  ) {
    this.floor = new Floor(problem);
  }

  put(shares: readonly BatchShareOfDay[], choices: () => Choices): void {
    for (const share of shares) {
      const { placed, reason } = placeMost(this.floor, this.problem, share, choices());
      if (placed) this.floor.add(placed);
      this.placed.set(share, { batch: placed, reason });
    }
  }

  take(shares: readonly BatchShareOfDay[]): void {
    for (const share of shares) {
      const batch = this.placed.get(share)?.batch;
      if (batch) this.floor.remove(batch);
      this.placed.delete(share);
    }
  }

  kept(): ReadonlyMap<BatchShareOfDay, Placed> {
    return new Map(this.placed);
  }

  back(kept: ReadonlyMap<BatchShareOfDay, Placed>): void {
    const changed = this.shares.filter((share) => this.placed.get(share) !== kept.get(share));
    this.take(changed);
    for (const share of changed) {
      const own = kept.get(share);
      if (!own) continue;
      if (own.batch) this.floor.add(own.batch);
      this.placed.set(share, own);
    }
  }

  /** Shares of which pieces are left. */
  open(): BatchShareOfDay[] {
    return this.shares.filter((share) => (this.placed.get(share)?.batch?.pieces ?? 0) < share.batch.pieces);
  }

  /** Those of which as much is placed as on an empty floor: no other order helps them. */
  hopeless(): ReadonlySet<BatchShareOfDay> {
    const empty = new Floor(this.problem);
    return new Set(
      this.open().filter((share) => {
        const most = placeMost(empty, this.problem, share).placed?.pieces ?? 0;
        return most <= (this.placed.get(share)?.batch?.pieces ?? 0);
      }),
    );
  }

  batches(): BatchPlan[] {
    return [...this.problem.fixed, ...this.shares.flatMap((share) => this.placed.get(share)?.batch ?? [])];
  }

  score(): Score {
    const batches = this.batches();
    return { undone: undonePieces(this.problem, batches), cost: costOf(this.problem, batches).minutes };
  }

  plan(): Plan {
    return {
      batches: this.batches(),
      unplaced: this.open().map((share) => {
        const { batch, reason } = this.placed.get(share) ?? { batch: null, reason: '' };
        return {
          batchId: share.batch.id,
          productCode: share.product.code,
          pieces: share.batch.pieces - (batch?.pieces ?? 0),
          reason: batch
            ? `Only ${batch.pieces} of ${share.batch.pieces} pieces find room. ${reason}`
            : reason || noOven(this.problem, share, share.dueS),
        };
      }),
      boundS: lowerBoundS(this.problem),
    };
  }
}

const slack = (product: PlanProduct) => product.rest.maxS - product.rest.minS;

/** Orders in which batches may be placed at first. */
const orders: readonly ((a: BatchShareOfDay, b: BatchShareOfDay) => number)[] = [
  (a, b) => a.dueS - b.dueS || slack(a.product) - slack(b.product),
  (a, b) => slack(a.product) - slack(b.product) || a.dueS - b.dueS,
  (a, b) => b.dueS - a.dueS || slack(a.product) - slack(b.product),
  (a, b) => a.dueS - b.dueS || b.trays.length - a.trays.length,
];

/** Pieces of a product that come from batches which have begun. */
const coveredPieces = (problem: PlanProblem, product: PlanProduct): number =>
  problem.fixed.filter((b) => b.productCode === product.code).reduce((sum, b) => sum + b.pieces, 0);

/** From here on a worse plan by so little is taken, so that the search leaves where it is stuck. */
const worseBy = 0.004;

/**
 * Improves a plan by taking some batches out and putting them back in another order, in other ovens and a little
 * earlier, and keeps what is better: fewest pieces undone, then least cost.
 */
const improve = (draft: Draft, effort: Effort, startedMs: number): void => {
  const { shares } = draft;
  const random = chance(effort.seed ?? 1);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random.between(0, list.length))] as T;
  const choices = (): Choices => {
    const bold = random.between(0, 1);
    const together = bold < 0.25 ? [true, false] : [false, true];
    const aheadS = bold > 0.5 ? Math.floor(random.between(0, bold > 0.75 ? 24 : 4)) * 600 : 0;
    const spread = bold < 0.5 ? 600 : 2400;
    const likes = new Map<string, number>();
    const worth = (ovenId: string) => {
      const known = likes.get(ovenId) ?? random.between(-spread, spread);
      likes.set(ovenId, known);
      return known;
    };
    const joinS = [1, 3, 8][Math.floor(random.between(0, 3))] as number;
    const heating = [0, 1, 4][Math.floor(random.between(0, 3))] as number;
    // Mostly the best rest; where hands or room are short, another.
    const kind = random.between(0, 1);
    const rest = kind < 0.5 ? null : kind < 0.8 ? 0 : random.between(0, 1);
    return { together, aheadS, joinS: joinS * 3600, heating, rest, worth };
  };
  const hopeless = draft.hopeless();
  let best = draft.kept();
  let bestScore = draft.score();
  let here = best;
  let hereScore = bestScore;
  const { seconds = quickSeconds } = effort;
  const enough = Math.max(quickTries, triesPerBatch * shares.length);
  const hopeful = () => bestScore.undone > (effort.leastUndone ?? 0);
  const tries = () => effort.tries ?? (hopeful() ? triesWhileUndone : enough);
  for (let t = 0; t < tries() && shares.length > 0; t++) {
    if (Date.now() - startedMs > seconds * 1000) break;
    const open = draft.open().filter((share) => !hopeless.has(share));
    if (open.length === 0 && t >= (effort.tries ?? enough)) break;
    const around = open.length > 0 && random.between(0, 1) < 0.7 ? pick(open) : pick(shares);
    const most = Math.min(shares.length, 2 + Math.floor(random.between(0, 5)));
    // Those that want the same ovens at the same time are in each other's way.
    const out = [...shares]
      .map((share) => ({
        share,
        far:
          share === around
            ? -1
            : Math.abs(share.dueS - around.dueS) * random.between(0.3, 1.7) + random.between(0, 3600),
      }))
      .sort((a, b) => a.far - b.far)
      .slice(
        0,
        random.between(0, 1) < (shares.length <= 8 && open.length > 0 ? 0.3 : 0.04) ? shares.length : most,
      )
      .map(({ share }) => share);
    const again = [...new Set([...out, ...open])];
    draft.take(again);
    const weight = random.between(0, 1);
    const key = new Map(
      again.map((share) => [
        share,
        (weight < 0.5 ? share.dueS : weight < 0.75 ? -share.dueS : slack(share.product)) +
          random.between(-7200, 7200) -
          (open.includes(share) && weight < 0.8 ? 1e7 : 0),
      ]),
    );
    draft.put(
      again.sort((a, b) => (key.get(a) ?? 0) - (key.get(b) ?? 0)),
      choices,
    );
    const score = draft.score();
    // While pieces are undone any plan that leaves no more of them will do, whatever it costs: it is where else to look.
    const nearly = { undone: score.undone, cost: hopeful() ? 0 : score.cost * (1 - worseBy) };
    if (better(score, bestScore)) {
      best = draft.kept();
      bestScore = score;
    }
    if (better(nearly, hereScore)) {
      here = draft.kept();
      hereScore = score;
    } else draft.back(here);
    if (t % (hopeful() ? 200 : 25) === 24) {
      draft.back(best);
      here = best;
      hereScore = bestScore;
    }
  }
  draft.back(best);
};

/**
 * Plans everything backward from the ready-by times: each batch as late as it can go, in several orders, the best of
 * which is then improved by taking batches out and putting them back otherwise. First the fewest pieces that are not
 * ready in time, then the least cost. Batches in `fixed` stay.
 * @throws JokulError `piece-too-large`, `ready-by-past`, `too-much`, `too-far`
 */
export const solvePlan = (problem: PlanProblem, effort: Effort = {}): Plan => {
  const startedMs = Date.now();
  checkProblem(problem);
  const shares = problem.products.flatMap((product) => sharesOf(product, coveredPieces(problem, product)));
  let draft: Draft | undefined;
  let score: Score | undefined;
  for (const order of orders) {
    const next = new Draft(problem, shares);
    next.put([...shares].sort(order), () => plainChoices);
    const own = next.score();
    if (!draft || !score || better(own, score)) [draft, score] = [next, own];
  }
  if (!draft) throw new Error('there is always an order to begin with');
  improve(draft, effort, startedMs);
  return draft.plan();
};
