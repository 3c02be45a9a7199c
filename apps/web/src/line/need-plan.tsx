import { t } from '@lingui/core/macro';
import { useFloorKnown } from '../journal/store';
import { useDay } from '../lib/queries';
import { Empty, Failed, Loading } from '../ui/states';
import { PlanButton } from './plan-bar';

/** Shows a station only when the day has a plan; else says what is missing and offers to make it. */
export const NeedPlan = ({ children }: { children: React.ReactNode }) => {
  const day = useDay();
  const floorKnown = useFloorKnown();
  if (day.isLoadingError) return <Failed error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return <Loading what={t`the day`} />;
  if (!floorKnown) return <Loading what={t`the floor`} />;
  if (day.data.plan) return children;
  return day.data.orders.length === 0 ? (
    <Empty
      title={t`No bake list for this day`}
    >{t`Enter the orders first; batches, weigh sheets and oven loads follow from them.`}</Empty>
  ) : (
    <Empty
      title={t`This day is not planned yet`}
      action={<PlanButton />}
    >{t`Planning splits the bake list into batches, forecasts the bakes and finds a time for everything.`}</Empty>
  );
};
