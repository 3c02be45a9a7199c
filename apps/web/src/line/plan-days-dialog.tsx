import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { shiftDate } from '@jokul/core';
import { useMakePlans } from '../lib/queries';
import { useWallClock } from '../lib/clock';
import { Button } from '../ui/button';
import { Dialog } from '../ui/dialog';
import { SelectField } from '../ui/field';
import { Said } from '../ui/said';
import { Alarm } from '../ui/states';
import { PlannedDays } from './planned-days';

/** As many days as are planned together at first, and at most. */
const usualDays = 4;
const mostDays = 14;

/** Plans a day and those after it together; then what came of it. */
export const PlanDaysDialog = ({
  date,
  onClose,
}: {
  readonly date: string;
  readonly onClose: () => void;
}) => {
  const [until, setUntil] = useState('');
  const make = useMakePlans(date);
  const { day: sayDay } = useWallClock();
  const choices = Array.from({ length: mostDays - 1 }, (_, i) => shiftDate(date, i + 1));
  // What was chosen on another day may be no choice on this one.
  const last = choices.includes(until) ? until : shiftDate(date, usualDays - 1);
  return (
    <Dialog
      open
      onClose={onClose}
      wide
      title={t`Plan from ${sayDay(date)} on`}
      lead={
        make.data
          ? undefined
          : t`The days are planned together: a mixer, a tray, a pair of hands is promised once, and dough from the cold goes where it is due first. Batches that somebody works on, or that are held, stay as they are.`
      }
    >
      {make.data ? (
        <PlannedDays made={make.data} onClose={onClose} />
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            make.mutate({ until: last });
          }}
        >
          <SelectField label={t`Up to`} value={last} onChange={(event) => setUntil(event.target.value)}>
            {choices.map((day, i) => (
              <option key={day} value={day}>
                {t`${sayDay(day)}, ${i + 2} days`}
              </option>
            ))}
          </SelectField>
          {make.error && (
            <Alarm>
              <Said>{make.error.message}</Said>
            </Alarm>
          )}
          <div className="mt-4 flex justify-end gap-2">
            <Button onClick={onClose}>{t`Cancel`}</Button>
            <Button type="submit" look="primary" disabled={make.isPending}>
              {make.isPending ? t`Planning …` : t`Plan these days`}
            </Button>
          </div>
        </form>
      )}
    </Dialog>
  );
};
