import { t } from '@lingui/core/macro';
import { ListPlus, Printer, Repeat2 } from 'lucide-react';
import { Suspense, useState } from 'react';
import { Link } from 'react-router';
import { whyClosed, type Formula } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { DayPicker } from '../line/day-picker';
import { PlanButton, StalePlan } from '../line/plan-bar';
import { PlanDays } from '../line/plan-days';
import { useBakery, useDay, useDayDate, useToday } from '../lib/queries';
import { Button, buttonClass } from '../ui/button';
import { later } from '../ui/later';
import { Station } from '../line/station';
import { Alarm, Empty, Failed, Loading } from '../ui/states';
import { AddLine } from './add-line';
import { BakeList } from './bake-list';
import { CustomerQueue } from './customer-queue';
import { LeftOut } from './left-out';
import { ProductTotals } from './product-totals';

const StandingOrders = later(() => import('./standing-orders'), 'StandingOrders');
const MoreOrders = later(() => import('./more-orders'), 'MoreOrders');

/** The bake list, or why there is none yet. */
const TheList = ({
  date,
  orders,
  all,
  formulas,
  closed,
}: {
  readonly date: string;
  /** Those that are looked at, of so many in all. */
  readonly orders: readonly OrderView[];
  readonly all: number;
  readonly formulas: readonly Formula[];
  readonly closed: boolean;
}) =>
  formulas.length === 0 ? (
    <Empty
      title={t`No formula yet`}
      action={<Link to="/begin/formula" className={buttonClass('primary')}>{t`Add the first formula`}</Link>}
    >{t`An order is for a formula: import your recipe, or begin with an example.`}</Empty>
  ) : all === 0 && closed ? null : all === 0 ? (
    <Empty
      title={t`Nothing on the list for this day`}
    >{t`Add the first line below: who it is for, what, how many, and by when it must be ready.`}</Empty>
  ) : (
    <BakeList date={date} orders={orders} formulas={formulas} />
  );

export const OrdersPage = () => {
  const bakery = useBakery();
  const date = useDayDate() ?? '';
  const day = useDay();
  const today = useToday() ?? date;
  const [customer, setCustomer] = useState<string | null>(null);
  const [taking, setTaking] = useState(false);
  const [standing, setStanding] = useState(false);
  if (day.isLoadingError) return <Failed error={day.error} onRetry={() => void day.refetch()} />;
  if (!bakery.data || !day.data) return <Loading what={t`the bake list`} />;
  const { formulas, rules } = bakery.data;
  const { orders } = day.data;
  const closed = whyClosed(bakery.data.equipment.calendar, date);
  const customers = [...new Set(orders.map((order) => order.customer))];
  const shown =
    customer && customers.includes(customer) ? orders.filter((order) => order.customer === customer) : orders;
  return (
    <Station
      title={t`Orders`}
      question={t`What must be ready, how many, by when?`}
      queueTitle={t`For whom`}
      queue={<CustomerQueue orders={orders} customers={customers} chosen={customer} onChoose={setCustomer} />}
      actions={
        <>
          <DayPicker date={date} />
          <Button
            icon={<ListPlus size={16} />}
            disabled={formulas.length === 0}
            onClick={() => setTaking(true)}
          >{t`Many lines`}</Button>
          <Button
            icon={<Repeat2 size={16} />}
            disabled={formulas.length === 0}
            onClick={() => setStanding(true)}
          >{t`Standing`}</Button>
          <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
          <PlanDays />
          {orders.length > 0 && <PlanButton label={day.data.plan ? t`Plan again` : t`Plan the day`} />}
        </>
      }
      why={<ProductTotals formulas={formulas} orders={orders} rules={rules} />}
    >
      <StalePlan />
      {closed !== null && (
        <Alarm>{t`The bakery is closed on this day (${closed}). Standing orders rest, nobody works, and nothing is baked.`}</Alarm>
      )}
      <TheList date={date} orders={shown} all={orders.length} formulas={formulas} closed={closed !== null} />
      <LeftOut date={date} lines={day.data.leftOut} />
      {closed === null && formulas.length > 0 && (
        <AddLine date={date} formulas={formulas} customers={customers} />
      )}
      {standing && (
        <Suspense>
          <StandingOrders
            key={date}
            // Days that are over stay as they were.
            date={date > today ? date : today}
            formulas={formulas}
            customers={customers}
            onClose={() => setStanding(false)}
          />
        </Suspense>
      )}
      {taking && (
        <Suspense>
          <MoreOrders key={date} date={date} formulas={formulas} open onClose={() => setTaking(false)} />
        </Suspense>
      )}
    </Station>
  );
};
