import { t } from '@lingui/core/macro';
import type { BakeryView } from '@jokul/contracts';
import { DayPicker } from '../line/day-picker';
import { useWallClock } from '../lib/clock';
import { useDay, useDayDate } from '../lib/queries';
import { Failed, Loading } from '../ui/states';
import { AddLine } from '../orders/add-line';

/** The first order lines, for a day that leaves time to mix and rest. */
export const OrderStep = ({ bakery }: { readonly bakery: BakeryView }) => {
  const date = useDayDate() ?? '';
  const day = useDay();
  const wall = useWallClock();
  if (bakery.formulas.length === 0) return <p>{t`An order is for a formula: add one in the step before.`}</p>;
  if (day.isLoadingError) return <Failed error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return <Loading what={t`the day`} />;
  const { orders } = day.data;
  const nameOf = (code: string) => bakery.formulas.find((f) => f.code === code)?.name ?? code;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <DayPicker date={date} />
        <p className="text-ink-soft">{t`Dough must be mixed and rest before it is baked: tomorrow is usual.`}</p>
      </div>
      {orders.length > 0 && (
        <ul aria-label={t`Orders of this day`} className="divide-y divide-line rounded-md border">
          {orders.map(({ id, customer, productCode, pieces, readyBy }) => (
            <li key={id} className="figures flex gap-3 px-3 py-2">
              <span className="flex-1">{customer}</span>
              <span className="flex-1">{nameOf(productCode)}</span>
              <span>{pieces}</span>
              <span className="text-ink-soft">{t`by ${wall.ofDay(readyBy)}`}</span>
            </li>
          ))}
        </ul>
      )}
      <AddLine
        date={date}
        formulas={bakery.formulas}
        customers={[...new Set(orders.map(({ customer }) => customer))]}
      />
    </>
  );
};
