import { t } from '@lingui/core/macro';
import { useLocation } from 'react-router';
import { toppingsBefore, type BatchPlan } from '@jokul/core';
import { useNames } from '../../app/actions';
import { taskOf } from '../../app/batch';
import { useJournal } from '../../journal/store';
import { nowMs, useWallClock } from '../../lib/clock';
import { useBakery } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { QueueItem } from '../../ui/queue-item';

/** The batches that are mixed today, with how much of each is weighed. */
export const MixQueue = ({
  batches,
  current,
}: {
  batches: readonly BatchPlan[];
  current: string | undefined;
}) => {
  const states = useJournal((s) => s.floor.lots);
  const names = useNames();
  const wall = useWallClock();
  const { mass } = useUnits();
  const { search } = useLocation();
  const { data } = useBakery();
  return batches.map((batch) => {
    const known = states.get(batch.batchId);
    const formula = data?.formulas.find((f) => f.code === batch.productCode);
    const lines =
      formula?.stages.reduce((n, stage) => n + stage.lines.length, toppingsBefore(formula).length) ?? 1;
    const done = known?.mixed ? 1 : Math.min(1, (known?.weighed.size ?? 0) / lines);
    return (
      <QueueItem
        key={batch.batchId}
        to={`/mix/${batch.batchId}${search}`}
        active={batch.batchId === current}
        title={names.product(batch.productCode)}
        side={known?.mixed ? t`mixed` : wall.near((taskOf(batch, 'mix')?.startS ?? 0) * 1000, nowMs())}
        detail={`${batch.batchId}, ${mass(batch.massG)}`}
        done={done}
      />
    );
  });
};
