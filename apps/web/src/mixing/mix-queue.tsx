import { t } from '@lingui/core/macro';
import { toppingsBefore, type BatchPlan } from '@jokul/core';
import { taskOf } from '../line/batch';
import { BatchQueue } from '../line/batch-queue';
import { useLots } from '../line/lots';
import { nowMs, useWallClock } from '../lib/clock';
import { useUnits } from '../lib/units';

interface MixQueueProps {
  readonly batches: readonly BatchPlan[];
  readonly current: string | undefined;
}

/** The batches that are mixed today, with how much of each is weighed. */
export const MixQueue = ({ batches, current }: MixQueueProps) => {
  const wall = useWallClock();
  const { mass } = useUnits();
  const lots = useLots();
  return (
    <BatchQueue
      station="mix"
      batches={batches}
      current={current}
      say={(batch, known) => {
        // As the lot is made: a newer formula changes no dough that exists.
        const formula = lots?.formulaOf(batch.batchId);
        const lines =
          formula?.stages.reduce((n, stage) => n + stage.lines.length, toppingsBefore(formula).length) ?? 1;
        return {
          side: known?.mixed ? t`mixed` : wall.near((taskOf(batch, 'mix')?.startS ?? 0) * 1000, nowMs()),
          detail: mass(batch.massG),
          done: known?.mixed ? 1 : Math.min(1, (known?.weighed.size ?? 0) / lines),
        };
      }}
    />
  );
};
