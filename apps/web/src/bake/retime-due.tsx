import { t } from '@lingui/core/macro';
import { useDay, useDayDate, useRetime } from '../lib/queries';
import { useUnits } from '../lib/units';
import { Button } from '../ui/button';
import { Alarm } from '../ui/states';

/** Says when the loads are timed by something else than what is in force of the ovens, and what was moved last. */
export const RetimeDue = () => {
  const day = useDay();
  const retime = useRetime(useDayDate() ?? '');
  const { duration } = useUnits();
  const plan = day.data?.plan;
  if (!plan) return null;
  const late = plan.moves.filter(({ lateS }) => lateS > 0);
  return (
    <>
      {plan.retimeDue && (
        <Alarm
          action={
            <Button size="small" look="primary" disabled={retime.isPending} onClick={() => retime.mutate({})}>
              {retime.isPending ? t`Timing …` : t`Time the loads again`}
            </Button>
          }
        >{t`More is known about the ovens now than when these pulls were computed.`}</Alarm>
      )}
      {late.length > 0 && (
        <Alarm>{t`Timed again, and past its ready-by: ${late.map(({ loadId, lateS }) => t`${loadId} by ${duration(Math.ceil(lateS / 60) * 60)}`).join(', ')}. Tell the customer, or plan the day again.`}</Alarm>
      )}
    </>
  );
};
