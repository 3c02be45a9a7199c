import { t } from '@lingui/core/macro';
import { CalendarRange } from 'lucide-react';
import { Suspense, useState } from 'react';
import { useDayDate } from '../lib/queries';
import { Button } from '../ui/button';
import { later } from '../ui/later';

const PlanDaysDialog = later(() => import('./plan-days-dialog'), 'PlanDaysDialog');

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
