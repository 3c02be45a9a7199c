import { plural, t } from '@lingui/core/macro';
import { useLocation } from 'react-router';
import type { BatchPlan } from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf } from '../../app/batch';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { QueueItem } from '../../ui/queue-item';

/** The batches that are portioned today, and how far each is. */
export const PortionQueue = ({
  batches,
  current,
}: {
  batches: readonly BatchPlan[];
  current: string | undefined;
}) => {
  const states = useJournal((s) => s.floor.lots);
  const names = useNames();
  const wall = useWallClock();
  const { search } = useLocation();
  return batches.map((batch) => {
    const known = states.get(batch.batchId);
    return (
      <QueueItem
        key={batch.batchId}
        to={`/portion/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={
          known?.portioned
            ? t`${plural(known.portioned.pieces, { one: '# piece', other: '# pieces' })}`
            : wall.near((taskOf(batch, 'portion')?.startS ?? 0) * 1000, nowMs())
        }
        detail={`${batch.batchId}, ${known?.portioned ? t`portioned` : known?.mixed ? t`mixed` : t`not mixed yet`}`}
        done={known?.portioned ? 1 : 0}
      />
    );
  });
};
