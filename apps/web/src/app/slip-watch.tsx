import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import type { LateOrder } from '@jokul/core';
import { Button } from '../ui/button';
import { Alarm } from '../ui/states';
import { useNames } from '../line/actions';
import { andList } from '../line/and-list';
import { SlipDialog } from '../line/slip-dialog';
import { useSaysLate } from '../line/say-late';
import { useSlip } from '../line/use-slip';

/** Orders that are told one by one; of the others only how many. */
const toldOrders = 2;

/** Customers who are late, each once, in the order of their ready-bys. */
const customersOf = (late: readonly LateOrder[]): readonly string[] => [
  ...new Set(late.map(({ order }) => order.customer)),
];

/** Says, wherever one is, who will be late as the day goes on, and offers to look for a way out. */
export const SlipWatch = () => {
  const slip = useSlip();
  const names = useNames();
  const say = useSaysLate();
  // The day stays, also when a way out that is taken ends the slip.
  const [open, setOpen] = useState<string | null>(null);
  if (!slip && open === null) return null;
  const late = slip?.late ?? [];
  const more = late.length - toldOrders;
  return (
    <>
      {slip && (
        <div className="no-print px-4 pt-3 max-sm:px-3">
          <Alarm
            action={
              <Button
                size="small"
                look="hand"
                onClick={() => setOpen(slip.date)}
              >{t`What can be done?`}</Button>
            }
          >
            <strong className="font-semibold">{t`${andList(customersOf(late))} will be late.`}</strong>{' '}
            {slip.lostOvens.length > 0 &&
              t`${andList(slip.lostOvens.map(names.oven))} ${plural(slip.lostOvens.length, { one: 'is', other: 'are' })} out of use. `}
            {late.slice(0, toldOrders).map(say).join(' ')}
            {more > 0 && t` ${more} more ${plural(more, { one: 'order', other: 'orders' })}.`}
          </Alarm>
        </div>
      )}
      {open !== null && <SlipDialog date={open} onClose={() => setOpen(null)} />}
    </>
  );
};
