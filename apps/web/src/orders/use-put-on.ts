import { plural, t } from '@lingui/core/macro';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import type { ReadOrder } from '@jokul/core';
import { useAddOrders, useRemoveOrder } from '../lib/queries';

/** Lines together on the list of a day, with an undo that takes off what was added. */
export const usePutOn = (date: string, onDone: () => void) => {
  const add = useAddOrders(date);
  const remove = useRemoveOrder();
  const put = (orders: readonly ReadOrder[]) =>
    add.mutate(
      orders.map((order) => ({ ...order, id: uuid() })),
      {
        onSuccess: ({ added, already }) => {
          toast(
            t`${plural(added.length, { one: '# line', other: '# lines' })} put on the list${already > 0 ? t`; ${already} were there already` : ''}.`,
            added.length > 0
              ? { action: { label: t`Undo`, onClick: () => added.forEach((line) => remove.mutate(line)) } }
              : {},
          );
          onDone();
        },
        onError: (error) => toast.error(error.message, { duration: 10_000 }),
      },
    );
  return { put, busy: add.isPending };
};
