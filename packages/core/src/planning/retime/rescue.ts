import type { BatchPlan } from '../problem/plan.js';
import type { PlanProblem } from '../problem/problem.js';
import { Draft } from '../solve/draft.js';
import { Floor } from '../solve/floor-plan.js';
import { placeBatch } from '../solve/place-batch.js';
import type { BatchShareOfDay, TrayShare } from '../solve/shares.js';
import { laterStepS } from './replan-question.js';

const laterMostS = 8 * 3600;

/** The trays of a share that found no room. */
const unplacedTrays = ({ trays }: BatchShareOfDay, placed: BatchPlan | undefined): readonly TrayShare[] => {
  const left = [...trays];
  for (const { pieces } of placed?.loads.flatMap((load) => load.trays) ?? []) {
    const i = left.findIndex((tray) => tray.pieces === pieces);
    if (i >= 0) left.splice(i, 1);
  }
  return left;
};

/** Rather late than never: the first time at which an oven takes them, whatever the ready-by says. */
const placeLater = (floor: Floor, problem: PlanProblem, share: BatchShareOfDay): BatchPlan | null => {
  const fromS = Math.max(problem.nowS, share.dueS);
  for (let byS = laterStepS; byS <= laterMostS; byS += laterStepS) {
    const trays = share.trays.map((tray) => ({ ...tray, dueS: fromS + byS }));
    const placed = placeBatch(floor, problem, { ...share, trays, dueS: fromS + byS });
    if (!('reason' in placed))
      return { ...placed, loads: placed.loads.map((load) => ({ ...load, dueS: share.dueS })) };
  }
  return null;
};

/** Better packed by whoever comes by than not baked at all. */
const rescued = (floor: Floor, problem: PlanProblem, share: BatchShareOfDay): BatchPlan | null => {
  const { after, ...unhandled } = share.product;
  return (
    placeLater(floor, problem, share) ??
    (after ? placeLater(floor, problem, { ...share, product: unhandled }) : null)
  );
};

/** A place for what the plan left without one, in time or not. */
export const rescueLeft = (problem: PlanProblem, draft: Draft, placed: ReadonlyMap<string, BatchPlan>) => {
  const floor = new Floor({ ...problem, fixed: draft.batches() });
  const later = new Map<string, BatchPlan>();
  const left: { batchId: string; pieces: number }[] = [];
  for (const share of [...draft.shares].sort((a, b) => a.dueS - b.dueS)) {
    const trays = unplacedTrays(share, placed.get(share.batch.id));
    const pieces = trays.reduce((sum, tray) => sum + tray.pieces, 0);
    if (pieces === 0) continue;
    const whole = pieces === share.batch.pieces;
    const rest = { ...share, trays, dueS: trays[0]?.dueS ?? share.dueS };
    // What is mixed already is placed tray by tray; a batch that is not, whole or not at all.
    const found = share.batch.stock || whole ? rescued(floor, problem, rest) : null;
    if (found) floor.add(found);
    if (found) later.set(share.batch.id, found);
    else left.push({ batchId: share.batch.id, pieces });
  }
  return { later, left };
};
