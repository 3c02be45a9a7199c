import { t } from '@lingui/core/macro';
import { useDay } from '../lib/queries';
import { Empty } from '../ui/states';

/** A station has no batch of the day: none could be planned, or all of its dough lies in the cold already. */
export const NoBatches = ({ title }: { title: string }) => {
  const day = useDay();
  const planned = day.data?.plan?.plan.batches.length ?? 0;
  return planned > 0 ? (
    <Empty title={title}>{t`All dough of this day comes from the cold.`}</Empty>
  ) : (
    <Empty title={t`No batch could be planned`}>{t`The Day page says why.`}</Empty>
  );
};
