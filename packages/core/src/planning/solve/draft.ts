import { say } from '../../shown/index.js';
import { lowerBoundS } from '../bound/bound.js';
import { costOf } from '../bound/cost.js';
import type { BatchPlan, Plan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { undonePieces } from '../problem/served.js';
import { type Choices } from './choices.js';
import { Floor } from './floor-plan.js';
import { placeMost } from './place-batch.js';
import { noOven } from './place-loads.js';
import type { BatchShareOfDay } from './shares.js';

interface Placed {
  readonly batch: BatchPlan | null;
  readonly reason: string;
}

export interface Score {
  readonly undone: number;
  readonly cost: number;
}

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
      this.placed.set(share, { batch, reason: '' });
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
            ? say`Only ${batch.pieces} of ${share.batch.pieces} pieces find room. ${reason}`
            : reason || noOven(this.problem, share, share.dueS),
        };
      }),
      boundS: lowerBoundS(this.problem),
    };
  }
}
