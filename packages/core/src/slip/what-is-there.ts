import type { FloorState, LotState } from '../ledger/index.js';
import type { BatchPlan, Load, PlanTray } from '../planning/index.js';

/** Scales and scoops differ by so much from what was planned without anything being missing, as a share. */
const nothingShare = 0.03;

type Parts = Pick<LotState, 'mixed' | 'portioned' | 'splits' | 'merged' | 'discarded'>;
interface Part {
  readonly atMs: number;
  readonly massG: number;
}

const gramsOf = (parts: readonly Part[], untilMs: number): number =>
  parts.filter(({ atMs }) => atMs <= untilMs).reduce((sum, { massG }) => sum + massG, 0);

/**
 * Dough that was in hand to be portioned, g: what was mixed and worked in, less what was split off or thrown away before.
 * @returns null while nobody wrote down what was mixed
 */
export const doughToPortion = ({ mixed, portioned, splits, merged, discarded }: Parts): number | null => {
  if (!mixed) return null;
  const untilMs = portioned?.atMs ?? Number.POSITIVE_INFINITY;
  return mixed.massG + gramsOf(merged, untilMs) - gramsOf(splits, untilMs) - gramsOf(discarded, untilMs);
};

/** Pieces that a batch really gives by what was written down; as planned while nothing says otherwise. */
export const piecesThere = (batch: Pick<BatchPlan, 'massG' | 'pieces'>, known: Parts): number => {
  const { portioned, splits, discarded } = known;
  if (portioned) {
    const gone = [...splits, ...discarded]
      .filter(({ atMs }) => atMs > portioned.atMs)
      .reduce((sum, { pieces }) => sum + pieces, 0);
    return Math.max(0, Math.min(batch.pieces, portioned.pieces - gone));
  }
  const doughG = doughToPortion(known);
  if (doughG === null || doughG >= (1 - nothingShare) * batch.massG) return batch.pieces;
  return Math.max(0, Math.floor((batch.pieces * doughG) / batch.massG + 1e-6));
};

const piecesOf = (trays: readonly PlanTray[]) => trays.reduce((sum, { pieces }) => sum + pieces, 0);

/**
 * A batch with the pieces that there are: what is missing is missing on the trays that go in last, and a load without any
 * is none. Loads that are in an oven, or were, are facts. Dough from the cold is counted
 * where it lies, until somebody portions it.
 * @param isStarted of a load
 */
export const asThereIs = (
  batch: BatchPlan,
  known: Parts | undefined,
  isStarted: (load: Load) => boolean,
): BatchPlan => {
  const isCounted = (known?.portioned?.atMs ?? -1) >= (batch.stock?.sinceS ?? 0) * 1000;
  if (!known || (batch.stock && !isCounted)) return batch;
  const there = piecesThere(batch, known);
  const planned = piecesOf(batch.loads.flatMap(({ trays }) => trays));
  // Pieces that are on no tray of this plan are the first to be missing.
  let missing = Math.min(planned, Math.max(0, planned - there));
  if (missing === 0) return batch;
  const lastFirst = [...batch.loads].sort((a, b) => b.startS - a.startS);
  const left = new Map<string, readonly PlanTray[]>();
  for (const load of lastFirst) {
    if (isStarted(load)) continue;
    const trays = [...load.trays].reverse().flatMap((tray): PlanTray[] => {
      const off = Math.min(missing, tray.pieces);
      missing -= off;
      return off === tray.pieces ? [] : [{ ...tray, pieces: tray.pieces - off }];
    });
    left.set(load.id, trays.reverse());
  }
  const loads = batch.loads.flatMap((load): Load[] => {
    const trays = left.get(load.id) ?? load.trays;
    return trays.length === 0 ? [] : [{ ...load, trays }];
  });
  const ids = new Set(loads.map(({ id }) => id));
  // What is in an oven is there, whatever was thrown away since.
  const pieces = Math.max(there, piecesOf(loads.flatMap(({ trays }) => trays)));
  return {
    ...batch,
    pieces,
    // Looked at again, it is as large as what is there.
    massG: (batch.massG * pieces) / batch.pieces,
    loads,
    tasks: batch.tasks.filter(({ loadId }) => loadId === undefined || ids.has(loadId)),
  };
};

/** Planned batches as they are there; what is gone altogether is none. */
export const allAsThereIs = (
  batches: readonly BatchPlan[],
  { lots, trays }: Pick<FloorState, 'lots' | 'trays'>,
): readonly BatchPlan[] => {
  const started = new Set([...trays.values()].map(({ loadId }) => loadId));
  return batches
    .map((batch) => asThereIs(batch, lots.get(batch.batchId), ({ id }) => started.has(id)))
    .filter((batch, i) => batch.pieces > 0 || batches[i]?.pieces === 0);
};
