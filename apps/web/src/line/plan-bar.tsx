import { t } from '@lingui/core/macro';
import { CalendarClock } from 'lucide-react';
import { useDay, useDayDate, useMakePlan } from '../lib/queries';
import { Button } from '../ui/button';
import { Alarm } from '../ui/states';

/** The button that plans the shown day; says how it went. `chance` is how sure each ready-by shall be, 0 for as late as can be. */
export const PlanButton = ({
  label = t`Plan the day`,
  chance,
  look = 'primary',
}: {
  label?: string;
  chance?: number;
  look?: 'primary' | 'plain';
}) => {
  const date = useDayDate() ?? '';
  const make = useMakePlan(date);
  return (
    <Button
      look={look}
      icon={<CalendarClock size={16} />}
      disabled={make.isPending}
      onClick={() => make.mutate(chance === undefined ? {} : { chance })}
    >
      {make.isPending ? t`Planning …` : label}
    </Button>
  );
};

/** Says when the plan no longer fits what it was made from. */
export const StalePlan = () => {
  const day = useDay();
  if (!day.data?.plan?.stale) return null;
  return (
    <Alarm
      action={<PlanButton label={t`Plan again`} />}
    >{t`The bake list, a formula, the equipment or a house rule changed since this day was planned. Batches that have begun stay as they are.`}</Alarm>
  );
};
