import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { emptyLot, type BatchPlan, type LotState, type Formula } from '@jokul/core';
import type { FormulaVersionView } from '@jokul/contracts';
import { get } from '../lib/api';
import { useBakery, useDay } from '../lib/queries';
import { useJournal } from '../journal/store';

export interface BatchAtHand {
  readonly batch: BatchPlan;
  readonly formula: Formula;
  readonly known: LotState;
}

export const taskOf = (batch: BatchPlan, kind: string) => batch.tasks.find((task) => task.kind === kind);

/** The batches of the shown day, in the order in which a station gets to them. */
export const useBatches = (kind: 'mix' | 'portion'): readonly BatchPlan[] => {
  const day = useDay();
  // Dough that lay in the cold already is not mixed again, and most of it is portioned.
  const batches = (day.data?.plan?.plan.batches ?? []).filter((batch) => !batch.stock || taskOf(batch, kind));
  return [...batches].sort((a, b) => (taskOf(a, kind)?.startS ?? 0) - (taskOf(b, kind)?.startS ?? 0));
};

/** Whether the address names a batch that is not among these. */
export const isElsewhere = (batches: readonly BatchPlan[], batchId: string | undefined): batchId is string =>
  batchId !== undefined && batches.every((batch) => batch.batchId !== batchId);

/** What the journal knows of a batch. */
export const useKnown = (batchId: string): LotState =>
  useJournal((s) => s.floor.lots.get(batchId)) ?? emptyLot(batchId);

/**
 * The batch in the address, or the first that `open` says is still to do, with the formula version it is made by.
 */
export const useBatchAtHand = (
  batches: readonly BatchPlan[],
  open: (known: LotState | undefined) => boolean,
): BatchAtHand | null => {
  const { batchId } = useParams();
  const bakery = useBakery();
  const day = useDay();
  const states = useJournal((s) => s.floor.lots);
  const batch =
    batches.find((b) => b.batchId === batchId) ??
    batches.find((b) => open(states.get(b.batchId))) ??
    batches[0];
  const pinned = batch && states.get(batch.batchId)?.begun?.formula;
  const version = batch ? day.data?.plan?.batchFormula[batch.batchId] : undefined;
  const latest = bakery.data?.formulas.find((f) => f.code === batch?.productCode);
  const older = useQuery({
    queryKey: ['formula', batch?.productCode],
    queryFn: () => get<readonly FormulaVersionView[]>(`formulas/${batch?.productCode}/versions`),
    enabled: !pinned && latest !== undefined && version !== undefined && latest.version !== version,
  });
  if (!batch) return null;
  const formula =
    pinned ??
    (latest && latest.version === version
      ? latest
      : older.data?.find((v) => v.formula.version === version)?.formula);
  return formula ? { batch, formula, known: states.get(batch.batchId) ?? emptyLot(batch.batchId) } : null;
};
