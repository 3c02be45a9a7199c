import type { BatchPlan } from '@jokul/core';
import type { WeekWork } from '@jokul/contracts';
import type { PlanSummary } from './plan-rows.js';

const kinds = ['mix', 'portion', 'bake'] as const;

/** Mixers, bench and ovens that a plan holds busy within a stretch, s. */
export const busyWork = (
  { date, batches }: Pick<PlanSummary, 'date' | 'batches'>,
  fromS: number,
  toS: number,
): readonly WeekWork[] =>
  batches.flatMap((batch: BatchPlan) =>
    batch.tasks.flatMap((task): WeekWork[] => {
      const kind = kinds.find((own) => own === task.kind);
      if (!kind || task.endS <= fromS || task.startS >= toS) return [];
      const load = batch.loads.find(({ id }) => id === task.loadId);
      return [
        {
          kind,
          bakeDay: date,
          batchId: batch.batchId,
          ...(load && { loadId: load.id }),
          productCode: batch.productCode,
          placeId: load ? load.ovenId : kind === 'mix' ? batch.mixerId : 'bench',
          pieces: load ? load.trays.reduce((sum, tray) => sum + tray.pieces, 0) : batch.pieces,
          startS: task.startS,
          endS: task.endS,
        },
      ];
    }),
  );
