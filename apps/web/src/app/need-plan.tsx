import { useDay } from '../lib/queries';
import { Empty, Failed, Loading } from '../ui/states';
import { PlanButton } from './plan-bar';

/** Shows a station only when the day has a plan; else says what is missing and offers to make it. */
export const NeedPlan = ({ children }: { children: React.ReactNode }) => {
  const day = useDay();
  if (day.isError) return <Failed error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return <Loading what="the day" />;
  if (day.data.plan) return children;
  return day.data.orders.length === 0 ? (
    <Empty title="No bake list for this day">
      Enter the orders first; batches, weigh sheets and oven loads follow from them.
    </Empty>
  ) : (
    <Empty title="This day is not planned yet" action={<PlanButton />}>
      Planning splits the bake list into batches, forecasts the bakes and finds a time for everything.
    </Empty>
  );
};
