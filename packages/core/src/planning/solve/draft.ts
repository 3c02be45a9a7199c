import { counted, say } from '../../shown/index.js';
import { lowerBoundS } from '../bound/bound.js';
import { costOf } from '../bound/cost.js';
import type { BatchPlan, Plan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { undonePieces } from '../problem/served.js';
import { type Choices } from './choices.js';
import { Floor } from './floor-plan.js';
import { placeMost } from './place-batch.js';
import { noOven } from './why-no-oven.js';
import { countsInTime, countsOf, piecesFor, wantsOf, type BatchShareOfDay } from './shares.js';

interface Placed {
  readonly batch: BatchPlan | null;
  readonly reason: string;
  /** What it has ready in time of what it is for, by what each piece counts. */
  readonly counts: number;
}

const placedAs = (share: BatchShareOfDay, batch: BatchPlan | null, reason: string): Placed => ({
  batch,
  reason,
  counts: batch ? countsInTime(wantsOf(share), batch.loads) : 0,
});

export interface Score {
  readonly undone: number;
  readonly cost: number;
}

/** Of what a share is for, the pieces that are not ready in time, and those that are; what is nobody's is neither. */
const piecesOfShare = (share: BatchShareOfDay, batch: BatchPlan | null) => {
  const wants = wantsOf(share)
    .filter(({ weight }) => weight !== 0)
    .map((want) => ({ ...want, weight: 1 }));
  const inTime = countsInTime(wants, batch?.loads ?? []);
  return { inTime, late: piecesFor(wants) - inTime };
};

/** Fewer pieces undone, then less cost. */
export const better = (a: Score, b: Score): boolean =>
  a.undone < b.undone - 1e-9 || (a.undone < b.undone + 1e-9 && a.cost < b.cost - 1e-9);

/** A plan in the making: batches are put in and taken out again. */
export class Draft {
  private readonly floor: Floor;
  private placed = new Map<BatchShareOfDay, Placed>();

  constructor(
    readonly problem: PlanProblem,
    readonly shares: readonly BatchShareOfDay[],
  ) {
    this.floor = new Floor(problem);
  }

  put(shares: readonly BatchShareOfDay[], choices: () => Choices): void {
    for (const share of shares) {
      const { placed, reason } = placeMost(this.floor, this.problem, share, choices());
      if (placed) this.floor.add(placed);
      this.placed.set(share, placedAs(share, placed, reason));
    }
  }

  take(shares: readonly BatchShareOfDay[]): void {
    for (const share of shares) {
      const batch = this.placed.get(share)?.batch;
      if (batch) this.floor.remove(batch);
      this.placed.delete(share);
    }
  }

  /** How a share is placed now. */
  now(share: BatchShareOfDay): BatchPlan | null {
    return this.placed.get(share)?.batch ?? null;
  }

  /** What stays where it is while some shares are placed anew: other shares, what has begun, and other plans. */
  staying(out: ReadonlySet<BatchShareOfDay>): readonly BatchPlan[] {
    const others = this.shares.filter((share) => !out.has(share));
    return [
      ...this.problem.fixed,
      ...(this.problem.taken ?? []),
      ...others.flatMap((share) => this.placed.get(share)?.batch ?? []),
    ];
  }

  /** Places shares as it was decided elsewhere. */
  set(batches: ReadonlyMap<BatchShareOfDay, BatchPlan>): void {
    for (const [share, batch] of batches) {
      this.floor.add(batch);
      this.placed.set(share, placedAs(share, batch, ''));
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

  /** What a share has ready in time, by what each piece counts. */
  private counts(share: BatchShareOfDay): number {
    return this.placed.get(share)?.counts ?? 0;
  }

  /** Shares of which pieces are left, or late. */
  open(): BatchShareOfDay[] {
    return this.shares.filter((share) => this.counts(share) < countsOf(wantsOf(share)) - 1e-9);
  }

  /** Those of which as much is placed as on an empty floor: no other order helps them. */
  hopeless(): ReadonlySet<BatchShareOfDay> {
    const empty = new Floor(this.problem);
    return new Set(
      this.open().filter((share) => {
        const most = placeMost(empty, this.problem, share).placed;
        return placedAs(share, most, '').counts <= this.counts(share) + 1e-9;
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
        const { inTime, late } = piecesOfShare(share, batch);
        const why = reason || noOven(this.problem, share, share.dueS);
        return {
          batchId: share.batch.id,
          productCode: share.product.code,
          pieces: late,
          reason: !batch
            ? why
            : batch.pieces < share.batch.pieces
              ? say`There is room for ${batch.pieces} of ${share.batch.pieces} pieces. ${why}`
              : say`The other ${inTime} ${counted(inTime, 'piece of this batch is', 'pieces of this batch are')} ready in time. ${why}`,
        };
      }),
      boundS: lowerBoundS(this.problem),
    };
  }
}
