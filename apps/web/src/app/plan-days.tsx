import { t } from '@lingui/core/macro';
import { CalendarRange } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useDayDate } from '../lib/queries';
import { Button } from '../ui/button';

const PlanDaysDialog = lazy(() => import('./plan-days-dialog').then((m) => ({ default: m.PlanDaysDialog })));

/** Plans the shown day and those after it together. */
export const PlanDays = () => {
  const date = useDayDate() ?? '';
  const [open, setOpen] = useState(false);
  if (date === '') return null;
  return (
    <>
      <Button icon={<CalendarRange size={16} />} onClick={() => setOpen(true)}>{t`Several days`}</Button>
      {open && (
        <Suspense>
          <PlanDaysDialog date={date} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
};
