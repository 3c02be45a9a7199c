import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { shiftDate } from '@jokul/core';
import { useOrdersOf } from '../lib/queries';
import { Button } from '../ui/button';
import { Field } from '../ui/field';
import { usePutOn } from './use-put-on';

/** The list of another day, put on this one's. */
export const FromDay = ({ date, onDone }: { date: string; onDone: () => void }) => {
  const [from, setFrom] = useState(shiftDate(date, -7));
  const day = useOrdersOf(from);
  const { put, busy } = usePutOn(date, onDone);
  const orders = day.data?.orders ?? [];
  const pieces = orders.reduce((sum, order) => sum + order.pieces, 0);
  return (
    <section aria-label={t`From another day`} className="mt-5 border-t pt-4">
      <div className="flex flex-wrap items-end gap-3">
        <Field
          label={t`Or copy the list of another day`}
          type="date"
          value={from}
          onChange={(event) => event.target.value && setFrom(event.target.value)}
        />
        <Button
          disabled={orders.length === 0 || busy || from === date}
          onClick={() =>
            put(
              orders.map(({ customer, productCode, pieces: n, readyBy }) => ({
                customer,
                productCode,
                pieces: n,
                readyBy,
              })),
            )
          }
        >
          {t`Copy its ${plural(orders.length, { one: '# line', other: '# lines' })}`}
        </Button>
        <p role="status" className="pb-2 text-[13.5px] text-ink-soft">
          {day.isPending
            ? t`Looking …`
            : day.isLoadingError
              ? day.error.message
              : from === date
                ? t`That is this day itself.`
                : orders.length === 0
                  ? t`Nothing is on its list.`
                  : t`${plural(pieces, { one: '# piece', other: '# pieces' })} in all.`}
        </p>
      </div>
    </section>
  );
};
