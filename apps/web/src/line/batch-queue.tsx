import type { ReactNode } from 'react';
import { useLocation } from 'react-router';
import type { BatchPlan, LotState } from '@jokul/core';
import { useJournal } from '../journal/store';
import { QueueItem } from '../ui/queue-item';
import { useNames } from './actions';

interface BatchQueueProps {
  readonly station: 'mix' | 'portion';
  readonly batches: readonly BatchPlan[];
  /** The batch at hand. */
  readonly current: string | undefined;
  /** What is said of a batch by what was written down of it; nothing yet where it is undefined. */
  readonly say: (
    batch: BatchPlan,
    known: LotState | undefined,
  ) => { readonly side: ReactNode; readonly detail: string; readonly done: number };
}

/** The batches of a station in their turn, with how far each is. */
export const BatchQueue = ({ station, batches, current, say }: BatchQueueProps) => {
  const lots = useJournal((s) => s.floor.lots);
  const names = useNames();
  const { search } = useLocation();
  return batches.map((batch) => {
    const { side, detail, done } = say(batch, lots.get(batch.batchId));
    return (
      <QueueItem
        key={batch.batchId}
        to={`/${station}/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={side}
        detail={`${batch.batchId}, ${detail}`}
        done={done}
      />
    );
  });
};
