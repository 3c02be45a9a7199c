import { plural, t } from '@lingui/core/macro';
import { Suspense, useState } from 'react';
import { useWallClock } from '../../lib/clock';
import { ListPlus, Printer, Repeat2 } from 'lucide-react';
import { Link } from 'react-router';
import { doughNeeded, JokulError, whyClosed, type Formula, type HouseRules } from '@jokul/core';
import type { OrderView } from '@jokul/contracts';
import { DayPicker } from '../../app/day-picker';
import { PlanDays } from '../../app/plan-days';
import { PlanButton, StalePlan } from '../../app/plan-bar';
import { useBakery, useDay, useDayDate, useToday } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button, buttonClass } from '../../ui/button';
import { Shown } from '../../ui/shown';
import { Cautions, Station, WhySection } from '../../ui/station';
import { Alarm, Empty, Failed, Loading } from '../../ui/states';
import { AddLine } from './add-line';
import { LeftOut } from './left-out';
import { OrderRow } from './order-row';
import { later } from '../../ui/later';

const StandingOrders = later(() => import('./standing-orders'), 'StandingOrders');
const MoreOrders = later(() => import('./more-orders'), 'MoreOrders');

const sum = (orders: readonly OrderView[]) => orders.reduce((total, order) => total + order.pieces, 0);

const ProductTotal = ({
  formula,
  orders,
  rules,
}: {
  formula: Formula;
  orders: readonly OrderView[];
  rules: HouseRules;
}) => {
  const { mass } = useUnits();
  const dough = () => {
    try {
      return doughNeeded(
        orders.map((order) => ({
          pieces: order.pieces,
          pieceMassG: formula.piece.massG,
          name: order.customer,
        })),
        {
          bowlShare: rules.bowlLossShare,
          portionShare: rules.portionLossShare,
          testPieces: rules.testPieces,
        },
      );
    } catch (error) {
      if (error instanceof JokulError) return null;
      throw error;
    }
  };
  const needed = dough();
  return (
    <tr className="border-t">
      <td className="py-1 pr-2">
        <span className="figures text-[13px] text-ink-soft">{formula.code}</span> {formula.name}
      </td>
      <td className="py-1 pr-2 text-right figures">{sum(orders)}</td>
      <td className="py-1 text-right">{needed && <Shown figure={needed}>{mass(needed.value)}</Shown>}</td>
    </tr>
  );
};

export const OrdersPage = () => {
  const bakery = useBakery();
  const wall = useWallClock();
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
  const products = formulas.filter((formula) => orders.some((order) => order.productCode === formula.code));
  const queueButton = (name: string | null, pieces: number, detail: string) => (
    <button
      key={name ?? 'all'}
      type="button"
      aria-pressed={customer === name}
      onClick={() => setCustomer(name)}
      className={`block w-full border-l-[3px] px-3 py-2 text-left ${customer === name ? 'border-ink bg-ground font-semibold' : 'border-transparent hover:bg-ground'}`}
    >
      <span className="flex justify-between gap-2">
        <span className="min-w-0 text-balance">{name ?? t`Everyone`}</span>
        <span className="figures text-[13px] text-ink-soft">{pieces}</span>
      </span>
      <span className="block text-[13px] font-normal text-ink-faint">{detail}</span>
    </button>
  );
  return (
    <Station
      title={t`Orders`}
      question={t`What must be ready, how many, by when?`}
      queueTitle={t`For whom`}
      queue={
        <>
          {queueButton(
            null,
            sum(orders),
            t`${plural(customers.length, { one: '# customer', other: '# customers' })}`,
          )}
          {customers.map((name) => {
            const own = orders.filter((order) => order.customer === name);
            return queueButton(
              name,
              sum(own),
              t`ready by ${[...new Set(own.map((order) => wall.ofDay(order.readyBy)))].join(', ')}`,
            );
          })}
        </>
      }
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
      why={
        <>
          <WhySection title={t`Totals per product`}>
            {products.length === 0 ? (
              <p className="text-ink-soft">{t`Totals and dough appear here with the first line.`}</p>
            ) : (
              <div className="table-room">
                <table className="w-full">
                  <thead className="text-left text-[12.5px] text-ink-faint">
                    <tr>
                      <th className="font-normal">{t`Product`}</th>
                      <th className="pr-2 text-right font-normal">{t`Pieces`}</th>
                      <th className="text-right font-normal">{t`Dough`}</th>
                    </tr>
                  </thead>
                  <tbody>
                    {products.map((formula) => (
                      <ProductTotal
                        key={formula.code}
                        formula={formula}
                        orders={orders.filter((order) => order.productCode === formula.code)}
                        rules={rules}
                      />
                    ))}
                    <tr className="border-t border-line-strong font-semibold">
                      <td className="py-1">{t`All`}</td>
                      <td className="py-1 pr-2 text-right figures">{sum(orders)}</td>
                      <td />
                    </tr>
                  </tbody>
                </table>
              </div>
            )}
          </WhySection>
          <Cautions
            items={[
              t`Losses and test pieces are included: open a dough figure to see them.`,
              t`A changed line changes the plan only when the day is planned again.`,
            ]}
          />
        </>
      }
    >
      <StalePlan />
      {closed !== null && (
        <Alarm>{t`The bakery is closed on this day (${closed}). Standing orders rest, nobody works, and nothing is baked.`}</Alarm>
      )}
      {formulas.length === 0 ? (
        <Empty
          title={t`No formula yet`}
          action={
            <Link to="/begin/formula" className={buttonClass('primary')}>{t`Add the first formula`}</Link>
          }
        >{t`An order is for a formula: import your recipe, or begin with an example.`}</Empty>
      ) : orders.length === 0 && closed !== null ? null : orders.length === 0 ? (
        <Empty
          title={t`Nothing on the list for this day`}
        >{t`Add the first line below: who it is for, what, how many, and by when it must be ready.`}</Empty>
      ) : (
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
              {shown.map((order, i) => (
                <OrderRow
                  key={order.id}
                  order={order}
                  date={date}
                  formulas={formulas}
                  newTime={shown[i - 1]?.readyBy !== order.readyBy}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
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
