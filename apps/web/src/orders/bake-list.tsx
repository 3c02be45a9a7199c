import { t } from '@lingui/core/macro';
import type { Formula } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { OrderRow } from './order-row';

interface BakeListProps {
  readonly date: string;
  readonly orders: readonly OrderView[];
  readonly formulas: readonly Formula[];
}

/** The lines of a day in the order of their ready-bys. */
export const BakeList = ({ date, orders, formulas }: BakeListProps) => (
  <div className="table-room">
    <table className="w-full">
      <thead className="sticky top-0 bg-ground text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="py-1 pr-3 font-normal">{t`Ready by`}</th>
          <th className="py-1 pr-3 font-normal">{t`For`}</th>
          <th className="py-1 pr-3 font-normal">{t`Product`}</th>
          <th className="py-1 pr-3 text-right font-normal">{t`Pieces`}</th>
          <th className="no-print">
            <span className="sr-only">{t`Take off`}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {orders.map((order, i) => (
          <OrderRow
            key={order.id}
            order={order}
            date={date}
            formulas={formulas}
            newTime={orders[i - 1]?.readyBy !== order.readyBy}
          />
        ))}
      </tbody>
    </table>
  </div>
);
