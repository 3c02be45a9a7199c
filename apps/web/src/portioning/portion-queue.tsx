import { plural, t } from '@lingui/core/macro';
import type { BatchPlan } from '@jokul/core';
import { taskOf } from '../line/batch';
import { BatchQueue } from '../line/batch-queue';
import { nowMs, useWallClock } from '../lib/clock';

interface PortionQueueProps {
  readonly batches: readonly BatchPlan[];
  readonly current: string | undefined;
}

/** The batches that are portioned today, and how far each is. */
export const PortionQueue = ({ batches, current }: PortionQueueProps) => {
  const wall = useWallClock();
  return (
    <BatchQueue
      station="portion"
      batches={batches}
      current={current}
      say={(batch, known) => ({
        side: known?.portioned
          ? t`${plural(known.portioned.pieces, { one: '# piece', other: '# pieces' })}`
          : wall.near((taskOf(batch, 'portion')?.startS ?? 0) * 1000, nowMs()),
        detail: known?.portioned
          ? t`portioned`
          : known?.mixed
            ? t`mixed`
            : batch.stock
              ? t`from the cold`
              : t`not mixed yet`,
        done: known?.portioned ? 1 : 0,
      })}
    />
  );
};
